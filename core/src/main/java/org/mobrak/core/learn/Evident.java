package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.learn.reading.Read;
import org.mobrak.core.learn.reading.Sure;

/** Collects where each value of the drafts was read. */
final class Evident {
    private static final int LONGEST = 400;

    private final List<Lesson.Evidence> all = new ArrayList<>();

    <T> void at(String path, Read<T> read) {
        at(path, String.valueOf(read.value()), read, read.sure());
    }

    void at(String path, String value, Read<?> read, Sure sure) {
        all.add(new Lesson.Evidence(path, value, read.at().file(), read.line(), cut(read.text(), LONGEST), sure));
    }

    List<Lesson.Evidence> all() {
        return all;
    }

    /** A text that is not longer than a form takes. */
    static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most - 1).strip() + "…";
    }
}
