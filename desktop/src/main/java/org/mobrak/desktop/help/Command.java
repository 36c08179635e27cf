package org.mobrak.desktop.help;

/**
 * Something that can be done or gone to by its name.
 *
 * @param kind what it is: a page, a phone, a route, an action
 * @param words by which people know it besides
 * @param keys that do the same; empty text where there are none
 */
public record Command(String kind, String name, String words, String keys, Runnable action) {
    public Command(String kind, String name, String keys, Runnable action) {
        this(kind, name, "", keys, action);
    }

    /** The same with words by which people know it. */
    public Command knownBy(String others) {
        return new Command(kind, name, others, keys, action);
    }

    /** What it is kept in mind by; the same from start to start. */
    String id() {
        return kind + ": " + name;
    }
}
