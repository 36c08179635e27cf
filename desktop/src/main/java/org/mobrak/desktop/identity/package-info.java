/**
 * The page “Readings”: who the phone is, from which reading each fact comes, and what is unknown.
 *
 * <p>In: snapshots. Out: texts and typed values, given to the session. This page works nothing out.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.identity;
