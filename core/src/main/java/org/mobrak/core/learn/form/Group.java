package org.mobrak.core.learn.form;

/** What the fields of a draft are about, in the order in which the trade asks. */
public enum Group {
    PHONES("For which phone", "phones"),
    NEEDS("What must be so before", "before"),
    READY("What must be ready on the day", "ready"),
    FILES("Files", "files"),
    CHANGES("What it does to the phone", "does"),
    STEPS("Steps", "steps"),
    COSTS("Time and money", "costs"),
    NOTES("Name, dangers, source", "notes");

    private final String label;
    private final String word;

    Group(String label, String word) {
        this.label = label;
        this.word = word;
    }

    public String label() {
        return label;
    }

    /** The same in a word, where there is little room. */
    public String word() {
        return word;
    }

    /** The group that a value belongs to, by its JSON pointer into a route. */
    public static Group ofPath(String path) {
        if (path.startsWith("/fits/phones") || path.startsWith("/fits/excludedBuilds") || path.contains("/not/")) {
            return PHONES;
        }
        if (path.startsWith("/fits/requires")) {
            return path.endsWith("/is/0") ? NEEDS : PHONES;
        }
        if (path.startsWith("/work/gates")) {
            return READY;
        }
        if (path.startsWith("/work/files")) {
            return FILES;
        }
        if (path.startsWith("/work/steps")) {
            return STEPS;
        }
        if (path.startsWith("/changes")) {
            return CHANGES;
        }
        return path.startsWith("/costs") ? COSTS : NOTES;
    }
}
