package org.mobrak.core.learn;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.learn.page.Page;
import org.mobrak.core.learn.page.Pages;
import org.mobrak.core.learn.reading.Understanding;
import org.mobrak.core.learn.reading.Understood;

/** Learns from a guide: texts in, drafts of routes out. Deterministic; nothing is fetched, run or remembered. */
public final class Learner {
    private static final int FEWEST_HANDSETS = 3;
    private static final int LONGEST_SOURCE = 500;
    private static final int MOST_RECORDINGS = 9;

    private final Understanding understanding = new Understanding();

    /** A text, and what it is called. */
    public record Source(String name, byte[] bytes) {
        /** Its name without the folders that only this computer has. */
        String shortName() {
            return name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
        }
    }

    /**
     * Reads texts as one guide; readings of a phone that lie among them become a phone.
     *
     * @param day by which the drafts say when they were learnt
     */
    public Lesson learn(List<Source> sources, LocalDate day) {
        ReadPhones phones = ReadPhones.of(sources, day);
        Lesson lesson = phones.guides().isEmpty()
                ? nothingLearnt(List.of(), "It is what a phone says of itself and no guide.", List.of())
                : guides(phones.guides(), day);
        return lesson.with(phones);
    }

    /** Recordings of one job are laid side by side; whatever else is read as one text. */
    private Lesson guides(List<Source> sources, LocalDate day) {
        List<Page> pages = sources.stream()
                .map(source -> Pages.of(source.name(), source.bytes()))
                .toList();
        boolean recorded = sources.size() > 1
                && sources.size() <= MOST_RECORDINGS
                && pages.stream().noneMatch(page -> page.seconds().isEmpty());
        if (recorded) {
            List<Lesson> each =
                    sources.stream().map(source -> guide(List.of(source), day)).toList();
            Optional<Lesson> one =
                    SideBySide.of(each, sources.stream().map(Source::shortName).toList());
            if (one.isPresent()) {
                return one.get();
            }
        }
        return guide(sources, day);
    }

    /** The same with the second at which a value is said. */
    private static Lesson timed(Lesson lesson, List<Page> pages) {
        Map<String, Map<Integer, Integer>> seconds = new HashMap<>();
        pages.stream()
                .filter(page -> !page.seconds().isEmpty())
                .forEach(page -> seconds.put(page.file(), page.seconds()));
        return seconds.isEmpty()
                ? lesson
                : lesson.saying(lesson.evidence().stream()
                        .map(one -> one.at(Optional.ofNullable(
                                seconds.getOrDefault(one.file(), Map.of()).get(one.line()))))
                        .toList());
    }

    private Lesson guide(List<Source> sources, LocalDate day) {
        List<Page> pages = sources.stream()
                .map(source -> Pages.of(source.name(), source.bytes()))
                .toList();
        List<Lesson.Warning> warnings = pages.stream()
                .flatMap(page -> page.oddities().stream())
                .map(odd -> new Lesson.Warning(odd.code(), odd.line(), odd.text()))
                .collect(Collectors.toCollection(ArrayList::new));
        Understood guide = understanding.of(pages);
        if (guide.cut()) {
            warnings.add(new Lesson.Warning(
                    "too-long",
                    1,
                    "It is too long to be read whole: its end was passed over. Give the part with the guide alone."));
        }
        String names = sources.stream().map(Source::shortName).collect(Collectors.joining(", "));
        Drafting drafting = new Drafting(guide, Evident.cut(names, LONGEST_SOURCE), day, warnings);
        if (!guide.guide() && guide.listed().size() >= FEWEST_HANDSETS) {
            Lesson handsets = drafting.handsets();
            return handsets.with(Accounting.of(pages, sources, guide, handsets.evidence()));
        }
        if (!guide.guide()) {
            return nothingLearnt(warnings, guide.why(), Accounting.of(pages, sources, guide, List.of()));
        }
        Lesson lesson = timed(drafting.lesson(), pages);
        return lesson.with(Accounting.of(pages, sources, guide, lesson.evidence()));
    }

    private static Lesson nothingLearnt(List<Lesson.Warning> warnings, String why, List<Lesson.Line> account) {
        List<Lesson.Warning> all = new ArrayList<>(warnings);
        all.add(new Lesson.Warning("nothing-learnt", 1, why));
        return new Lesson(List.of(), List.of(), List.of(), List.of(), all, account);
    }
}
