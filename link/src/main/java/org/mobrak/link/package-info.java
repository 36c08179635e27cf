/**
 * The link between the computer and a phone, and a simulated bench with phones on it.
 *
 * <p>In: a {@link org.mobrak.link.Request} to a phone that is seen. Out: its {@link org.mobrak.link.Reply} when the phone has done
 * it: what it says, as raw as from a file, or the kind of its failure, the reason and what to do about it. This package believes
 * nothing it reads, and writes only what a request says.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.link;
