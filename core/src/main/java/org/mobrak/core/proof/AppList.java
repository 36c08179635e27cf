package org.mobrak.core.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.VisibleText;

/**
 * The apps of a phone by a listing of its package manager: {@code package:NAME}, {@code package:PATH=NAME}, a bare name, each
 * with words behind it; a word such as {@code disabled}, or a command typed above that lists only those, says which are
 * disabled. The form is the one every phone of this platform prints; what is behind a name is passed over.
 *
 * @param enabled every package by its name, and whether it is enabled
 */
public record AppList(Map<String, Boolean> enabled, List<Finding> findings) {
    private static final String MARK = "package:";
    private static final int MOST_LINES = 200_000;
    private static final int LONGEST_LINE = 4096;

    /** The platform's rule for names of packages: two words or more, parted by dots. */
    private static final Pattern NAME = Pattern.compile("[A-Za-z]\\w*+(?:\\.[A-Za-z]\\w*+)++");

    public AppList {
        enabled = new TreeMap<>(enabled);
        findings = List.copyOf(findings);
    }

    /** Reads a listing; lines that are none are passed over. */
    public static AppList parse(String text) {
        Reading reading = new Reading();
        text.lines()
                .limit(MOST_LINES)
                .filter(line -> line.length() <= LONGEST_LINE)
                .forEach(reading::take);
        boolean cut = !text.endsWith("\n") && reading.lastWasCut;
        if (cut) {
            reading.findings.add(Finding.caution(
                    "cut-listing", "The listing breaks off in its last line; take it again, and send it into a file."));
        }
        return new AppList(reading.enabled, reading.findings);
    }

    /** One pass over a text. */
    private static final class Reading {
        private final Map<String, Boolean> enabled = new TreeMap<>();
        private final List<Finding> findings = new ArrayList<>();
        private boolean onlyDisabled;
        private boolean lastWasCut;

        void take(String raw) {
            String line = raw.strip();
            if (line.isEmpty()) {
                return;
            }
            if (line.contains("list packages")) {
                onlyDisabled = line.matches(".*\\s-d(?:\\s.*)?");
                return;
            }
            boolean marked = line.startsWith(MARK);
            String rest = marked ? line.substring(MARK.length()) : line;
            String[] words = rest.split("[\\s,;\\[\\]()]+");
            String name = words.length == 0 ? "" : words[0].substring(words[0].lastIndexOf('=') + 1);
            Matcher whole = NAME.matcher(name);
            boolean isName = whole.matches();
            lastWasCut = !isName && (marked || MARK.startsWith(line));
            if (isName && (marked || words.length <= 2)) {
                add(name, !onlyDisabled && !saysDisabled(words));
            } else if (marked) {
                findings.add(
                        Finding.caution("no-package", "“%s” names no package.".formatted(VisibleText.oneLine(line))));
            }
        }

        private static boolean saysDisabled(String[] words) {
            for (int i = 1; i < words.length; i++) {
                if (words[i].matches("(?i)disabled|enabled=(?:false|[234])")) {
                    return true;
                }
            }
            return false;
        }

        /** A second listing, of the disabled ones only, has the last word. */
        private void add(String name, boolean isEnabled) {
            enabled.merge(name, isEnabled, Boolean::logicalAnd);
        }
    }
}
