/**
 * What a file is, from its bytes: its digests, its kind, what lies in it, the kernel it holds, the partitions it would write.
 *
 * <p>In: a file and what a list or a route says its digests are. Out: an {@link org.mobrak.core.material.Inspection} with
 * findings. Never: believes a name, writes outside a private temporary file, or judges by a phone (that is
 * {@code material.check}). Nothing here is null.
 */
package org.mobrak.core.material;
