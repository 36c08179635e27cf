/**
 * The page for what comes after the work: the ladder of proof, before and after, what broke, one property, the apps.
 *
 * <p>In: an {@link org.mobrak.app.aftercare.AftercareView}. Out: calls on the session's aftercare. Computes nothing.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.aftercare;
