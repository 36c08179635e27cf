package org.mobrak.core.identity.build;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.time.temporal.IsoFields;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;

/**
 * A platform build id, by the rule the platform publishes under “Codenames, Tags, and Build Numbers”, in both its forms:
 *
 * <ul>
 *   <li>{@code FRF85B}: family letter, branch letter or digit, quarter letter (A is the first quarter of 2009), two digits for the day
 *       in the quarter (the first day is 01), and a letter for the version, A being left out;
 *   <li>{@code OPR6.170623.013[.A1]}: family letter, three characters for the branch, a date, a number and a hotfix.
 * </ul>
 *
 * <p>The quarter letters ran out with Z, the second quarter of 2015, and begin again at A. The rule does not say so; it follows
 * from the published builds, and so does which families fall on which side.
 *
 * @param family the release family's letter
 * @param date the day the code was branched; the build itself may be far younger
 */
public record BuildId(String text, char family, LocalDate date, Ruler ruler) {
    private static final Pattern LETTERED = Pattern.compile("([A-Z])([A-Z0-9])([A-Z])(\\d\\d)([A-Z]{0,2})");
    private static final Pattern DOTTED =
            Pattern.compile("([A-Z])([A-Z0-9]{3})\\.(\\d{6})\\.(\\d{3})(?:\\.([A-Z]\\d{1,2}))?");
    private static final DateTimeFormatter SIX_DIGITS =
            DateTimeFormatter.ofPattern("uuMMdd").withResolverStyle(ResolverStyle.STRICT);
    private static final LocalDate FIRST_QUARTER = LocalDate.of(2009, 1, 1);
    private static final int LETTERS = 26;

    /** The family with builds on both sides of the turn, and the first quarter letter it had before it. */
    private static final char TURNING_FAMILY = 'M';

    private static final char FIRST_BEFORE_TURN = 'U';

    /** OS versions of each family, from the same published table, written down from memory. */
    private static final Map<Character, List<String>> VERSIONS = Map.ofEntries(
            Map.entry('C', List.of("1.5")),
            Map.entry('D', List.of("1.6")),
            Map.entry('E', List.of("2.0", "2.1")),
            Map.entry('F', List.of("2.2")),
            Map.entry('G', List.of("2.3")),
            Map.entry('H', List.of("3.0", "3.1", "3.2")),
            Map.entry('I', List.of("4.0")),
            Map.entry('J', List.of("4.1", "4.2", "4.3")),
            Map.entry('K', List.of("4.4")),
            Map.entry('L', List.of("5.0", "5.1")),
            Map.entry('M', List.of("6.0")),
            Map.entry('N', List.of("7.0", "7.1")),
            Map.entry('O', List.of("8.0", "8.1")),
            Map.entry('P', List.of("9")),
            Map.entry('Q', List.of("10")),
            Map.entry('R', List.of("11")),
            Map.entry('S', List.of("12")),
            Map.entry('T', List.of("13")),
            Map.entry('U', List.of("14")));

    /** Decodes a build id; empty for a text that is none, a day past its quarter's end included. */
    public static Optional<BuildId> of(String text) {
        Matcher lettered = LETTERED.matcher(text);
        if (lettered.matches()) {
            return lettered(text, lettered);
        }
        Matcher dotted = DOTTED.matcher(text);
        return dotted.matches() ? dotted(text, dotted) : Optional.empty();
    }

    /** Whether a text looks like a build id, valid or not; makers also use ids of their own. */
    public static boolean looksLikeOne(String text) {
        return LETTERED.matcher(text).matches() || DOTTED.matcher(text).matches();
    }

    /** The OS versions this family was released as; empty for a family the table does not hold. */
    public List<String> versions() {
        return VERSIONS.getOrDefault(family, List.of());
    }

    /** Whether an OS version belongs to the family; true where the table does not say. */
    public boolean agreesWith(String osVersion) {
        return versions().isEmpty()
                || versions().stream().anyMatch(line -> osVersion.equals(line) || osVersion.startsWith(line + "."));
    }

    private static Optional<BuildId> lettered(String text, Matcher parts) {
        char family = parts.group(1).charAt(0);
        char quarter = parts.group(3).charAt(0);
        LocalDate start = FIRST_QUARTER.plusMonths(3L * (quarter - 'A' + (isAfterTurn(family, quarter) ? LETTERS : 0)));
        int day = Integer.parseInt(parts.group(4));
        if (day < 1 || day > IsoFields.DAY_OF_QUARTER.rangeRefinedBy(start).getMaximum()) {
            return Optional.empty();
        }
        LocalDate date = start.plusDays(day - 1L);
        String version = parts.group(5);
        Ruler ruler = new Ruler(
                "Build id",
                text,
                List.of(
                        familyPart(parts.group(1)),
                        new Segment(parts.group(2), "Branch", branch(parts.group(2)), Role.OTHER),
                        new Segment(parts.group(3), "Quarter", quarterName(start), Role.YEAR),
                        new Segment(parts.group(4), "Day", date.toString(), Role.DAY),
                        new Segment(version, "Version", version.isEmpty() ? "A, left out" : "", Role.SERIAL)));
        return Optional.of(new BuildId(text, family, date, ruler));
    }

    private static boolean isAfterTurn(char family, char quarter) {
        return family > TURNING_FAMILY || family == TURNING_FAMILY && quarter < FIRST_BEFORE_TURN;
    }

    private static Optional<BuildId> dotted(String text, Matcher parts) {
        try {
            LocalDate date = LocalDate.parse(parts.group(3), SIX_DIGITS);
            String hotfix = Optional.ofNullable(parts.group(5)).orElse("");
            List<Segment> segments = List.of(
                    familyPart(parts.group(1)),
                    new Segment(parts.group(2), "Branch", "", Role.OTHER),
                    Segment.mark("."),
                    new Segment(parts.group(3), "Date", date.toString(), Role.DATE),
                    Segment.mark("."),
                    new Segment(parts.group(4), "Version", "", Role.SERIAL),
                    Segment.mark(hotfix.isEmpty() ? "" : "."),
                    new Segment(hotfix, "Hotfix", hotfix.isEmpty() ? "none" : "", Role.OTHER));
            Ruler ruler = new Ruler("Build id", text, segments);
            return Optional.of(new BuildId(text, parts.group(1).charAt(0), date, ruler));
        } catch (DateTimeException noSuchDay) {
            return Optional.empty();
        }
    }

    private static Segment familyPart(String letter) {
        List<String> versions = VERSIONS.getOrDefault(letter.charAt(0), List.of());
        String meaning = versions.isEmpty() ? "" : "OS " + String.join(", ", versions);
        return new Segment(letter, "Family", meaning, Role.OS_VERSION);
    }

    private static String branch(String letter) {
        return letter.equals("R") ? "main release branch" : "";
    }

    private static String quarterName(LocalDate start) {
        return "%d, quarter %d".formatted(start.getYear(), start.get(IsoFields.QUARTER_OF_YEAR));
    }
}
