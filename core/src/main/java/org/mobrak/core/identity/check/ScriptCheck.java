package org.mobrak.core.identity.check;

import java.lang.Character.UnicodeScript;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** Letters of other scripts in strings that are compared letter by letter: they look alike and match nothing. */
final class ScriptCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        return Stream.of(Fact.MODEL, Fact.BUILD_NUMBER, Fact.BUILD_ID, Fact.BOOTLOADER, Fact.BASEBAND)
                .flatMap(fact -> phone.value(fact).flatMap(value -> foreign(fact, value)).stream());
    }

    private static Optional<Finding> foreign(Fact fact, String value) {
        OptionalInt letter = value.codePoints()
                .filter(c -> UnicodeScript.of(c) != UnicodeScript.LATIN && UnicodeScript.of(c) != UnicodeScript.COMMON
                        || c >= 0xFF00 && c <= 0xFFEF)
                .findFirst();
        return letter.isEmpty()
                ? Optional.empty()
                : Optional.of(Finding.caution(
                        "other-script",
                        "%s “%s” holds a look-alike from another script: %s. Type it again by hand."
                                .formatted(fact.label(), value, Character.getName(letter.getAsInt()))));
    }
}
