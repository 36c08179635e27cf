/**
 * One execution of a plan.
 *
 * <p>In: a plan, the catalogue and what is known. Out: what was planned ({@link org.mobrak.core.job.JobPlan}), a run sheet of
 * sealed steps ({@link org.mobrak.core.job.RunSheet}, {@link org.mobrak.core.job.Step}), and a job that stands where its events
 * say ({@link org.mobrak.core.job.Job}, {@link org.mobrak.core.job.JobState}), on paper too ({@link
 * org.mobrak.core.job.JobCard}). Events are only ever added to. This package decides what may be ticked and why not, and what
 * is known of the phone after each step; it keeps nothing on disk.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.job;
