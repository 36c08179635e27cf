package org.mobrak.core.mend.patch;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.mobrak.core.identity.Refusal;

/**
 * A value that is to stand in a property file instead of another.
 *
 * @param key as it stands before the equals sign, without blanks
 * @param value what is to stand there
 * @param expected what must stand there now, to the byte
 */
public record PropertyChange(String key, String value, String expected) {
    /** The platform keeps a value in 92 bytes, the last of which ends it; only those it never changes may be longer. */
    private static final int MOST_BYTES = 91;

    private static final String READ_ONLY = "ro.";

    /** Reads {@code KEY=VALUE}; a {@link Refusal} says what no line of such a file can hold. */
    public static PropertyChange parse(String text, String expected) throws Refusal {
        int equals = text.indexOf('=');
        if (equals < 1) {
            throw new Refusal("“" + text + "” must be KEY=VALUE, for example ro.example.state=0.");
        }
        String key = text.substring(0, equals);
        check("The key", key);
        check("The value", text.substring(equals + 1));
        if (key.startsWith("#") || key.startsWith("import ")) {
            throw new Refusal("A line that begins with “%s” is no property.".formatted(key));
        }
        if (hasControl(expected)) {
            throw new Refusal("The expected value holds a control character or a line break; no value can.");
        }
        return new PropertyChange(key, text.substring(equals + 1), expected);
    }

    private static void check(String what, String text) throws Refusal {
        if (hasControl(text)) {
            throw new Refusal(what + " holds a control character or a line break; a line of the file cannot.");
        }
        if (text.startsWith(" ") || text.endsWith(" ")) {
            throw new Refusal(what + " begins or ends with a blank, which the platform would cut off.");
        }
    }

    private static boolean hasControl(String text) {
        return text.codePoints().anyMatch(Character::isISOControl);
    }

    /** The change that undoes this one. */
    public PropertyChange back() {
        return new PropertyChange(key, expected, value);
    }

    /** Whether the platform reads it once, when it starts. */
    public boolean isReadOnly() {
        return key.startsWith(READ_ONLY);
    }

    /** How long the value is in bytes, where the platform would not take it. */
    public Optional<Integer> tooLong() {
        int bytes = value.getBytes(StandardCharsets.UTF_8).length;
        return bytes > MOST_BYTES && !isReadOnly() ? Optional.of(bytes) : Optional.empty();
    }
}
