package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.mobrak.core.learn.Lesson.Sure;

/** What a guide tells to do. */
final class StepTalk {
    /** Sentences, and what forbids something behind a comma. */
    private static final Pattern SENTENCES = Pattern.compile(
            "(?<=[.!?])\\s+|[,;]\\s+(?=(?:and |but )?(?:do not|don['’]?t|never)\\b)|\\s+(?=(?:and|but) (?:do not|don['’]?t|never)\\b)|\\s+(?=dont\\b)",
            Pattern.CASE_INSENSITIVE);

    /** So many lines below a step a sentence still is about it. */
    private static final int NEAR = 2;

    private final Wordings words;
    private final Heard heard;
    /** In a guide whose steps bear numbers nothing else is one. */
    private final boolean numbered;
    /** In one whose steps are a list below their heading, no other sentence is. */
    private final boolean bulleted;

    StepTalk(Wordings words, Heard heard, boolean numbered, boolean bulleted) {
        this.bulleted = bulleted;
        this.words = words;
        this.heard = heard;
        this.numbered = numbered;
    }

    /** What is to be done, and what is forbidden. */
    void hear(Here here) {
        GuideLine line = here.line();
        if (here.isIn("replies", "excluded", "hazards") || here.report() || line.kind() == GuideLine.Kind.HEADING) {
            return;
        }
        if (here.remedy()) {
            remedy(line);
            return;
        }
        boolean listed = line.kind() == GuideLine.Kind.NUMBERED;
        boolean told = !numbered
                && (line.kind() == GuideLine.Kind.ITEM && here.isIn("steps") || !bulleted && isToldIn(line))
                && !here.isIn("needs")
                && !here.isIn("files");
        if (!listed && !told) {
            lasting(here);
            return;
        }
        List<String> kept = new ArrayList<>();
        for (String sentence : SENTENCES.split(line.text())) {
            if (isForbidding(sentence.toLowerCase(Locale.ROOT).replace('’', '\''))) {
                heard.warn(
                        "negated",
                        line,
                        "“" + Listening.shortened(sentence, 120)
                                + "” forbids something; it is kept as a danger and is no step.");
                heard.hazards.add(new Said<>(Listening.shortened(sentence, 400), line, Sure.CERTAIN));
            } else {
                kept.add(sentence);
            }
        }
        List<String> parts =
                listed || line.kind() == GuideLine.Kind.ITEM ? List.of(String.join(" ", kept)) : told(kept);
        parts.stream()
                .map(String::strip)
                .filter(text -> !text.isEmpty())
                .forEach(text -> heard.steps.add(task(text, line)));
    }

    /** In a paragraph each sentence that tells something to do begins a step; what follows it belongs to it. */
    private List<String> told(List<String> sentences) {
        List<String> parts = new ArrayList<>();
        boolean begun =
                sentences.isEmpty() || sentences.stream().noneMatch(one -> isTold(one.toLowerCase(Locale.ROOT)));
        for (String sentence : sentences) {
            begun = begun || isTold(sentence.toLowerCase(Locale.ROOT));
            if (!begun) {
                // What stands before the first thing to do only leads to it.
                continue;
            }
            if (parts.isEmpty() || isTold(sentence.toLowerCase(Locale.ROOT)) && !isWaiting(sentence)) {
                parts.add(sentence);
            } else {
                parts.set(parts.size() - 1, parts.get(parts.size() - 1) + " " + sentence);
            }
        }
        return parts;
    }

    /** A wait belongs to what is waited for. */
    private static boolean isWaiting(String sentence) {
        return sentence.toLowerCase(Locale.ROOT).startsWith("wait");
    }

    /** It begins with what is to be done, or with where: “in recovery, install the zip”. */
    private boolean isTold(String lower) {
        String first = Wordings.firstWord(lower);
        boolean behind = first.equals("in")
                && Stream.of(lower.split(", "))
                        .skip(1)
                        .anyMatch(part -> words.verbs().contains(Wordings.firstWord(part)));
        return words.verbs().contains(first) || behind || Wordings.THEN.contains(first) && !first.equals("in");
    }

    /** It begins so, or it is a paragraph with several sentences that do. */
    private boolean isToldIn(GuideLine line) {
        return isTold(line.lower())
                || line.kind() == GuideLine.Kind.TEXT
                        && SENTENCES
                                        .splitAsStream(line.lower())
                                        .filter(this::isTold)
                                        .count()
                                > 1;
    }

    private boolean isForbidding(String lower) {
        return List.of("do not", "don't", "dont", "never", "not ", "no need").stream()
                        .anyMatch(lower::startsWith)
                || Wordings.any(lower, List.of("but do not", "and do not", "but don't", "and don't", "but never"));
    }

    /** How long the step before takes, told in a sentence of its own. */
    private void lasting(Here here) {
        GuideLine line = here.line();
        boolean behind = !heard.steps.isEmpty()
                && line.number()
                                - heard.steps
                                        .get(heard.steps.size() - 1)
                                        .text
                                        .line()
                                        .number()
                        <= NEAR
                && !here.isIn("needs", "files");
        if (!behind || !Wordings.any(line.lower(), words.lasting())) {
            return;
        }
        Heard.Task last = heard.steps.get(heard.steps.size() - 1);
        Figures.Wait wait = Figures.minutes(line.lower());
        if (last.normal.isEmpty() && last.worry.isEmpty()) {
            last.normal = wait.normal().map(minutes -> new Said<>(minutes, line, Sure.LIKELY));
            last.worry = wait.worry().map(minutes -> new Said<>(minutes, line, Sure.LIKELY));
        }
    }

    private void remedy(GuideLine line) {
        int comma = line.text().indexOf(',') > 0
                ? line.text().indexOf(',')
                : line.text().indexOf(':');
        if (comma > 0 && comma + 2 < line.text().length()) {
            heard.steps.get(heard.steps.size() - 1).remedies.add(new String[] {
                line.text().substring(0, comma).strip(),
                line.text().substring(comma + 1).strip()
            });
        }
    }

    private Heard.Task task(String text, GuideLine line) {
        String lower = text.toLowerCase(Locale.ROOT);
        Heard.Task task = new Heard.Task(
                new Said<>(
                        Listening.shortened(text, 1900),
                        line,
                        line.kind() == GuideLine.Kind.NUMBERED ? Sure.CERTAIN : Sure.LIKELY),
                phase(lower));
        task.mode = Wordings.key(lower, words.modes());
        task.keys = Figures.keys(lower);
        Figures.Wait wait = Figures.minutes(lower);
        task.normal = wait.normal().map(minutes -> new Said<>(minutes, line, Sure.CERTAIN));
        task.worry = wait.worry().map(minutes -> new Said<>(minutes, line, Sure.CERTAIN));
        int until = lower.indexOf("until ");
        if (until >= 0 && task.keys.isEmpty()) {
            task.sign = Optional.of(Listening.shortened(
                    text.substring(until + "until ".length()).strip(), 200));
        }
        task.noReturn = Wordings.any(lower, words.noreturn());
        return task;
    }

    private String phase(String lower) {
        String plain = lower.replaceFirst("^(?:then|now|first|next|finally),? ", "");
        if (words.prove().stream().anyMatch(plain::startsWith)) {
            return "prove";
        }
        if (words.gather().stream().anyMatch(plain::startsWith)) {
            return "gather";
        }
        return words.prepare().stream().anyMatch(plain::startsWith) ? "prepare" : "do";
    }
}
