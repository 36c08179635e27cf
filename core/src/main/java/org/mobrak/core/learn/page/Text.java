package org.mobrak.core.learn.page;

import java.util.Arrays;

/** Words of a guide, each character of which knows the physical line of the source it stands on. */
public final class Text {
    private final String file;
    private final String value;
    /** Where a line begins in the value, ascending, and which line that is. */
    private final int[] starts;

    private final int[] lines;

    private Text(String file, String value, int[] starts, int[] lines) {
        this.file = file;
        this.value = value;
        this.starts = starts;
        this.lines = lines;
    }

    /** A text that stands on one line. */
    public static Text of(String file, int line, String value) {
        return new Text(file, value, new int[] {0}, new int[] {line});
    }

    public String file() {
        return file;
    }

    public String value() {
        return value;
    }

    public boolean isBlank() {
        return value.isBlank();
    }

    /** The physical line, from 1, of a character. */
    public int lineAt(int offset) {
        int at = Arrays.binarySearch(starts, offset);
        return lines[at >= 0 ? at : Math.max(0, -at - 2)];
    }

    /** The part of it that stands on the same line as a character. */
    public String onLine(int offset) {
        int at = Arrays.binarySearch(starts, offset);
        int index = at >= 0 ? at : Math.max(0, -at - 2);
        int end = index + 1 < starts.length ? starts[index + 1] : value.length();
        return value.substring(starts[index], end).strip();
    }

    /** The part of it that stands on a line; empty where none does. */
    public String ofLine(int line) {
        for (int i = 0; i < lines.length; i++) {
            if (lines[i] == line) {
                return onLine(starts[i]);
            }
        }
        return "";
    }

    /** Every line it stands on, in their order. */
    public int[] allLines() {
        return lines.clone();
    }

    public int firstLine() {
        return lines[0];
    }

    public int lastLine() {
        return lineAt(Math.max(0, value.length() - 1));
    }

    /** A part of it, without blanks at its ends. */
    public Text sub(int from, int to) {
        int low = from;
        int high = to;
        while (low < high && Character.isWhitespace(value.charAt(low))) {
            low++;
        }
        while (high > low && Character.isWhitespace(value.charAt(high - 1))) {
            high--;
        }
        Builder part = new Builder(file);
        for (int i = 0; i < starts.length; i++) {
            int begin = Math.max(low, starts[i]);
            int end = Math.min(high, i + 1 < starts.length ? starts[i + 1] : value.length());
            if (begin < end) {
                part.append(value.substring(begin, end), lines[i]);
            }
        }
        return part.isEmpty() ? of(file, lineAt(low), "") : part.build();
    }

    @Override
    public String toString() {
        return value;
    }

    /** Puts a text together, line by line. */
    public static final class Builder {
        private final String file;
        private final StringBuilder value = new StringBuilder();
        private int[] starts = new int[4];
        private int[] lines = new int[4];
        private int count;

        public Builder(String file) {
            this.file = file;
        }

        /** Adds words of a line. */
        public Builder append(String words, int line) {
            if (words.isEmpty()) {
                return this;
            }
            if (count == 0 || lines[count - 1] != line) {
                if (count == starts.length) {
                    starts = Arrays.copyOf(starts, 2 * count);
                    lines = Arrays.copyOf(lines, 2 * count);
                }
                starts[count] = value.length();
                lines[count++] = line;
            }
            value.append(words);
            return this;
        }

        /** Adds the next line of a paragraph: with a blank, or where a word was parted at the end without the hyphen. */
        public Builder wrap(String words, int line) {
            int last = value.length() - 1;
            boolean parted = last > 1
                    && value.charAt(last) == '-'
                    && Character.isLowerCase(value.charAt(last - 1))
                    && Character.isLowerCase(value.charAt(last - 2))
                    && !words.isEmpty()
                    && Character.isLowerCase(words.charAt(0));
            if (parted) {
                value.setLength(last);
                return append(words, line);
            }
            if (last >= 0 && !Character.isWhitespace(value.charAt(last))) {
                value.append(' ');
            }
            return append(words, line);
        }

        /** Adds words that flow on: of two blanks that meet one is left. */
        public Builder flow(String words, int line) {
            boolean blank = value.isEmpty() || Character.isWhitespace(value.charAt(value.length() - 1));
            return append(blank && words.startsWith(" ") ? words.substring(1) : words, line);
        }

        /** Takes a blank at the end away again. */
        public void trimLast() {
            if (value.length() > 0 && value.charAt(value.length() - 1) == ' ') {
                value.setLength(value.length() - 1);
            }
        }

        public boolean isEmpty() {
            return count == 0;
        }

        public int length() {
            return value.length();
        }

        public Text build() {
            return count == 0
                    ? of(file, 1, "")
                    : new Text(file, value.toString(), Arrays.copyOf(starts, count), Arrays.copyOf(lines, count));
        }
    }
}
