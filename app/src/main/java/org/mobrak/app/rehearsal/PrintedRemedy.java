package org.mobrak.app.rehearsal;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.KeyChord;

/**
 * A remedy as somebody understands it who knows only its words. What is not in it is not done.
 *
 * @param deeds what it says to do, in the order of a person who does it
 * @param from the title of the step from which all is done once more
 * @param keys those into the recovery
 */
record PrintedRemedy(Set<Deed> deeds, Optional<String> from, Optional<KeyChord> keys) {
    private static final Pattern SENTENCES = Pattern.compile("[.;!]");
    private static final Pattern FORBIDS = Pattern.compile("\\b(?:not|never|nothing|without)\\b");
    private static final Pattern FROM = Pattern.compile("steps from “([^”]+)”");
    private static final Pattern KEYS = Pattern.compile("Keys into the recovery: ([^.]+)\\.");

    PrintedRemedy {
        deeds = deeds.isEmpty() ? Set.of() : EnumSet.copyOf(deeds);
    }

    /** One thing that hands can do. */
    enum Deed {
        DRIVER("driver"),
        REPLUG("port|cable|plug"),
        CHARGE("charge"),
        FORCE_OFF("hold power|power for ten|ten seconds"),
        INTO_RECOVERY("into (?:the )?(?:custom )?recovery"),
        LIGHT_WIPE("light wipe"),
        FORMAT("format (?:the )?data"),
        RESTORE("restore the image"),
        /** The step itself. */
        AGAIN("once more|again|another|anew");

        private final Pattern words;

        Deed(String words) {
            this.words = Pattern.compile(words);
        }
    }

    static PrintedRemedy of(String words) {
        // What it says not to do is not done.
        String said = SENTENCES
                .splitAsStream(words.toLowerCase(Locale.ROOT))
                .filter(sentence -> !FORBIDS.matcher(sentence).find())
                .collect(Collectors.joining(". "));
        EnumSet<Deed> deeds = EnumSet.noneOf(Deed.class);
        for (Deed deed : Deed.values()) {
            if (deed.words.matcher(said).find()) {
                deeds.add(deed);
            }
        }
        Matcher from = FROM.matcher(words);
        Matcher keys = KEYS.matcher(words);
        return new PrintedRemedy(
                deeds,
                from.find() ? Optional.of(from.group(1)) : Optional.empty(),
                keys.find() ? Optional.of(KeyChord.parse(keys.group(1))) : Optional.empty());
    }

    /** Whether there is anything in it that hands can do. */
    boolean isSilent() {
        return deeds.isEmpty() && from.isEmpty();
    }
}
