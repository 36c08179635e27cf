/**
 * Routes in a row, from the phone's state to the goal.
 *
 * <p>In: a goal, a catalogue, facts and limits. Out: the plans that nothing beats in every respect, each with what it costs
 * ({@link org.mobrak.core.plan.Planner}); if there is none, the smallest set of blockers. This package writes no steps and
 * starts no work.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.plan;
