/**
 * One execution of a plan.
 *
 * <p>In: a plan. Out: a run sheet of steps in five phases ({@link org.mobrak.core.job.RunSheet}) and a job that stands where
 * its journal says ({@link org.mobrak.core.job.Job}). The journal is only ever added to. This package decides what may be
 * ticked and why not; it keeps nothing on disk.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.job;
