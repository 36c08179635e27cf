/**
 * The program itself, in a sheet at the side: how a person likes to work, what ships and under which licence, and the log.
 *
 * <p>In: the session's preferences and log, what the window can change of its look. Out: wishes. It reads no file of a person's and
 * computes nothing.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.desktop.program;
