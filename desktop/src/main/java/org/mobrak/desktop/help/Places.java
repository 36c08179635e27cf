package org.mobrak.desktop.help;

import java.util.List;

/** What stands somewhere in the window and is found by its name: the lines of a file that ships with the program. */
public final class Places {
    private static final int PARTS = 5;

    private final List<Place> all;

    public Places() {
        all = HelpText.file("places.txt")
                .lines()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .map(Places::read)
                .toList();
    }

    /**
     * A line of it.
     *
     * @param page on which it stands; empty where it stands beside every page
     * @param face of the page; empty where it has none
     * @param control that takes the keyboard; empty where the page itself is meant
     * @param name by which it is listed; empty where the line only gives words to a page, or to what keys do
     * @param words by which people know it besides
     */
    public record Place(String page, String face, String control, String name, String words) {}

    private static Place read(String line) {
        String[] parts = line.split("\\|", -1);
        if (parts.length != PARTS) {
            throw new IllegalStateException("Not a place: " + line);
        }
        return new Place(parts[0], parts[1], parts[2], parts[3], parts[4]);
    }

    /** Those that are listed by a name of their own. */
    public List<Place> named() {
        return all.stream().filter(place -> !place.name().isEmpty()).toList();
    }

    /** The words by which a page, or what keys do, is known besides its name. */
    public String words(String page) {
        return all.stream()
                .filter(place -> place.name().isEmpty() && place.page().equals(page))
                .map(Place::words)
                .findFirst()
                .orElse("");
    }
}
