/**
 * Mobrak's window.
 *
 * <p>In: a workspace folder. Out: a window, or pictures of it. The packages below are one for each page, named like the core's;
 * {@code session} stands between them and the core, {@code shell} is the frame, {@code parts} what pages are made of.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop;
