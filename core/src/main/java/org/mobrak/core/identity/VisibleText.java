package org.mobrak.core.identity;

import java.util.stream.Collectors;

/**
 * The gate for text from outside on its way to an eye: characters that steer a terminal (ECMA-48), turn the direction of what
 * stands beside them (Unicode Standard Annex 9) or are not seen at all are written as {@code \}{@code u} and their number. So
 * what is shown is what is there, and nothing can forge a line or turn a name round.
 */
public final class VisibleText {
    private VisibleText() {}

    /** Letters by their class that show nothing: the Hangul fillers, the empty Braille cell and the joiner of graphemes. */
    private static final String EMPTY = "\u115F\u1160\u3164\uFFA0\u2800\u034F";

    /**
     * Whether a character is not seen as itself; half a pair is not either. Line feed and tab are not meant; they only move on.
     */
    public static boolean isHidden(int codePoint) {
        return switch (Character.getType(codePoint)) {
            case Character.CONTROL -> codePoint != '\n' && codePoint != '\t';
            case Character.FORMAT, Character.LINE_SEPARATOR, Character.PARAGRAPH_SEPARATOR, Character.SURROGATE -> true;
            default -> EMPTY.indexOf(codePoint) >= 0;
        };
    }

    /** The same text, all of it to be seen; line feeds stay. */
    public static String of(String text) {
        if (text.codePoints().noneMatch(VisibleText::isHidden)) {
            return text;
        }
        StringBuilder seen = new StringBuilder(text.length());
        text.codePoints().forEach(point -> seen.append(isHidden(point) ? number(point) : Character.toString(point)));
        return seen.toString();
    }

    /** The same on one line, for names and whatever else never has a second one. */
    public static String oneLine(String text) {
        return of(text).replace("\n", " ⏎ ");
    }

    /** How such a character is written, in one part or two; JSON writes it so too. */
    public static String number(int codePoint) {
        return Character.toString(codePoint)
                .chars()
                .mapToObj("\\u%04X"::formatted)
                .collect(Collectors.joining());
    }
}
