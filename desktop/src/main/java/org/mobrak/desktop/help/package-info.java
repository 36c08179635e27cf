/**
 * What each page answers, all keys, and the palette that finds things by their name.
 *
 * <p>In: a page, a list of commands. Out: nothing but the command that was chosen.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.help;
