/**
 * Who is this phone? Raw text comes in, readings come out, and the ledger adds them up to facts.
 *
 * <p>In: bytes or pasted text ({@link org.mobrak.core.identity.reader.TextIntake}). Out: {@link
 * org.mobrak.core.identity.Facts}, each with the readings it rests on, and findings about what was wrong with
 * the text. This package never guesses a value, never overwrites a reading and knows nothing of routes.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.identity;
