/**
 * What is known about phones and routes, as values: phone families, routes with their conditions, steps and effects, holes, and
 * what is known of a phone after a route ({@link org.mobrak.core.catalogue.Aftermath}).
 *
 * <p>In: the files, by {@code catalogue.file}. Out: an immutable {@link org.mobrak.core.catalogue.Catalogue}. This package holds
 * data; it reads no file and judges nothing.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.catalogue;
