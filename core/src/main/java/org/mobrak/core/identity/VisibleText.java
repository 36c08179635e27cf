package org.mobrak.core.identity;

/**
 * The gate for text from outside on its way to an eye: characters that steer a terminal (ECMA-48), turn the direction of what
 * stands beside them (Unicode Standard Annex 9) or are not seen at all are written as {@code \}{@code u} and their number. So
 * what is shown is what is there, and nothing can forge a line or turn a name round.
 */
public final class VisibleText {
    private VisibleText() {}

    /** Whether a character is not seen as itself. Line feed and tab are not meant; they only move on. */
    public static boolean isHidden(char c) {
        return switch (Character.getType(c)) {
            case Character.CONTROL -> c != '\n' && c != '\t';
            case Character.FORMAT, Character.LINE_SEPARATOR, Character.PARAGRAPH_SEPARATOR -> true;
            default -> false;
        };
    }

    /** The same text, all of it to be seen; line feeds stay. */
    public static String of(String text) {
        if (text.chars().noneMatch(c -> isHidden((char) c))) {
            return text;
        }
        StringBuilder seen = new StringBuilder(text.length());
        text.chars().forEach(c -> seen.append(isHidden((char) c) ? number((char) c) : (char) c + ""));
        return seen.toString();
    }

    /** The same on one line, for names and whatever else never has a second one. */
    public static String oneLine(String text) {
        return of(text).replace("\n", " ⏎ ");
    }

    /** How such a character is written; JSON writes it so too. */
    public static String number(char c) {
        return "\\u%04X".formatted((int) c);
    }
}
