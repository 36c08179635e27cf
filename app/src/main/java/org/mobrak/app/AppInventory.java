package org.mobrak.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.proof.AppList;

/** Listings of apps, as they lie on the disk. */
public final class AppInventory {
    private static final int MOST_BYTES = 16 << 20;

    private AppInventory() {}

    /** The apps in a file; an {@link UnreadableInput} tells that there are none. */
    public static AppList read(Path file) throws IOException {
        return read(file.toString(), BoundedFile.read(file, MOST_BYTES, "give the listing in it."));
    }

    private static AppList read(String name, byte[] bytes) throws IOException {
        if (bytes.length > MOST_BYTES) {
            throw new UnreadableInput(name + " is too large for a listing of apps; check the path.");
        }
        AppList list = AppList.parse(new String(bytes, StandardCharsets.UTF_8));
        if (list.enabled().isEmpty()) {
            throw new UnreadableInput(
                    name + " names no app; it should have lines such as “package:org.example.clock”.");
        }
        return list;
    }
}
