/**
 * What must lie on the bench before a job begins, and what could bring the phone back.
 *
 * <p>In: a run sheet, the files that were looked into, the register of stock copies. Out: a {@link
 * org.mobrak.core.gather.Gathering} whose lines are had, missing, wrong or unchecked; a {@link
 * org.mobrak.core.gather.RestoreCheck} for each partition. Never: fetches anything, or takes a file's name for its content. Only
 * {@link org.mobrak.core.gather.JobFolder} writes, and only where it is told. Nothing here is null.
 */
package org.mobrak.core.gather;
