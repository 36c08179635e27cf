/**
 * The page “Catalogue”: what the workspace's catalogue holds and what is wrong in it, and another catalogue held against it,
 * entry by entry.
 *
 * <p>In: snapshots. Out: the catalogue to compare with, and the entries to take. This page compares nothing itself.
 *
 * <p>Nothing here is ever {@code null}.
 */
package org.mobrak.desktop.catalogue;
