/**
 * The page “Ways”: every route with its verdict and the reason of each clause, and the plan that a route belongs to.
 *
 * <p>In: snapshots. Out: the wish, and the plan that is taken. This page judges nothing.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.fit;
