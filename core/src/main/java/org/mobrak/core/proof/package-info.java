/**
 * What was reached, and what is otherwise than before.
 *
 * <p>In: what was seen of root in order of time, and facts; two sets of facts and the routes between them. Out: a {@link
 * org.mobrak.core.proof.RootProof} that claims no more than the rung that was reached, and {@link
 * org.mobrak.core.proof.Comparison} with a reason for each fact. Apps before and after by their listings. This package never
 * takes a word for a proof.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.proof;
