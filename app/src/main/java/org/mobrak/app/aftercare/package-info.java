/**
 * What comes after the work: how far it is proved, what is otherwise than before, what broke and what mends it.
 *
 * <p>In: calls on an {@link org.mobrak.app.aftercare.Aftercare} of the phone on the desk. Out: a new {@link
 * org.mobrak.app.aftercare.AftercareView}. What a person saw, answered and patched is kept with the phone ({@link
 * org.mobrak.app.aftercare.Notes}). This package never writes into a phone, and into a file only where it is told to.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.app.aftercare;
