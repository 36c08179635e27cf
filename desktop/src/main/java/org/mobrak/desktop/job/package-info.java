/**
 * The page “Run sheet”: the job that runs, step by step.
 *
 * <p>In: snapshots. Out: ticks, readings for gates, and the end of the job. What may be ticked is the core's decision.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.job;
