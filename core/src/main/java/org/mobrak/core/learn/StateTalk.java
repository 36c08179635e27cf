package org.mobrak.core.learn;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.mobrak.core.learn.Lesson.Sure;

/** What a guide says of states, figures and dangers. */
final class StateTalk {
    private static final Pattern WRITING = Pattern.compile(
            "\\b(?:flash|flashes|write|writes|flashing|writing|put|upgrade|downgrade|reinstall|reinstalls) (?:the |a |an |its |this |that )?(?:old |older |new |custom |stock |right |matching )?");

    private final Wordings words;
    private final Heard heard;

    StateTalk(Wordings words, Heard heard) {
        this.words = words;
        this.heard = heard;
    }

    /** What must be so, what is brought about, and what is dangerous. */
    void hear(Here here) {
        GuideLine line = here.line();
        if (here.isIn("replies") || here.report()) {
            return;
        }
        boolean ofBattery = false;
        for (Clause clause : here.clauses()) {
            Figures.battery(clause, ofBattery).ifPresent(percent -> battery(percent, clause));
            ofBattery = clause.lower().contains("batter") && !clause.endsSentence();
            if (clause.lower().startsWith("if ") || here.remedy()) {
                // What holds only then is neither needed nor brought about.
                continue;
            }
            if (!clause.excluding()) {
                states(clause, here);
            }
            if (Wordings.any(clause.lower(), words.kept())) {
                heard.wipes = heard.wipes.or(() -> Optional.of(new Said<>(false, line, Sure.LIKELY)));
            }
            if (Wordings.any(clause.lower(), words.hazards())
                    || here.isIn("hazards") && line.kind() != GuideLine.Kind.HEADING) {
                heard.hazards.add(new Said<>(Listening.shortened(clause.text(), 400), line, Sure.LIKELY));
            }
        }
    }

    private void states(Clause clause, Here here) {
        GuideLine line = here.line();
        if (!clause.negated()) {
            written(clause);
        }
        words.requires().stream()
                .filter(one -> clause.says(one.words(), words) || here.isIn("needs") && isAnItem(clause, one))
                .forEach(one -> needed(one, clause, here));
        words.gates().stream()
                .filter(one -> clause.says(one.words(), words))
                .forEach(one -> heard.gates.putIfAbsent(one.of(), new Said<>(one.is(), line, Sure.LIKELY)));
        words.effects().stream().filter(one -> clause.says(one.words(), words)).forEach(one -> brought(one, line));
        if (clause.says(words.wipes(), words)) {
            heard.wipes = heard.wipes.or(() -> Optional.of(new Said<>(true, line, Sure.LIKELY)));
        }
    }

    /** Where needs are listed a single word is one. */
    private static boolean isAnItem(Clause clause, Wordings.Needed one) {
        String text = clause.lower().substring(clause.lower().indexOf(':') + 1);
        return !clause.negated()
                && Stream.of(text.split("[,;.]| and "))
                        .map(String::strip)
                        .anyMatch(item -> one.items().contains(item));
    }

    /** What is said first holds; but whoever says anywhere that root does not last does not give lasting root. */
    private void brought(Wordings.Brought one, GuideLine line) {
        Said<String> said = new Said<>(one.value(), line, Sure.LIKELY);
        if (one.value().equals("temporary")) {
            heard.effects.put(one.of(), said);
        } else {
            heard.effects.putIfAbsent(one.of(), said);
        }
    }

    /** What is flashed or written is named right behind the word; “install it from the recovery” writes no recovery. */
    private void written(Clause clause) {
        Matcher writing = WRITING.matcher(clause.lower());
        while (writing.find()) {
            String rest = clause.lower().substring(writing.end());
            if (writing.group().endsWith("stock ")
                    && words.partitions().values().stream()
                            .noneMatch(phrases -> phrases.stream().anyMatch(rest::startsWith))) {
                // “Flash stock” and no more: the firmware.
                heard.writes.putIfAbsent("system", new Said<>("system", clause.line(), Sure.GUESS));
            }
            words.partitions()
                    .forEach((partition, phrases) -> phrases.stream()
                            .filter(phrase -> !phrase.equals("root")
                                    && rest.startsWith(phrase)
                                    && Wordings.contains(rest, phrase))
                            .forEach(phrase -> heard.writes.putIfAbsent(
                                    partition, new Said<>(partition, clause.line(), Sure.GUESS))));
        }
    }

    /** A word for a state is a need only where needs are told: under their heading, or with a word that asks. */
    private void needed(Wordings.Needed one, Clause clause, Here here) {
        boolean asks = here.isIn("needs")
                || Wordings.any(
                        clause.lower(),
                        List.of(
                                "must",
                                "you are",
                                "need",
                                "needs",
                                "needed",
                                "requires",
                                "require",
                                "required",
                                "has to be",
                                "have",
                                "already",
                                "only"));
        boolean brings = Wordings.any(
                clause.lower(), List.of("install", "installs", "flash", "write", "writes", "get", "gives"));
        if (asks && !brings) {
            heard.requires.putIfAbsent(one.of(), new Said<>(one.is(), clause.line(), Sure.LIKELY));
        }
    }

    private void battery(int percent, Clause clause) {
        if (heard.battery.isPresent() && heard.battery.get().value() != percent) {
            heard.warn(
                    "contradiction",
                    clause.line(),
                    "Here the battery should have %d %%, elsewhere %d %%; the higher one was taken."
                            .formatted(percent, heard.battery.get().value()));
        }
        if (heard.battery.isEmpty() || heard.battery.get().value() < percent) {
            heard.battery = Optional.of(new Said<>(percent, clause.line(), Sure.CERTAIN));
        }
    }
}
