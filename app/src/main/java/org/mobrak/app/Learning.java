package org.mobrak.app;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.catalogue.file.EntryYaml;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.logbook.Output;

/** Guides as they lie on the disk, and the drafts that are learnt from them. */
public final class Learning {
    /** More is not read; the learner says so. */
    private static final int MOST_BYTES = (8 << 20) + 1;

    private Learning() {}

    /** The bytes of a guide; every way in which that can fail is told in a sentence. */
    public static Learner.Source source(Path file) throws IOException {
        return new Learner.Source(file.toString(), BoundedFile.read(file, MOST_BYTES, "name the guides in it."));
    }

    public static Learner.Source source(String name, InputStream in) throws IOException {
        return new Learner.Source(name, in.readNBytes(MOST_BYTES));
    }

    /** Writes drafts into a catalogue's folder, each into a file that was not there; phones only where nothing of them is open. */
    public static List<Path> write(Lesson lesson, Path catalogue) throws IOException {
        List<Path> written = new ArrayList<>();
        for (ObjectNode route : lesson.routes()) {
            written.add(write(route, catalogue.resolve("routes")));
        }
        for (ObjectNode phone : lesson.phones()) {
            if (phone.has("maker") && phone.has("shopName")) {
                written.add(write(phone, catalogue.resolve("phones")));
            }
        }
        return written;
    }

    private static Path write(ObjectNode entry, Path kind) throws IOException {
        Path folder = Files.createDirectories(kind);
        String id = entry.get("id").asText();
        Path file = folder.resolve(id + ".yaml");
        for (int count = 2; Files.exists(file); count++) {
            file = folder.resolve(id + "-" + count + ".yaml");
        }
        Output.write(file, EntryYaml.of(entry));
        return file;
    }
}
