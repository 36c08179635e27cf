/**
 * What the logbook tells when it is read as a whole: how often routes worked, how long they took, what stopped the work, how two
 * jobs differ, and what was known when.
 *
 * <p>In: dossiers and jobs. Out: values to be told. Never: reads a disk, judges a route.
 */
package org.mobrak.core.logbook.history;
