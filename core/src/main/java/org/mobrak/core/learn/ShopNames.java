package org.mobrak.core.learn;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The name under which a guide's title calls a phone; a name of the shops is no model number, and several models bear it. */
final class ShopNames {
    private static final Pattern CALLED = Pattern.compile(
            "\\b(?:the|for|on|of|your|my|root|rooting|unlock|unlocking) ((?:\\p{Lu}[\\p{L}+]{1,20})(?: (?:\\p{Lu}[\\p{L}\\d+]{0,15}|\\d{1,4}[A-Z]?\\+?)){0,3})");

    private ShopNames() {}

    static Optional<String> in(String title) {
        Matcher found = CALLED.matcher(title);
        while (found.find()) {
            boolean model = found.group(1).matches("[A-Z]{1,6}-?\\d.*");
            if (!model && !found.group(1).matches("(?:OS|USB|OEM|All|Any|The|A|An|This|Your)\\b.*")) {
                return Optional.of(found.group(1));
            }
        }
        return Optional.empty();
    }
}
