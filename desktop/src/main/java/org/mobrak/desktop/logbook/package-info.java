/**
 * The page “Logbook”: the jobs that have ended, on every phone, and what happened in each.
 *
 * <p>In: snapshots. Out: nothing.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.logbook;
