package org.mobrak.core.learn;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Learns from a guide: texts in, drafts of routes out. Deterministic; nothing is fetched, run or remembered. */
public final class Learner {
    private static final int MANY_LINKS = 3;

    private final Wordings words = Wordings.shipped();

    /** A text, and what it is called. */
    public record Source(String name, byte[] bytes) {}

    /**
     * Reads texts as one guide; readings of a phone that lie among them become a phone.
     *
     * @param day by which the drafts say when they were learnt
     */
    public Lesson learn(List<Source> sources, LocalDate day) {
        ReadPhones phones = ReadPhones.of(sources, day);
        Lesson lesson = phones.guides().isEmpty()
                ? nothingLearnt(List.of(), "It is what a phone says of itself and no guide.")
                : guides(phones.guides(), day);
        return lesson.with(phones);
    }

    private Lesson guides(List<Source> sources, LocalDate day) {
        List<GuideLine> lines = new ArrayList<>();
        List<Lesson.Warning> warnings = new ArrayList<>();
        for (Source source : sources) {
            GuideText.Read read = GuideText.of(source.name(), source.bytes());
            lines.addAll(read.lines());
            warnings.addAll(read.warnings());
        }
        String why = nothing(lines);
        if (!why.isEmpty()) {
            return nothingLearnt(warnings, why);
        }
        Heard heard = Listening.to(lines, words);
        heard.warnings.addAll(0, warnings);
        if (!isAGuide(heard)) {
            return nothingLearnt(heard.warnings, "Neither steps nor files for a phone were found in it.");
        }
        String names = sources.stream().map(Source::name).collect(Collectors.joining(", "));
        return new Drafting(heard, Listening.shortened(names, 500), day).lesson();
    }

    private static Lesson nothingLearnt(List<Lesson.Warning> warnings, String why) {
        List<Lesson.Warning> all = new ArrayList<>(warnings);
        all.add(new Lesson.Warning("nothing-learnt", 1, why));
        return new Lesson(List.of(), List.of(), List.of(), List.of(), all);
    }

    /** Why a text is no guide before it is even listened to; empty text where it may be one. */
    private String nothing(List<GuideLine> lines) {
        List<GuideLine> full =
                lines.stream().filter(line -> !line.text().isEmpty()).toList();
        if (full.isEmpty()) {
            return "The text is empty.";
        }
        if (full.stream().anyMatch(line -> Wordings.any(line.lower(), words.shop()))) {
            return "It is a shop's page and no guide.";
        }
        long links = full.stream()
                .filter(line -> line.lower().contains("://") && line.text().split("\\s+").length <= MANY_LINKS)
                .count();
        return links * 2 > full.size() ? "It is a list of links; save the pages themselves." : "";
    }

    /** Whoever tells how a phone is worked on says what to do or with which files, and for what. */
    private static boolean isAGuide(Heard heard) {
        boolean doing =
                heard.steps.size() > 1 || !heard.files.isEmpty() || heard.models.size() + heard.excluded.size() > 2;
        boolean topic = !heard.models.isEmpty() || !heard.effects.isEmpty() || !heard.writes.isEmpty();
        return doing && topic;
    }
}
