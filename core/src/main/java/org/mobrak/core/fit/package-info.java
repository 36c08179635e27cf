/**
 * Which routes fit this phone, and why the others do not.
 *
 * <p>In: facts and a catalogue. Out: for every route a verdict made of clauses, each yes, no or unknown with its reason
 * in a sentence ({@link org.mobrak.core.fit.FitCheck}), and the reading that is worth taking next. This package looks at
 * one route at a time; putting routes in a row is the plan package's work.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.fit;
