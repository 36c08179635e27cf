/**
 * Who a phone is once the catalogue has spoken.
 *
 * <p>In: a ledger and a catalogue. Out: an {@link org.mobrak.core.catalogue.match.Identity}, with the variants that remain
 * possible and what separates them. A phone that is not in the catalogue is never taken for one that is like it.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.catalogue.match;
