/**
 * Build strings taken apart, decoded and put in order.
 *
 * <p>In: a build number, build id, fingerprint, OS version or kernel release. Out: its labelled parts ({@link
 * org.mobrak.core.identity.build.Ruler}), what two of them differ in ({@link org.mobrak.core.identity.build.Overlay}), dates and
 * orders. Makers' own grammars come in as data; the platform's published forms are known here. A text that does not fit gives an
 * empty answer, never a guess.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.identity.build;
