package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.FolderFiles;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.TextIntake;

/**
 * Texts from files and folders that a user dropped or chose. A file that was named must be readable; of a folder, what holds
 * readings is taken and the rest is counted.
 */
final class FilePicker {
    private static final int MOST_FILES = 2_000;
    private static final int MOST_DEPTH = 4;

    private final List<RawText> texts = new ArrayList<>();
    private int passedOver;

    /** Reads everything before anything is kept; the first named file that cannot be read stops it. */
    static FilePicker read(List<Path> named) throws IOException {
        FilePicker picker = new FilePicker();
        for (Path path : named) {
            if (Files.isDirectory(path)) {
                picker.readFolder(path);
            } else {
                picker.texts.add(text(path));
            }
        }
        if (picker.texts.isEmpty()) {
            throw new UnreadableInput("In this folder no file holds a reading Mobrak knows (%d files looked at)."
                    .formatted(picker.passedOver));
        }
        return picker;
    }

    List<RawText> texts() {
        return List.copyOf(texts);
    }

    /** How many files of folders held no reading. */
    int passedOver() {
        return passedOver;
    }

    private void readFolder(Path folder) throws IOException {
        for (Path file : FolderFiles.of(folder, MOST_DEPTH, MOST_FILES)) {
            try {
                texts.add(text(file));
            } catch (UnreadableInput noReading) {
                passedOver++;
            }
        }
    }

    private static RawText text(Path file) throws IOException {
        RawText text = TextIntake.of(file);
        return new RawText(file.getFileName().toString(), text.text(), text.findings());
    }
}
