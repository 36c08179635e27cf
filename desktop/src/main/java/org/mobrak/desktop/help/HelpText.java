package org.mobrak.desktop.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Objects;

/** The texts that ship with the program. */
final class HelpText {
    private HelpText() {}

    /** @param name of a page of help */
    static String of(String name) {
        return file(name + ".md");
    }

    static String file(String name) {
        try (InputStream in =
                Objects.requireNonNull(HelpText.class.getResourceAsStream("/org/mobrak/desktop/help/" + name))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }
}
