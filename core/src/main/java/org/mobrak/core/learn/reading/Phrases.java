package org.mobrak.core.learn.reading;

import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The words by which states are understood; data, in {@code phrases.yaml}. */
final class Phrases {
    private final List<Need> needs = new ArrayList<>();
    private final Map<String, Cue> hosts = new LinkedHashMap<>();
    private final Map<String, Cue> goals = new LinkedHashMap<>();
    private final Cue wipes;
    private final Cue kept;
    private final Cue dangers;
    private final Cue shop;

    /** The form of the file. */
    record Data(
            List<NeedData> needs,
            Map<String, List<String>> hosts,
            List<String> wipes,
            List<String> kept,
            Map<String, List<String>> goals,
            List<String> dangers,
            List<String> shop) {}

    record NeedData(
            String fact,
            String is,
            List<String> in,
            @Nullable List<String> list) {}

    /** A state that must be there, and how people say so. */
    record Need(String fact, String is, Cue in, Pattern listed) {}

    private Phrases(Data data) {
        data.needs()
                .forEach(need -> needs.add(new Need(
                        need.fact(),
                        need.is(),
                        cue(need.in()),
                        Pattern.compile(need.list() == null ? "(?!)" : String.join("|", need.list())))));
        data.hosts().forEach((host, words) -> hosts.put(host, cue(words)));
        data.goals().forEach((goal, words) -> goals.put(goal, cue(words)));
        wipes = cue(data.wipes());
        kept = cue(data.kept());
        dangers = cue(data.dangers());
        shop = cue(data.shop());
    }

    private static Cue cue(List<String> words) {
        return Cue.of(words.toArray(String[]::new));
    }

    static Phrases shipped() {
        try (InputStream in = Phrases.class.getResourceAsStream("phrases.yaml")) {
            return new Phrases(new YAMLMapper().readValue(in, Data.class));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    List<Need> needs() {
        return needs;
    }

    Map<String, Cue> hosts() {
        return hosts;
    }

    /** By the name of a goal, its words. */
    Map<String, Cue> goals() {
        return goals;
    }

    Cue wipes() {
        return wipes;
    }

    Cue kept() {
        return kept;
    }

    Cue dangers() {
        return dangers;
    }

    Cue shop() {
        return shop;
    }
}
