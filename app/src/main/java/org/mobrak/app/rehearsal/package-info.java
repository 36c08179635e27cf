/**
 * A job played on the bench phone before it is done on a real one.
 *
 * <p>In: an {@link org.mobrak.app.Outlook} with a plan, a {@link org.mobrak.link.bench.BenchTruth}, faults and a seed. Out: a
 * {@link org.mobrak.app.rehearsal.Report}. The sheet, its events and their fold are those of a real job; nothing of it is ever
 * written into a logbook.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty collection.
 */
package org.mobrak.app.rehearsal;
