package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Where the values of several drafts stand in the one that was made of them. */
final class Moved {
    static final String ROUTE = "/routes/0";

    private final List<Map<String, String>> places = new ArrayList<>();

    Moved(int recordings) {
        for (int i = 0; i < recordings; i++) {
            places.add(new HashMap<>());
        }
    }

    /** Notes that what stood at one pointer into a route stands at another. */
    void put(int recording, String from, String to) {
        places.get(recording).put(ROUTE + from, ROUTE + to);
    }

    /** One lesson: the draft, and each value's evidence where the value stands now. */
    Lesson lesson(ObjectNode route, List<Lesson> lessons) {
        List<Lesson.Evidence> evidence = new ArrayList<>();
        List<Lesson.Warning> warnings = new ArrayList<>();
        List<Lesson.Line> account = new ArrayList<>();
        for (int i = 0; i < lessons.size(); i++) {
            int recording = i;
            Lesson lesson = lessons.get(i);
            lesson.evidence()
                    .forEach(one ->
                            place(route, recording, one.path()).ifPresent(path -> evidence.add(one.under(path))));
            warnings.addAll(lesson.warnings());
            lesson.account()
                    .forEach(line -> account.add(new Lesson.Line(
                            line.file(),
                            line.line(),
                            line.role(),
                            line.fields().stream()
                                    .flatMap(path -> place(route, recording, path).stream())
                                    .toList())));
        }
        List<Lesson.Missing> missing = Questions.of(route).stream()
                .map(asked -> new Lesson.Missing(ROUTE + asked.path(), asked.ask()))
                .toList();
        return new Lesson(List.of(route), lessons.get(0).phones(), evidence, missing, warnings, account);
    }

    /** Empty where the draft does not have the value from there. */
    private Optional<String> place(ObjectNode route, int recording, String path) {
        Optional<String> moved = places.get(recording).entrySet().stream()
                .filter(one -> path.equals(one.getKey()) || path.startsWith(one.getKey() + "/"))
                .map(one -> one.getValue() + path.substring(one.getKey().length()))
                .findFirst();
        boolean listed = path.startsWith(ROUTE + "/work/steps/") || path.startsWith(ROUTE + "/fits/phones/");
        return moved.or(() -> recording == 0 && !listed ? Optional.of(path) : Optional.empty())
                .filter(place -> place.startsWith("/phones/")
                        || !route.at(place.substring(ROUTE.length())).isMissingNode());
    }
}
