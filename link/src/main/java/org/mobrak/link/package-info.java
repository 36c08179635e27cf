/**
 * The link between the computer and a phone, and a simulated bench with phones on it.
 *
 * <p>In: a question to a phone that is seen. Out: the text it answers with, as raw as from a file, or the reason for its
 * silence and what to do about it. This package believes nothing it reads and writes nothing to a phone.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.link;
