package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.mobrak.core.learn.page.Decoded;
import org.mobrak.core.learn.page.Page;
import org.mobrak.core.learn.page.Text;
import org.mobrak.core.learn.reading.Understood;
import org.mobrak.core.learn.reading.Understood.Role;

/** What became of each line of the sources: nothing vanishes. */
final class Accounting {
    private Accounting() {}

    static List<Lesson.Line> of(
            List<Page> pages, List<Learner.Source> sources, Understood guide, List<Lesson.Evidence> evidence) {
        Map<String, List<String>> fields = new HashMap<>();
        evidence.forEach(one -> fields.computeIfAbsent(place(one.file(), one.line()), none -> new ArrayList<>())
                .add(one.path()));
        Map<String, Role> roles = new HashMap<>();
        for (Understood.Told told : guide.told()) {
            put(roles, told.sentence().text(), told.role());
        }
        guide.chatter().forEach(text -> put(roles, text, Role.TALK));
        for (Page page : pages) {
            page.struck().forEach(text -> put(roles, text, Role.WITHDRAWN));
            page.passed()
                    .forEach(passed -> roles.putIfAbsent(
                            place(page.file(), passed.line()),
                            passed.why() == Page.Why.QUOTED ? Role.QUOTED : Role.NAVIGATION));
        }
        List<Lesson.Line> account = new ArrayList<>();
        for (Learner.Source source : sources) {
            String[] lines = Decoded.of(source.bytes()).text().split("\r\n|\n|\r", -1);
            for (int i = 0; i < lines.length; i++) {
                if (!lines[i].isBlank()) {
                    String place = place(source.name(), i + 1);
                    List<String> own = fields.getOrDefault(place, List.of());
                    Role role = roles.getOrDefault(place, own.isEmpty() ? Role.NAVIGATION : used(own.get(0)));
                    account.add(new Lesson.Line(
                            source.name(),
                            i + 1,
                            role == Role.UNPLACED && !own.isEmpty() ? used(own.get(0)) : role,
                            own));
                }
            }
        }
        return account;
    }

    /** Of several roles on a line the first in their order counts. */
    private static void put(Map<String, Role> roles, Text text, Role role) {
        for (int line : text.allLines()) {
            roles.merge(place(text.file(), line), role, (one, two) -> one.compareTo(two) < 0 ? one : two);
        }
    }

    /** What a line is by the value that was read from it. */
    private static Role used(String path) {
        Map<String, Role> kinds = new TreeMap<>(Map.of(
                "/fits/phones",
                Role.PHONE,
                "/fits/requires",
                Role.REQUIREMENT,
                "/fits/excluded",
                Role.EXCLUDED,
                "/work/files",
                Role.FILE,
                "/work/steps",
                Role.STEP,
                "/work/gates",
                Role.REQUIREMENT,
                "/work/tools",
                Role.REQUIREMENT,
                "/notes/hazards",
                Role.DANGER,
                "/phones/",
                Role.PHONE));
        return kinds.entrySet().stream()
                .filter(kind -> path.contains(kind.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse(Role.REQUIREMENT);
    }

    private static String place(String file, int line) {
        return line + ":" + file;
    }
}
