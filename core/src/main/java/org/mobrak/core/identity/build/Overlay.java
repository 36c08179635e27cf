package org.mobrak.core.identity.build;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;

/**
 * Two build strings of one form laid over each other: the phone's own and another.
 *
 * @param differing indexes of the segments in which they differ
 * @param sentences what the differences mean, the gravest first; one sentence if there are none
 */
public record Overlay(Ruler own, Ruler other, List<Integer> differing, List<String> sentences) {
    /** Longer is later, as 10 is after 9; then by letter or digit. */
    private static final Comparator<String> ORDER =
            Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder());

    public Overlay {
        differing = List.copyOf(differing);
        sentences = List.copyOf(sentences);
    }

    /** Lays them over each other; empty where they were not taken apart the same way. */
    public static Optional<Overlay> of(Ruler own, Ruler other) {
        boolean sameForm = own.kind().equals(other.kind()) && labels(own).equals(labels(other));
        if (!sameForm) {
            return Optional.empty();
        }
        List<Integer> differing = IntStream.range(0, own.segments().size())
                .filter(i -> !text(own, i).equals(text(other, i)))
                .boxed()
                .toList();
        return Optional.of(new Overlay(own, other, differing, sentences(own, other, differing)));
    }

    /**
     * The order of two revisions or serials: numbers as numbers, letters by the alphabet with AA after Z, and of one length a
     * digit before a letter (common practice, no published source). Empty for anything else, since nobody vouches for it.
     */
    public static OptionalInt compareParts(String a, String b) {
        if (isAll(a, Character::isDigit) && isAll(b, Character::isDigit)) {
            return OptionalInt.of(new BigInteger(a).compareTo(new BigInteger(b)));
        }
        boolean letters = isAll(a, Character::isUpperCase) && isAll(b, Character::isUpperCase);
        boolean alike = a.length() == b.length() && isAll(a, Overlay::isSign) && isAll(b, Overlay::isSign);
        return letters || alike ? OptionalInt.of(ORDER.compare(a, b)) : OptionalInt.empty();
    }

    private static boolean isSign(int c) {
        return Character.isDigit(c) || Character.isUpperCase(c);
    }

    private static boolean isAll(String text, IntPredicate kind) {
        return !text.isEmpty() && text.chars().allMatch(c -> c < 0x80 && kind.test(c));
    }

    /** Which of two strings of one form is the later one; empty where they are not both of it, or of different phones. */
    static OptionalInt order(Ruler a, Ruler b) {
        return of(a, b).filter(overlay -> overlay.differing().stream()
                        .noneMatch(i -> a.segments().get(i).role().tellsWhose()))
                .map(overlay -> order(a, b, overlay.differing()))
                .orElse(OptionalInt.empty());
    }

    private static OptionalInt order(Ruler a, Ruler b, List<Integer> differing) {
        if (differing.isEmpty()) {
            return OptionalInt.of(0);
        }
        return differing.stream()
                .filter(i -> a.segments().get(i).role().tellsAge())
                .min(Comparator.comparing(i -> a.segments().get(i).role()))
                .map(i -> compareAges(a.segments().get(i), b.segments().get(i)))
                .orElse(OptionalInt.empty());
    }

    private static OptionalInt compareAges(Segment a, Segment b) {
        return a.role() == Role.DATE ? OptionalInt.of(key(a).compareTo(key(b))) : compareParts(a.text(), b.text());
    }

    private static List<String> labels(Ruler ruler) {
        return ruler.segments().stream().map(Segment::label).toList();
    }

    private static String text(Ruler ruler, int index) {
        return ruler.segments().get(index).text();
    }

    private static List<String> sentences(Ruler own, Ruler other, List<Integer> differing) {
        List<String> said = new ArrayList<>();
        for (int i : differing) {
            whose(own.segments().get(i), other.segments().get(i)).ifPresent(said::add);
        }
        for (int i : differing) {
            bootloader(own.segments().get(i), other.segments().get(i)).ifPresent(said::add);
        }
        age(own, other, differing).ifPresent(said::add);
        for (int i : differing) {
            rest(own.segments().get(i), other.segments().get(i)).ifPresent(said::add);
        }
        return said.isEmpty() ? List.of("The two are the same build.") : said;
    }

    private static Optional<String> whose(Segment own, Segment other) {
        if (!own.role().tellsWhose()) {
            return Optional.empty();
        }
        String what = own.role() == Role.MODEL ? "phone" : own.role() == Role.CARRIER ? "carrier" : "region";
        return Optional.of("Another %s: %s, not %s.".formatted(what, other.told(), own.told()));
    }

    private static Optional<String> bootloader(Segment own, Segment other) {
        if (own.role() != Role.BOOTLOADER_REVISION) {
            return Optional.empty();
        }
        return Optional.of(
                ORDER.compare(other.text(), own.text()) > 0
                        ? "The bootloader revision goes up from %s to %s: once it is on the phone there is no way back."
                                .formatted(own.told(), other.told())
                        : "The bootloader revision is %s, below this phone's %s: the phone will refuse it."
                                .formatted(other.told(), own.told()));
    }

    /** The first difference among the parts that tell age decides. */
    private static Optional<String> age(Ruler own, Ruler other, List<Integer> differing) {
        return differing.stream()
                .filter(i -> own.segments().get(i).role().tellsAge())
                .min(Comparator.comparing(i -> own.segments().get(i).role()))
                .map(i -> {
                    Segment mine = own.segments().get(i);
                    Segment theirs = other.segments().get(i);
                    String word = ORDER.compare(key(theirs), key(mine)) > 0 ? "Newer" : "Older";
                    return "%s than this phone's: %s %s against %s."
                            .formatted(word, mine.label().toLowerCase(Locale.ROOT), theirs.told(), mine.told());
                });
    }

    /** Dates are compared as days, since not every maker writes the year first. */
    private static String key(Segment segment) {
        return segment.role() == Role.DATE ? segment.told() : segment.text();
    }

    private static Optional<String> rest(Segment own, Segment other) {
        boolean told = own.role().tellsWhose()
                || own.role().tellsAge()
                || own.role() == Role.BOOTLOADER_REVISION
                || !own.isPart();
        return told
                ? Optional.empty()
                : Optional.of("Differs in %s: %s, not %s."
                        .formatted(own.label().toLowerCase(Locale.ROOT), other.told(), own.told()));
    }
}
