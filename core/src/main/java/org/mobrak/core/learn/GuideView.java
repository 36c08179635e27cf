package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.learn.page.Pages;
import org.mobrak.core.learn.reading.Sure;
import org.mobrak.core.learn.reading.Understood.Role;

/**
 * Guides as they are shown: every line, with what was understood marked in it. Of a page the markup is left out.
 *
 * @param lines of all guides, one after the other
 */
public record GuideView(List<Line> lines) {
    public GuideView {
        lines = List.copyOf(lines);
    }

    /**
     * A line of a guide.
     *
     * @param number from 1, in its own file
     * @param text with nothing in it that is not seen
     * @param role what the line was taken for
     */
    public record Line(String file, int number, String text, List<Mark> marks, Role role) {
        public Line {
            marks = List.copyOf(marks);
        }
    }

    /**
     * A part of a line from which a value was read.
     *
     * @param start of its first character in the line's text
     * @param end behind its last
     * @param path of the value, a JSON pointer into the lesson
     */
    public record Mark(int start, int end, String path, Sure sure) {}

    /** Marks in the guides what the evidence says; of marks that lie over each other the shorter stays. */
    public static GuideView of(
            List<Learner.Source> sources, List<Lesson.Evidence> evidence, List<Lesson.Line> account) {
        Map<String, Role> roles = new HashMap<>();
        account.forEach(line -> roles.put(place(line.file(), line.line()), line.role()));
        Map<String, List<Lesson.Evidence>> byPlace = new HashMap<>();
        evidence.forEach(said -> byPlace.computeIfAbsent(place(said.file(), said.line()), none -> new ArrayList<>())
                .add(said));
        List<Line> lines = new ArrayList<>();
        for (Learner.Source source : sources) {
            for (Pages.Shown line : Pages.shown(source.bytes())) {
                String text = VisibleText.oneLine(line.text());
                List<Lesson.Evidence> here =
                        byPlace.getOrDefault(place(source.name(), line.number()), List.of()).stream()
                                .filter(said -> text.contains(said.value())
                                        || said.text().equals(line.text())
                                        || text.contains(said.text()))
                                .toList();
                lines.add(new Line(
                        source.name(),
                        line.number(),
                        text,
                        marks(text, here),
                        roles.getOrDefault(place(source.name(), line.number()), Role.TALK)));
            }
        }
        return new GuideView(lines);
    }

    private static String place(String file, int line) {
        return line + ":" + file;
    }

    private static List<Mark> marks(String text, List<Lesson.Evidence> here) {
        List<Mark> all = new ArrayList<>();
        for (Lesson.Evidence said : here) {
            int start = wordAt(text, said.value());
            // What is not there to the letter (a percentage, a chord, a state) was read from the whole line.
            int from = start < 0 ? indent(text) : start;
            int to = start < 0 ? text.length() : start + said.value().length();
            if (to > from) {
                all.add(new Mark(from, to, said.path(), said.sure()));
            }
        }
        all.sort(Comparator.comparingInt((Mark mark) -> mark.end() - mark.start()));
        List<Mark> apart = new ArrayList<>();
        for (Mark mark : all) {
            // A value inside a line that was taken as a whole says more than the line does.
            if (apart.stream().noneMatch(other -> other.start() < mark.end() && mark.start() < other.end())) {
                apart.add(mark);
            }
        }
        apart.sort(Comparator.comparingInt(Mark::start));
        return apart;
    }

    /** Where a value stands by itself and not within a word, as “on” does in “phone”; below zero where it does not. */
    private static int wordAt(String text, String value) {
        for (int at = text.indexOf(value); at >= 0 && !value.isEmpty(); at = text.indexOf(value, at + 1)) {
            int end = at + value.length();
            boolean before = at == 0
                    || !Character.isLetterOrDigit(text.charAt(at - 1))
                    || !Character.isLetterOrDigit(value.charAt(0));
            boolean after = end == text.length()
                    || !Character.isLetterOrDigit(text.charAt(end))
                    || !Character.isLetterOrDigit(value.charAt(value.length() - 1));
            if (before && after) {
                return at;
            }
        }
        return -1;
    }

    private static int indent(String text) {
        return text.length() - text.stripLeading().length();
    }
}
