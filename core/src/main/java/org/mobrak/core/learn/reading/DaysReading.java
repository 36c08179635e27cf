package org.mobrak.core.learn.reading;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/** When a guide says that it was written and changed. */
final class DaysReading {
    /** A date without a word stands at the head of a guide, or nowhere. */
    private static final int HEAD = 5;

    private static final Cue WRITTEN =
            Cue.of("written", "posted", "published", "created", "first post", "started on", "date", "by");
    private static final Cue UPDATED =
            Cue.of("updated?", "last changed?", "last edit(?:ed)?", "edited", "edit", "changed", "revised", "touched");

    private Optional<Read<LocalDate>> written = Optional.empty();
    private Optional<Read<LocalDate>> updated = Optional.empty();

    /** Of several days of a change the last one counts; a day of somebody's reply is not the author's. */
    DaysReading(List<Sentence> sentences) {
        for (Sentence sentence : sentences) {
            if (sentence.section() == Sentence.Section.TALK
                    || sentence.quoted()
                    || Stance.REPORT.in(sentence.lower())) {
                continue;
            }
            String lower = sentence.lower();
            int change = UPDATED.at(lower);
            int first = WRITTEN.at(lower);
            if (change >= 0) {
                Dates.after(lower, change)
                        .ifPresent(found -> changed(Read.of(found.day(), sentence, found.start(), Sure.CERTAIN)));
            }
            boolean own = first >= 0 && (change < 0 || first < change);
            if (own || sentence.index() <= HEAD && change < 0) {
                Dates.after(lower, Math.max(0, first))
                        .filter(found -> change < 0 || found.start() < change)
                        .filter(found -> written.isEmpty())
                        .ifPresent(found -> written = Optional.of(
                                Read.of(found.day(), sentence, found.start(), own ? Sure.CERTAIN : Sure.GUESS)));
            }
        }
    }

    private void changed(Read<LocalDate> read) {
        if (updated.filter(before -> !before.value().isBefore(read.value())).isEmpty()) {
            updated = Optional.of(read);
        }
    }

    Optional<Read<LocalDate>> written() {
        return written;
    }

    Optional<Read<LocalDate>> updated() {
        return updated;
    }
}
