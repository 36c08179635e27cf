package org.mobrak.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * No pattern may repeat a group without a bound: the platform's matcher calls itself once for each round, so a long text from
 * outside overflows the stack, and two such repeats within each other take for ever. Found here in the sources, so that the next
 * one is found too.
 */
class PatternsTest {
    private static final Pattern CALL = Pattern.compile(
            "(?:Pattern\\.compile|\\.matches|\\.replaceAll|\\.replaceFirst|\\.split)\\(\\s*((?:\"(?:[^\"\\\\]|\\\\.)*\"[\\s+]*)+)");

    private static final Pattern UNBOUNDED_GROUP = Pattern.compile("\\)(?:[*+]|\\{\\d+,\\})(?!\\+)");

    @Test
    void noPatternRepeatsAGroupWithoutBound() throws IOException {
        List<String> found = new ArrayList<>();
        int patterns = 0;
        for (String module : List.of("core", "link", "app", "cli", "desktop")) {
            try (Stream<Path> files = Files.walk(Sample.HOME.resolve(module).resolve("src/main/java"))) {
                for (Path file :
                        files.filter(path -> path.toString().endsWith(".java")).toList()) {
                    Matcher call = CALL.matcher(Files.readString(file));
                    while (call.find()) {
                        patterns++;
                        if (UNBOUNDED_GROUP.matcher(call.group(1)).find()) {
                            found.add(file.getFileName() + ": " + call.group(1));
                        }
                    }
                }
            }
        }
        assertThat(patterns).as("patterns looked at").isGreaterThan(80);
        assertThat(found).isEmpty();
    }
}
