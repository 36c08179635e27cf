package org.mobrak.core.proof;

/**
 * A rung of the ladder of proof, from the weakest; how it is tested and what its answer means are common practice, no published
 * source.
 */
public enum Rung {
    ICON(
            "icon",
            "Look for the root manager's icon among the apps.",
            "An icon shows that an app was installed, and no more."),
    MANAGER_SAYS(
            "manager's own word",
            "Open the root manager and read what it says of root.",
            "A manager may say what it found when it was installed."),
    PROOF_APP(
            "a proof app says yes",
            "Open an app that asks for root and says whether it got it.",
            "It got root just now; if nothing asked you first, every app gets it."),
    GRANTED(
            "a request was granted",
            "Open an app that wants root and allow it when the manager asks.",
            "Root works, and the manager stands before it."),
    SHELL(
            "a shell is user 0",
            "In a shell on the started phone become root, then type “id”: it must say uid=0.",
            "The shell is root now. A shell of the recovery says nothing of the OS."),
    LASTS(
            "still so after a restart",
            "Restart the phone and do one of the three rungs below once more.",
            "What is still there after a restart is there to stay, until an update or somebody takes it away.");

    private final String label;
    private final String how;
    private final String meaning;

    Rung(String label, String how, String meaning) {
        this.label = label;
        this.how = how;
        this.meaning = meaning;
    }

    /** From 1 to 6. */
    public int number() {
        return ordinal() + 1;
    }

    public String label() {
        return label;
    }

    /** How to test it, as an instruction. */
    public String how() {
        return how;
    }

    /** What a yes means. */
    public String meaning() {
        return meaning;
    }

    /** Whether a yes shows root itself, and not only that something was installed. */
    boolean showsRoot() {
        return compareTo(PROOF_APP) >= 0;
    }
}
