package org.mobrak.core.mend.patch;

import java.util.Optional;
import org.mobrak.core.identity.VisibleText;

/**
 * A line of a property file, for an eye.
 *
 * @param number from 1
 * @param shown with everything that is not seen made visible
 * @param key where it is a property
 * @param value exactly as it stands, blanks and all
 * @param meaning what is known of the key
 */
public record PropertyLine(int number, String shown, Optional<String> key, String value, Optional<String> meaning) {

    /** A text with blanks at its ends, tabs, ends of lines and hidden characters made visible. */
    static String shown(String text, boolean carriageReturn) {
        int start = 0;
        while (start < text.length() && text.charAt(start) == ' ') {
            start++;
        }
        int end = text.length();
        while (end > start && text.charAt(end - 1) == ' ') {
            end--;
        }
        String inner = VisibleText.oneLine(text.substring(start, end)).replace("\t", "→");
        return "·".repeat(start) + inner + "·".repeat(text.length() - end) + (carriageReturn ? "␍" : "");
    }
}
