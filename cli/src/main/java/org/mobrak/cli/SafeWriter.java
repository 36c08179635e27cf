package org.mobrak.cli;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.util.Arrays;
import java.util.Locale;
import org.mobrak.core.identity.VisibleText;

/**
 * The one gate to the terminal: names, members, scripts and banners come from outside and may hold characters that move the
 * cursor, colour, delete or turn round what was written before, and so forge a verdict. They are written as {@code \}{@code u}
 * and their number, which is also how JSON writes them, so data stays data.
 */
final class SafeWriter extends PrintWriter {
    SafeWriter(Writer out) {
        super(new Escaping(out), true);
    }

    /** One line stays one line, whatever stands in it. */
    @Override
    public void println(String line) {
        super.println(VisibleText.oneLine(line));
    }

    @Override
    public PrintWriter format(Locale locale, String format, Object... arguments) {
        return super.format(locale, format, shown(arguments));
    }

    @Override
    public PrintWriter format(String format, Object... arguments) {
        return super.format(format, shown(arguments));
    }

    private static Object[] shown(Object... arguments) {
        return Arrays.stream(arguments)
                .map(one -> one instanceof Number ? one : VisibleText.oneLine(String.valueOf(one)))
                .toArray();
    }

    private static final class Escaping extends FilterWriter {
        Escaping(Writer out) {
            super(out);
        }

        @Override
        public void write(int c) throws IOException {
            write(Character.toChars(c), 0, 1);
        }

        @Override
        public void write(String text, int offset, int length) throws IOException {
            write(text.toCharArray(), offset, length);
        }

        @Override
        public void write(char[] text, int offset, int length) throws IOException {
            int end = offset + length;
            int plain = offset;
            for (int at = offset; at < end; ) {
                int point = Character.codePointAt(text, at, end);
                int next = at + Character.charCount(point);
                if (isDangerous(point)) {
                    out.write(text, plain, at - plain);
                    out.write(VisibleText.number(point));
                    plain = next;
                }
                at = next;
            }
            out.write(text, plain, end - plain);
        }

        /** The end of a line may be more than a line feed on some systems. */
        private static boolean isDangerous(int codePoint) {
            return VisibleText.isHidden(codePoint) && System.lineSeparator().indexOf(codePoint) < 0;
        }
    }
}
