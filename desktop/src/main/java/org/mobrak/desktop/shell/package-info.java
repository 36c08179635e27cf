/**
 * The frame of the window: the drawer of phones on one side, the stages of the work in order, one page per stage, and the
 * cautions below.
 *
 * <p>In: the session and the pages. Out: which phone and which page the user looks at. The frame knows nothing of what the
 * pages show.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.shell;
