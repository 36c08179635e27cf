package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.learn.Lesson.Sure;

/** Collects where each value of the drafts was read. */
final class Evident {
    private final List<Lesson.Evidence> all = new ArrayList<>();

    <T> void at(String path, Said<T> said) {
        at(path, String.valueOf(said.value()), said.line(), said.sure());
    }

    void at(String path, String value, GuideLine line, Sure sure) {
        all.add(new Lesson.Evidence(path, value, line.file(), line.number(), line.text(), sure));
    }

    List<Lesson.Evidence> all() {
        return all;
    }
}
