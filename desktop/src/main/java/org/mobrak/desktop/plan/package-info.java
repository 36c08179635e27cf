/**
 * The plans of the page “Ways”: as cards beside their trade-offs drawn as a plot, and as a way on the map of states and routes.
 *
 * <p>In: the desk and the choice that all faces of the page share. Out: the plan that is chosen, and the brief that is saved.
 * Nothing here weighs or works out anything.
 *
 * <p>Nothing here is ever {@code null}, except an empty choice.
 */
package org.mobrak.desktop.plan;
