/**
 * The page of files: what a job needs on the bench, the file that lies open, the copies that bring a phone back.
 *
 * <p>In: a snapshot. Out: calls to the session. Never: reads a file or computes what the core can.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.material;
