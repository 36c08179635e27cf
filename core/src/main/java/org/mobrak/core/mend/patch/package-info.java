/**
 * One value of a property file, changed.
 *
 * <p>In: the bytes of a file and a {@link org.mobrak.core.mend.patch.PropertyChange}. Out: a {@link
 * org.mobrak.core.mend.patch.PropertyPatch} that says what became of it, with the new bytes and the difference as a unified
 * diff. Every byte outside the changed value stays as it is. This package never opens and never writes a file.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.mend.patch;
