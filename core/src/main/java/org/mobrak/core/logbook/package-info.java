/**
 * What Mobrak remembers: phones, the texts taken of them, jobs and their journals, in one folder.
 *
 * <p>In: a folder ({@link org.mobrak.core.logbook.Workspace}). Out: dossiers, one per phone. What a method returns is on disk.
 * This package adds rows and never changes what was written; it judges nothing.
 *
 * <p>Nothing here is ever {@code null}; what is absent is an {@link java.util.Optional} or an empty list.
 */
package org.mobrak.core.logbook;
