package org.mobrak.core.learn;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.learn.Lesson.Sure;

/** What a guide comes to once all of it was heard: what follows from a title, and what cannot both be so. */
final class Settling {
    private final Wordings words;
    private final Heard heard;
    private final FileTalk files;

    Settling(Wordings words, Heard heard, FileTalk files) {
        this.words = words;
        this.heard = heard;
        this.files = files;
    }

    /** A title with root in it is of a way to root, and so is a file called that; both are guesses. */
    private void title() {
        if (heard.effects.containsKey(Fact.ROOT) || heard.requires.containsKey(Fact.ROOT)) {
            return;
        }
        Optional<GuideLine> titled = heard.title
                .map(Said::line)
                .filter(line -> Clause.of(line, words).stream()
                        .anyMatch(clause -> !clause.negated()
                                && Wordings.any(clause.lower(), List.of("root", "rooted"))
                                && !Wordings.any(clause.lower(), words.lasts())));
        titled.or(() -> heard.files.values().stream()
                        .filter(file -> Wordings.contains(
                                file.name.value().toLowerCase(Locale.ROOT).replaceAll("[^a-z]", " "), "root"))
                        .map(file -> file.name.line())
                        .findFirst())
                .ifPresent(line -> heard.effects.put(Fact.ROOT, new Said<>("permanent", line, Sure.GUESS)));
    }

    /** Whoever brings another OS writes the system. */
    private void derived() {
        Optional.ofNullable(heard.effects.get(Fact.OS_KIND))
                .ifPresent(said -> heard.writes.putIfAbsent("system", new Said<>("system", said.line(), Sure.GUESS)));
    }

    /** What is told to be out is never in. */
    void settle() {
        title();
        derived();
        files.pairByHeadings();
        Set<String> both = new LinkedHashSet<>(heard.models.keySet());
        both.retainAll(heard.excluded.keySet());
        for (String model : both) {
            heard.warn(
                    "contradiction",
                    Objects.requireNonNull(heard.excluded.get(model)).line(),
                    model + " is told to be in and to be out; it was left out.");
            heard.models.remove(model);
        }
        heard.excluded.forEach((model, said) -> heard.warn("excluded", said.line(), model + " is told to be out."));
        heard.doubtful.keySet().removeAll(heard.models.keySet());
        heard.doubtful.keySet().removeAll(heard.excluded.keySet());
        heard.doubtful.forEach(
                (model, line) -> heard.warn(
                        "excluded",
                        line,
                        model
                                + " is named, but nothing says that this is for it; it was left out. Add it if you know better."));
        Map<Fact, Said<String>> effects = heard.effects;
        if (effects.containsKey(Fact.LOCK)) {
            heard.requires.remove(Fact.LOCK);
        }
        if (effects.containsKey(Fact.RECOVERY)) {
            heard.requires.remove(Fact.RECOVERY);
        }
        heard.builds.keySet().removeAll(heard.excludedBuilds.keySet());
    }
}
