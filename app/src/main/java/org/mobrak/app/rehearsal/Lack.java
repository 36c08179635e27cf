package org.mobrak.app.rehearsal;

/**
 * What a card does not say at some box.
 *
 * @param missing in words
 */
record Lack(Stuck.Kind kind, String missing) {}
