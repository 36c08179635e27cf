/**
 * The small parts that every page is made of: cards, signs and lines of text.
 *
 * <p>In: plain values. Out: nodes with their style classes and words for screen readers. Nothing here knows the session.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.parts;
