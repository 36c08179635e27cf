package org.mobrak.link;

import java.util.Arrays;
import java.util.Optional;

/** What a phone is doing. */
public enum Mode {
    OFF("off", "dark"),
    OS("os", "the usual start screen"),
    RECOVERY("recovery", "a recovery's menu"),
    /** The question before download mode: one key goes on, another goes back. */
    WARNING("warning", "the warning"),
    DOWNLOAD("download", "the download screen"),
    FLASH_CONSOLE("flash-console", "the flash console"),
    /** It shows its logo, again and again. */
    LOOP("loop", "the logo, again and again"),
    /** The screen stays black, and the phone is on. */
    BLACK("black", "a black screen"),
    /** Nothing a person can hold or plug brings it back. */
    DEAD("dead", "nothing at all");

    private final String word;
    private final String screen;

    Mode(String word, String screen) {
        this.word = word;
        this.screen = screen;
    }

    /** As steps of routes write it. */
    public String word() {
        return word;
    }

    /** What a person sees. */
    public String screen() {
        return screen;
    }

    public static Optional<Mode> ofWord(String word) {
        return Arrays.stream(values()).filter(mode -> mode.word.equals(word)).findFirst();
    }
}
