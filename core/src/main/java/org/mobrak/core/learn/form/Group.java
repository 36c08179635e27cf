package org.mobrak.core.learn.form;

/** What the fields of a draft are about, in the order in which the trade asks. */
public enum Group {
    PHONES("For which phone"),
    NEEDS("What must be so before"),
    READY("What must be ready on the day"),
    FILES("Files"),
    CHANGES("What it does to the phone"),
    STEPS("Steps"),
    COSTS("Time and money"),
    NOTES("Name, dangers, source");

    private final String label;

    Group(String label) {
        this.label = label;
    }

    public String label() {
        return label;
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
