package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.commons.io.file.PathUtils;

/**
 * A catalogue of any size: the shipped one, and its phones and their routes again and again under other model numbers. So a
 * large catalogue is what it would be in life, many phones with a few routes each.
 */
final class ManyRoutes {
    private static final Pattern MODEL = Pattern.compile("\\bmodel: ([^,}]+)");
    private static final Pattern ID = Pattern.compile("(?m)^id: (.+)$");

    private static final Pattern NAME = Pattern.compile("(?m)^name: (.+)$");

    private final Path folder;

    private ManyRoutes(Path folder) {
        this.folder = folder;
    }

    /** Writes a catalogue with this many routes into an empty folder. */
    static Path write(List<Path> shipped, Path folder, int routes) throws IOException {
        for (Path one : shipped) {
            PathUtils.copyDirectory(one, folder);
        }
        new ManyRoutes(folder).write(routes);
        return folder;
    }

    private void write(int routes) throws IOException {
        List<Path> own = files("routes");
        List<Path> phones = files("phones");
        int missing = routes - own.size();
        for (int copy = 1; missing > 0; copy++) {
            for (Path family : phones) {
                again(family, copy);
            }
            for (Path route : own.subList(0, Math.min(own.size(), missing))) {
                again(route, copy);
            }
            missing -= own.size();
        }
    }

    private List<Path> files(String kind) throws IOException {
        try (Stream<Path> files = Files.list(folder.resolve(kind))) {
            return files.sorted().toList();
        }
    }

    private void again(Path file, int copy) throws IOException {
        String text = ID.matcher(Files.readString(file)).replaceFirst("id: $1-" + copy);
        text = NAME.matcher(text).replaceAll(found -> Matcher.quoteReplacement(other(found.group(), copy)));
        String moved = MODEL.matcher(text).replaceAll(found -> Matcher.quoteReplacement(other(found.group(), copy)));
        String name = file.getFileName().toString().replace(".yaml", "-" + copy + ".yaml");
        Files.writeString(folder.resolve(file.getParent().getFileName()).resolve(name), moved);
    }

    private static String other(String model, int copy) {
        return model.endsWith("\"") ? model.substring(0, model.length() - 1) + "-" + copy + "\"" : model + "-" + copy;
    }
}
