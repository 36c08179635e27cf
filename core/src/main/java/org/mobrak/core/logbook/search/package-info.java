/**
 * Everything that was ever read, done or noted, found by words. In: the logbook of a workspace that is held open by whoever asks, a
 * query. Out: hits, the best first. The index is the database's own full-text index (FTS5); it lies in the user's cache folder and never in the
 * workspace, is brought up to date before each search, and made anew where it does not belong to the logbook as it is.
 */
package org.mobrak.core.logbook.search;
