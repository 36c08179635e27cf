/**
 * From bytes and pasted text to readings.
 *
 * <p>In: files, streams, clipboard text ({@link org.mobrak.core.identity.reader.TextIntake}). Out: readings, each with its source
 * and line, and findings about the text ({@link org.mobrak.core.identity.reader.ReadingParser}). One reader for each form; a form
 * is recognised by what its lines look like and never by a file's name. Nothing here judges a value or holds two of them
 * against each other.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.identity.reader;
