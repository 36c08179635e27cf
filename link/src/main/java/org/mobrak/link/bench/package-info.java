/**
 * The bench phone: what a phone does when keys are held, cables are plugged and files are written, as a pure function over virtual
 * time.
 *
 * <p>In: a {@link org.mobrak.link.bench.BenchTruth}, a {@link org.mobrak.link.bench.BenchState} and a {@link
 * org.mobrak.link.bench.Stimulus}. Out: a {@link org.mobrak.link.bench.Turn}: the state after it and what a person would have
 * seen. Nothing here looks at a clock, at a real phone or into the logbook.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty collection.
 */
package org.mobrak.link.bench;
