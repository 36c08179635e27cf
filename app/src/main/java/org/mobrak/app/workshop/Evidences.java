package org.mobrak.app.workshop;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mobrak.core.learn.Lesson;

/** Evidence by where its value stands in one route. */
final class Evidences {
    private Evidences() {}

    static Map<String, Lesson.Evidence> within(List<Lesson.Evidence> evidence, String base) {
        Map<String, Lesson.Evidence> byPath = new LinkedHashMap<>();
        evidence.forEach(said -> byPath.putIfAbsent(said.path().substring(base.length()), said));
        return byPath;
    }
}
