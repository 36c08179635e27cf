package org.mobrak.core.learn.reading;

import org.mobrak.core.learn.page.Text;

/**
 * A value, where it was read, and how sure it is.
 *
 * @param at the words it was read from
 * @param offset of the value, or of what led to it, in these words
 */
public record Read<T>(T value, Text at, int offset, Sure sure) {
    /** The physical line. */
    public int line() {
        return at.lineAt(offset);
    }

    /** What stands on that line of the words it was read from. */
    public String text() {
        return at.onLine(offset);
    }

    static <T> Read<T> of(T value, Sentence sentence, int offset, Sure sure) {
        return new Read<>(value, sentence.text(), offset, sure);
    }

    <U> Read<U> as(U other) {
        return new Read<>(other, at, offset, sure);
    }

    Read<T> as(Sure other) {
        return new Read<>(value, at, offset, other);
    }
}
