/**
 * The page “Run sheet”: the job that runs, step by step.
 *
 * <p>In: snapshots. Out: what was begun, ticked or missed, readings for gates and reasons to pass them, rests, and the end of the job.
 * What may be ticked is the core's decision.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.job;
