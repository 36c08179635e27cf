package org.mobrak.core.catalogue.browse;

/** What an entry of a catalogue is about. */
public enum EntryKind {
    PHONE("Phone", "Phones", "phones"),
    ROUTE("Route", "Routes", "routes"),
    HOLE("Hole", "Holes", "holes"),
    DANGER("Danger", "Dangers", "dangers"),
    SYMPTOM("Symptom", "Symptoms", "symptoms"),
    CAUSE("Cause", "Causes", "causes"),
    QUESTION("Question", "Questions", "questions"),
    APP("App", "Apps", "apps");

    private final String one;
    private final String many;
    private final String folder;

    EntryKind(String one, String many, String folder) {
        this.one = one;
        this.many = many;
        this.folder = folder;
    }

    public String one() {
        return one;
    }

    public String many() {
        return many;
    }

    /** The folder of the catalogue in which its files lie. */
    String folder() {
        return folder;
    }
}
