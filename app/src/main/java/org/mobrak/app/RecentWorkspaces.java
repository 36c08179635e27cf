package org.mobrak.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The workspaces that were open last, the latest first: a file of the user's own with a path on each line. */
public final class RecentWorkspaces {
    private static final int MOST = 8;

    private final Path data;

    /** @param data the folder of the user's own in which the file lies and workspaces are made */
    public RecentWorkspaces(Path data) {
        this.data = data;
    }

    /** Those that are still there. */
    public List<Path> all() {
        try (Stream<String> lines = Files.lines(file())) {
            return lines.flatMap(line -> path(line).stream())
                    .filter(folder -> Files.isDirectory(folder.resolve("catalogue")))
                    .limit(MOST)
                    .toList();
        } catch (IOException | UncheckedIOException none) {
            return List.of();
        }
    }

    private static Optional<Path> path(String line) {
        try {
            return line.isBlank() ? Optional.empty() : Optional.of(Path.of(line));
        } catch (InvalidPathException noPath) {
            return Optional.empty();
        }
    }

    /** What is opened when nothing is named: the last one, or one in the user's own folder that is yet to be made. */
    public Path last() {
        return all().stream().findFirst().orElseGet(() -> data.resolve("workspace"));
    }

    /** A folder for a demo that does not exist yet. */
    public Path forDemo() {
        Path folder = data.resolve("demo");
        for (int number = 2; Files.exists(folder); number++) {
            folder = data.resolve("demo-" + number);
        }
        return folder;
    }

    /** Notes that a workspace was opened. */
    public void opened(Path folder) throws IOException {
        List<String> lines = new ArrayList<>(List.of(folder.toAbsolutePath().toString()));
        all().stream()
                .map(Path::toString)
                .filter(line -> !lines.contains(line))
                .limit(MOST - 1L)
                .forEach(lines::add);
        Files.createDirectories(data);
        Path beside = Files.createTempFile(data, ".recent-", ".tmp");
        try {
            Files.write(beside, lines);
            Files.move(beside, file(), StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    private Path file() {
        return data.resolve("recent");
    }
}
