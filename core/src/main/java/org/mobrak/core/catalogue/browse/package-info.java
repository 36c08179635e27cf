/**
 * A catalogue looked through: its entries by kind and name, what refers to what, and what people reported.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.catalogue.browse;
