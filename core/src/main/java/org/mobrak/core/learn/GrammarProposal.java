package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.core.identity.build.Ruler.Role;

/**
 * How a maker seems to compose its build numbers, by examples: the same marks at the same places part them, and what stands
 * between is told apart by how it differs from one to the next. Roles are guesses until a person confirms them.
 *
 * @param segments from the first character to the last
 */
public record GrammarProposal(List<Segment> segments, List<String> builds) {
    /** From fewer nobody can tell what changes. */
    private static final int FEWEST = 3;

    private static final int MOST = 20;
    private static final int LONGEST = 24;
    private static final String UNKNOWN = "it changes, and nothing says what it is";
    private static final Pattern RUN = Pattern.compile("[A-Za-z]{1,100}|[0-9]{1,100}|[^A-Za-z0-9]{1,8}");
    private static final List<String> DATES = List.of("uuMMdd", "uuuuMMdd", "ddMMuu");
    private static final Map<Role, String> LABELS = Map.of(
            Role.MODEL, "Phone",
            Role.CARRIER, "Market",
            Role.REGION, "Region",
            Role.OS_VERSION, "OS version",
            Role.BOOTLOADER_REVISION, "Bootloader revision",
            Role.DATE, "Built",
            Role.SERIAL, "Serial",
            Role.OTHER, "Not known");

    public GrammarProposal {
        segments = List.copyOf(segments);
        builds = List.copyOf(builds);
    }

    /**
     * One segment.
     *
     * @param values what stands there, in the order of the builds; one for a mark
     * @param why how its role was guessed, for a person
     */
    public record Segment(Role role, List<String> values, Optional<String> format, String why) {
        public Segment {
            values = List.copyOf(values);
        }

        public boolean isMark() {
            return role == Role.MARK;
        }
    }

    /** Roles that a person may give a segment. */
    public static List<Role> roles() {
        return List.of(
                Role.MODEL,
                Role.CARRIER,
                Role.REGION,
                Role.OS_VERSION,
                Role.BOOTLOADER_REVISION,
                Role.DATE,
                Role.SERIAL,
                Role.OTHER);
    }

    /** What a role is called. */
    public static String label(Role role) {
        return LABELS.getOrDefault(role, "");
    }

    /** Proposes how builds are composed; each must have the same form as the others. */
    public static GrammarProposal of(List<String> typed) throws Refusal {
        List<String> builds = typed.stream()
                .map(String::strip)
                .filter(build -> !build.isEmpty())
                .distinct()
                .limit(MOST)
                .toList();
        if (builds.size() < FEWEST) {
            throw new Refusal(
                    "Give at least three different build numbers of one maker; from these nobody can tell what changes.");
        }
        List<List<String>> parts = builds.stream().map(GrammarProposal::runs).toList();
        List<String> first = parts.get(0);
        for (int i = 1; i < parts.size(); i++) {
            if (!form(parts.get(i)).equals(form(first))) {
                throw new Refusal("%s and %s do not have the same form; give those of one kind together."
                        .formatted(builds.get(0), builds.get(i)));
            }
        }
        List<Segment> segments = new ArrayList<>();
        int lastDigits = lastChanging(parts);
        for (int at = 0; at < first.size(); at++) {
            int index = at;
            List<String> column = parts.stream().map(runs -> runs.get(index)).toList();
            Segment guessed = segment(column, at, at == lastDigits);
            boolean second = guessed.role() == Role.CARRIER
                    && segments.stream().anyMatch(before -> before.role() == Role.CARRIER);
            segments.add(second ? new Segment(Role.OTHER, column, Optional.empty(), UNKNOWN) : guessed);
        }
        return new GrammarProposal(joined(segments), builds);
    }

    private static List<String> runs(String build) {
        List<String> runs = new ArrayList<>();
        Matcher found = RUN.matcher(build);
        while (found.find()) {
            runs.add(found.group());
        }
        return runs;
    }

    /** Which kinds of characters follow each other, with the marks themselves. */
    private static String form(List<String> runs) {
        return runs.stream()
                .map(run -> Character.isDigit(run.charAt(0)) ? "0" : Character.isLetter(run.charAt(0)) ? "A" : run)
                .collect(Collectors.joining("\u0000"));
    }

    private static int lastChanging(List<List<String>> parts) {
        for (int at = parts.get(0).size() - 1; at >= 0; at--) {
            int index = at;
            boolean changes =
                    parts.stream().map(runs -> runs.get(index)).distinct().count() > 1;
            if (changes && Character.isDigit(parts.get(0).get(at).charAt(0))) {
                return at;
            }
        }
        return -1;
    }

    private static Segment segment(List<String> column, int at, boolean isLastNumber) {
        String sample = column.get(0);
        Set<String> different = new LinkedHashSet<>(column);
        if (!Character.isLetterOrDigit(sample.charAt(0))) {
            return new Segment(Role.MARK, List.of(sample), Optional.empty(), "a mark");
        }
        boolean digits = Character.isDigit(sample.charAt(0));
        Optional<String> format = digits ? date(column) : Optional.empty();
        if (format.isPresent()) {
            return new Segment(Role.DATE, column, format, "each is a day that there was");
        }
        if (isLastNumber) {
            return new Segment(Role.SERIAL, column, Optional.empty(), "the last number that changes");
        }
        if (at == 0 || at == 1 && digits) {
            return new Segment(Role.MODEL, column, Optional.empty(), "it stands first");
        }
        if (different.size() == 1) {
            return new Segment(Role.OTHER, column, Optional.empty(), "it is the same in all of these");
        }
        if (!digits && column.stream().allMatch(value -> value.length() <= 3)) {
            return new Segment(Role.CARRIER, column, Optional.empty(), "a letter or two that differ");
        }
        boolean version = digits && column.stream().allMatch(value -> value.length() == 3 && value.charAt(0) != '0');
        return version
                ? new Segment(Role.OS_VERSION, column, Optional.empty(), "three digits, none of them a day")
                : new Segment(Role.OTHER, column, Optional.empty(), UNKNOWN);
    }

    private static Optional<String> date(List<String> column) {
        return DATES.stream()
                .filter(format -> column.stream().allMatch(value -> isDay(value, format)))
                .findFirst();
    }

    private static boolean isDay(String value, String format) {
        if (value.length() != format.length()) {
            return false;
        }
        try {
            LocalDate day = LocalDate.parse(
                    value, DateTimeFormatter.ofPattern(format, Locale.ROOT).withResolverStyle(ResolverStyle.STRICT));
            // Older than any phone that starts, or not made yet, is no day of a build.
            return day.getYear() >= 2005 && day.getYear() < 2100;
        } catch (DateTimeException none) {
            return false;
        }
    }

    /** Letters and digits of a phone's name belong together. */
    private static List<Segment> joined(List<Segment> segments) {
        List<Segment> all = new ArrayList<>();
        for (Segment segment : segments) {
            Optional<Segment> before = all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
            boolean same = before.filter(one -> one.role() == Role.MODEL && segment.role() == Role.MODEL)
                    .isPresent();
            if (same) {
                List<String> together = new ArrayList<>();
                for (int i = 0; i < segment.values().size(); i++) {
                    together.add(before.get().values().get(i) + segment.values().get(i));
                }
                all.set(
                        all.size() - 1,
                        new Segment(
                                Role.MODEL,
                                together,
                                Optional.empty(),
                                before.get().why()));
            } else {
                all.add(segment);
            }
        }
        return all;
    }

    /** The same with another role for one segment. */
    public GrammarProposal with(int index, Role role) {
        List<Segment> changed = new ArrayList<>(segments);
        Segment old = segments.get(index);
        Optional<String> format = role == Role.DATE ? date(old.values()) : Optional.empty();
        changed.set(index, new Segment(role, old.values(), format, "you say so"));
        return new GrammarProposal(changed, builds);
    }

    /**
     * The grammar in the catalogue's form.
     *
     * @param fact the key of the fact whose values it takes apart
     */
    public ObjectNode entry(String maker, String fact) throws Refusal {
        if (maker.isBlank()) {
            throw new Refusal("Say whose build numbers these are.");
        }
        ObjectNode entry = JsonNodeFactory.instance.objectNode();
        String id = (maker + "-" + fact)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]{1,80}", "-")
                .replaceAll("^-|-$", "");
        entry.put("id", id.substring(0, Math.min(id.length(), 80)))
                .put("maker", maker.strip())
                .put("fact", fact);
        ArrayNode examples = entry.putArray("examples");
        builds.forEach(examples::add);
        ArrayNode all = entry.putArray("segments");
        for (Segment segment : segments) {
            if (segment.isMark()) {
                all.addObject().put("literal", segment.values().get(0));
            } else {
                piece(segment, all.addObject());
            }
        }
        return entry;
    }

    private static void piece(Segment segment, ObjectNode piece) {
        int least = segment.values().stream().mapToInt(String::length).min().orElse(1);
        int most = segment.values().stream().mapToInt(String::length).max().orElse(1);
        boolean digits =
                segment.values().stream().allMatch(value -> value.chars().allMatch(Character::isDigit));
        boolean letters =
                segment.values().stream().allMatch(value -> value.chars().allMatch(Character::isLetter));
        piece.put("label", label(segment.role()))
                .put("role", segment.role().name().toLowerCase(Locale.ROOT))
                .put("of", digits ? "digits" : letters ? "letters" : "letters_and_digits");
        ArrayNode length = piece.putArray("length").add(least);
        // A number that only grows gets longer some day.
        int room = segment.role() == Role.SERIAL ? Math.min(LONGEST, most + 1) : most;
        if (room > least) {
            length.add(room);
        }
        segment.format().ifPresent(format -> piece.put("format", format));
    }

    /** Which builds a grammar does not take apart; empty where it takes all. */
    public static List<String> failed(BuildGrammar grammar, List<String> builds) {
        return builds.stream().filter(build -> grammar.ruler(build).isEmpty()).toList();
    }
}
