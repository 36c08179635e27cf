package org.mobrak.fuzz;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalInt;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.identity.build.BuildId;
import org.mobrak.core.identity.build.Fingerprint;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;
import org.mobrak.core.material.ChecksumList;

/** Checksum lists, patterns and versions: small languages, each with a law that must hold. */
public final class WordsFuzz {
    private WordsFuzz() {}

    /** What is written is read back as it was. */
    public static final class Checksums {
        private Checksums() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            List<ChecksumList.Line> named = ChecksumList.parse(text(input)).lines().stream()
                    .filter(line -> line.name().isPresent())
                    .toList();
            ChecksumList again = ChecksumList.parse(ChecksumList.write(named));
            Checks.hold(again.lines().size() <= named.size(), "a list that grows when it is written and read");
        }
    }

    /** A pattern matches what it gives as its own example, and ends on any text. */
    public static final class Patterns {
        private Patterns() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            String[] words = twoWords(input);
            TextPattern.matches(words[0], words[1]);
            TextPattern.namesNothing(words[0]);
            String example = new TextPattern(words[0]).example('x');
            Checks.hold(TextPattern.matches(words[0], example), "a pattern that does not match its own example");
            Checks.hold(
                    words[0].contains("*") || words[0].contains("?") || TextPattern.matches(words[0], words[0]),
                    "a plain text that is not equal to itself");
        }
    }

    /** The order of two versions is the opposite of their order the other way round. */
    public static final class Versions {
        private Versions() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            String[] words = twoWords(input);
            OptionalInt one = VersionOrder.compare(words[0], words[1]);
            OptionalInt other = VersionOrder.compare(words[1], words[0]);
            Checks.hold(one.isPresent() == other.isPresent(), "an order in one direction only");
            Checks.hold(
                    one.isEmpty() || Integer.signum(one.getAsInt()) == -Integer.signum(other.getAsInt()),
                    "two versions of which each is the older");
            VersionOrder.againstLimit(words[0], words[1]);
            BuildId.of(words[0]);
            Fingerprint.of(words[0]);
            Checks.hold(
                    VisibleText.oneLine(words[1]).codePoints().noneMatch(VisibleText::isHidden),
                    "a character on its way out that is not seen");
        }
    }

    private static String text(byte[] input) {
        return new String(input, StandardCharsets.UTF_8);
    }

    private static String[] twoWords(byte[] input) {
        String text = text(input);
        int end = Math.max(0, text.indexOf('\n'));
        return new String[] {text.substring(0, end), text.substring(end)};
    }
}
