/**
 * Looks into files: one reader for each kind, found by the first bytes, archives and wrappings read to the bottom.
 *
 * <p>In: a file. Out: a tree of {@link org.mobrak.core.material.Part}s and findings. Never: holds more than one kernel in
 * memory, follows a link, writes anything but a private temporary file that it removes, or lets a hostile file do more than
 * make a finding. Nothing here is null.
 */
package org.mobrak.core.material.reader;
