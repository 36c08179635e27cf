package org.mobrak.app;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The end of the program's log, with what tells of a person taken out, so that it can be given to others. */
final class LogText {
    /** More than that nobody reads. */
    private static final int MOST_BYTES = 200_000;

    private static final List<Pattern> PERSONAL = List.of(
            // Phone identities and subscriber numbers have 14 to 20 digits (3GPP TS 23.003).
            Pattern.compile("\\b[0-9]{14,20}\\b"),
            Pattern.compile("\\b[0-9A-Fa-f]{2}(?::[0-9A-Fa-f]{2}){5}\\b"),
            Pattern.compile("[A-Za-z0-9._%+-]{1,64}@[A-Za-z0-9-]{1,64}(?:\\.[A-Za-z0-9-]{1,64}){1,4}"),
            Pattern.compile("\\b[0-9]{1,3}(?:\\.[0-9]{1,3}){3}\\b"));

    private final String home;
    private final String user;

    LogText(String home, String user) {
        this.home = home;
        this.user = user;
    }

    /**
     * The log's end.
     *
     * @param names what else must not be told: nicknames, serial numbers, folders
     */
    String of(Path log, List<String> names) throws IOException {
        return withoutPersons(end(log), names);
    }

    /** The last lines, whole. */
    private static String end(Path log) throws IOException {
        if (!Files.isRegularFile(log)) {
            return "";
        }
        try (RandomAccessFile file = new RandomAccessFile(log.toFile(), "r")) {
            long from = Math.max(0, file.length() - MOST_BYTES);
            byte[] bytes = new byte[(int) (file.length() - from)];
            file.seek(from);
            file.readFully(bytes);
            String text = new String(bytes, StandardCharsets.UTF_8);
            return from == 0 ? text : text.substring(text.indexOf('\n') + 1);
        }
    }

    String withoutPersons(String text, List<String> names) {
        String clean = text;
        for (String name : names.stream()
                .filter(one -> one.length() > 1)
                .sorted((one, other) -> other.length() - one.length())
                .toList()) {
            clean = clean.replace(name, "(name)");
        }
        for (Pattern personal : PERSONAL) {
            clean = personal.matcher(clean).replaceAll(Matcher.quoteReplacement("(number)"));
        }
        if (home.length() > 1) {
            clean = clean.replace(home, "~");
        }
        if (user.length() > 1) {
            clean = Pattern.compile("\\b" + Pattern.quote(user) + "\\b")
                    .matcher(clean)
                    .replaceAll("(user)");
        }
        return clean;
    }
}
