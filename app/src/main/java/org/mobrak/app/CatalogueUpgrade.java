package org.mobrak.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.KeysUpgrade;
import org.mobrak.core.identity.Refusal;

/** Brings a catalogue into today's form: keys that stand in its routes move to its phones. Routes are left as they are. */
public final class CatalogueUpgrade {
    private CatalogueUpgrade() {}

    /**
     * What was found, and done.
     *
     * @param moved by file, the lines that it gained
     * @param left what a person must decide
     */
    public record Upgraded(Map<String, List<String>> moved, List<String> left) {}

    /**
     * Upgrades a folder.
     *
     * @param dryRun tells what would be done, and does nothing
     * @throws Refusal where a file would not be read any more; then nothing of it was changed
     */
    public static Upgraded of(Path folder, boolean dryRun) throws IOException, Refusal {
        KeysUpgrade found = KeysUpgrade.of(CatalogueLoader.load(folder).catalogue());
        if (!dryRun) {
            Map<Path, String> before = new TreeMap<>();
            for (Map.Entry<String, List<String>> one : found.moved().entrySet()) {
                Path file = folder.resolve(one.getKey());
                String text = Files.readString(file);
                before.put(file, text);
                write(file, KeysUpgrade.applied(text, one.getValue()));
            }
            takeBackWhereItFails(folder, before);
        }
        return new Upgraded(new TreeMap<>(found.moved()), found.left());
    }

    private static void takeBackWhereItFails(Path folder, Map<Path, String> before) throws IOException, Refusal {
        boolean whole = CatalogueLoader.load(folder).faults().stream()
                .allMatch(fault ->
                        fault.isWarning() || before.keySet().stream().noneMatch(file -> file.endsWith(fault.file())));
        if (!whole) {
            for (Map.Entry<Path, String> one : before.entrySet()) {
                write(one.getKey(), one.getValue());
            }
            throw new Refusal(
                    "A phone's file could not be read after it; nothing was changed. Maybe its keys stand in one line: write them one below the other.");
        }
    }

    private static void write(Path file, String text) throws IOException {
        Path beside = file.resolveSibling(file.getFileName() + ".part");
        Files.writeString(beside, text, StandardCharsets.UTF_8);
        Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }
}
