/**
 * A whole workspace, or what is kept of one phone, as a zip of documented JSON ({@code docs/export.md}), and back. In: the folder of a
 * workspace that is held open by whoever asks, a zip. Out: the other of the two. A zip from elsewhere is looked through to its end before
 * the first row is written; nothing that is there is ever written over, and reading the same zip twice adds nothing.
 */
package org.mobrak.core.logbook.transfer;
