/**
 * The link between the computer and a phone, and a simulated bench with phones on it.
 *
 * <p>In: a question to a phone that is seen. Out: the text it answers with, as raw as from a file, or the reason for its
 * silence and what to do about it; a {@link org.mobrak.link.Request}, and its {@link org.mobrak.link.Reply} when the phone has
 * done it. This package believes nothing it reads, and writes only what a request says.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.link;
