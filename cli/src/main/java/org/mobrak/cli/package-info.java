/**
 * Mobrak from the shell.
 *
 * <p>In: files, standard input and options. Out: one JSON object or a readable table on standard output, messages on standard
 * error, and an exit status: 0 done; 1 done and the answer is “no”; 2 wrong usage; 3 input unreadable. The commands hold no
 * judgement of their own: they call the core and write down what it says.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.cli;
