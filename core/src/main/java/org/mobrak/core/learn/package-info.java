/**
 * Reads guides: texts in which people tell how a phone is worked on.
 *
 * <p>In: the bytes of a guide. Out: a {@link org.mobrak.core.learn.Lesson}: drafts of routes in the catalogue's form, with the
 * line each value was read from and how sure that is, what is missing, and what to be wary of. The words it knows are data
 * ({@code wordings.yaml}). This package never claims what the text does not say, fetches nothing, and never plans.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.learn;
