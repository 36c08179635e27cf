package org.mobrak.core.learn.form;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.reading.Sure;

/**
 * One field of a draft's form.
 *
 * @param id by which it is changed, such as {@code step:2:sign}
 * @param path the place of its value, a JSON pointer into the route
 * @param choices the words it may have; empty where any text will do
 * @param value as it is typed; several values stand on a line each; empty where nothing is said
 * @param read where the guide says so; empty for what a person said
 * @param question what is open here
 */
public record Field(
        String id,
        Group group,
        String label,
        Kind kind,
        String path,
        List<String> choices,
        String value,
        Optional<Lesson.Evidence> read,
        Optional<String> question) {
    public Field {
        choices = List.copyOf(choices);
    }

    /** The same field with a question to it; one that it has already stays. */
    public Field asking(Optional<String> other) {
        return new Field(id, group, label, kind, path, choices, value, read, question.or(() -> other));
    }

    /** How it is filled. */
    public enum Kind {
        LINE,
        /** Running text. */
        TEXT,
        /** Several values, each on a line of its own. */
        LIST,
        /** One of its choices, or none. */
        CHOICE,
        /** Any of its choices, each on a line of its own. */
        SEVERAL,
        NUMBER
    }

    /** Whether a person should look at it before anything else: it is open, or only guessed. */
    public boolean isDoubtful() {
        return question.isPresent()
                || read.filter(said -> said.sure() == Sure.GUESS).isPresent();
    }
}
