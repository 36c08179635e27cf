package org.mobrak.desktop.help;

/**
 * Something that can be done or gone to by its name.
 *
 * @param kind what it is: a page, a phone, a route, an action
 * @param keys that do the same; empty text where there are none
 */
public record Command(String kind, String name, String keys, Runnable action) {}
