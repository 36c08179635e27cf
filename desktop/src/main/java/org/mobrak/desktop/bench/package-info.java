/**
 * A rehearsal played by hand: the run page of a copied workspace, and beside it the phone on the bench with its keys, its cable and
 * the computer's port.
 *
 * <p>In: a {@link org.mobrak.app.rehearsal.Practice} and the time that goes by on the screen. Out: what the hands do. Nothing here
 * knows what a phone does of itself, and nothing of it reaches the real logbook.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty collection.
 */
package org.mobrak.desktop.bench;
