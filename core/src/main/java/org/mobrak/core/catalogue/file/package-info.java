/**
 * How a catalogue is written down: YAML files, their faults, and two catalogues put together.
 *
 * <p>In: folders and zips, not trusted: no tags, bounded aliases, depth and size. Out: a {@link
 * org.mobrak.core.catalogue.Catalogue} and every fault with file, line and remedy. A file with a fault is left out; the others
 * serve. This package judges no phone.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.catalogue.file;
