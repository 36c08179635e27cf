/**
 * What is known about phones and routes, read from open YAML files.
 *
 * <p>In: a folder ({@link org.mobrak.core.catalogue.CatalogueLoader}). Out: an immutable {@link
 * org.mobrak.core.catalogue.Catalogue} and every fault with file, line and remedy. The files are not trusted: no tags,
 * bounded aliases, depth and size. This package holds data and judges nothing.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.catalogue;
