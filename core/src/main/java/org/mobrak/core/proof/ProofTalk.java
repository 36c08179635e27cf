package org.mobrak.core.proof;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What a root manager or a proof app says, copied off its screen: each line counts as the one thing that it says, never as more.
 * The wordings are data, in {@code proof-words.yaml}.
 */
public final class ProofTalk {
    /** A screen has less; our own choice. */
    private static final int MOST_LINES = 200;

    private ProofTalk() {}

    /** Something that a text says, and the line that says so, from 1. */
    public record Said(Seen what, int line, String text) {}

    private record Wording(String seen, List<String> says) {
        Optional<Seen> in(String line) {
            return says.stream().anyMatch(line::contains) ? Seen.ofWord(seen) : Optional.empty();
        }
    }

    /** Everything a text says of root, in its order; empty where it says nothing of it. */
    public static List<Said> of(String text) {
        List<Wording> wordings = shipped();
        String[] lines = text.split("\\R", MOST_LINES + 1);
        List<Said> said = new ArrayList<>();
        for (int i = 0; i < Math.min(lines.length, MOST_LINES); i++) {
            String line = lines[i].strip();
            String words = " " + line.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}=]{1,100}", " ") + " ";
            int number = i + 1;
            // A no stands before every yes, so that “no root access” is never taken for root access.
            wordings.stream()
                    .flatMap(wording -> wording.in(words).stream())
                    .findFirst()
                    .ifPresent(what -> said.add(new Said(what, number, line)));
        }
        return said;
    }

    private static List<Wording> shipped() {
        try (InputStream in = ProofTalk.class.getResourceAsStream("proof-words.yaml")) {
            List<Map<String, List<String>>> data = new YAMLMapper().readValue(in, new TypeReference<>() {});
            return data.stream()
                    .flatMap(group -> group.entrySet().stream())
                    .map(entry -> new Wording(
                            entry.getKey(),
                            entry.getValue().stream()
                                    .map(words -> " " + words + " ")
                                    .toList()))
                    .toList();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
