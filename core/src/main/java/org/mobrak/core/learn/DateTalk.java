package org.mobrak.core.learn;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.learn.Lesson.Sure;

/** When a guide says that it was written and changed. */
final class DateTalk {
    /** A date without a word stands at the head of a guide, or nowhere. */
    private static final int HEAD = 6;

    private final Wordings words;
    private final Heard heard;
    private int lines;

    DateTalk(Wordings words, Heard heard) {
        this.words = words;
        this.heard = heard;
    }

    /** Of several days of a change the last one counts; a day of somebody's reply is not the author's. */
    void hear(Here here) {
        lines++;
        if (here.isIn("replies") || here.report() || here.line().kind() == GuideLine.Kind.QUOTE) {
            return;
        }
        String lower = here.line().lower();
        int updated = first(lower, words.updated());
        int written = first(lower, words.written());
        if (updated >= 0) {
            Dates.after(lower, updated).ifPresent(found -> changed(found.day(), here.line()));
        }
        boolean own = written >= 0 && (updated < 0 || written < updated);
        if (own || lines <= HEAD && updated < 0) {
            Dates.after(lower, Math.max(0, written))
                    .filter(found -> updated < 0 || found.start() < updated)
                    .filter(found -> heard.written.isEmpty())
                    .ifPresent(found -> heard.written =
                            Optional.of(new Said<>(found.day(), here.line(), own ? Sure.CERTAIN : Sure.GUESS)));
        }
    }

    private void changed(LocalDate day, GuideLine line) {
        if (heard.updated.filter(before -> !before.value().isBefore(day)).isEmpty()) {
            heard.updated = Optional.of(new Said<>(day, line, Sure.CERTAIN));
        }
    }

    private static int first(String lower, List<String> phrases) {
        return phrases.stream()
                .filter(phrase -> Wordings.contains(lower, phrase))
                .mapToInt(lower::indexOf)
                .min()
                .orElse(-1);
    }
}
