package org.mobrak.app;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The end of the program's log, with what tells of a person taken out, so that it can be given to others. */
final class LogText {
    /** More than that nobody reads. */
    private static final int MOST_BYTES = 200_000;

    /** When a line was written, by this program's own clock. */
    private static final Pattern WRITTEN = Pattern.compile("^[0-9T:.+Z-]{20,35} ");

    private static final String HEX = "[0-9A-Fa-f]";
    private static final String ID = "(?<![A-Za-z0-9])";
    private static final String END = "(?![A-Za-z0-9])";

    /**
     * What tells one person or one phone from all others, each by the standard that gives it its shape. Rather a build number too many
     * goes than a serial number too few.
     */
    private static final List<Pattern> PERSONAL = List.of(
            // Mail addresses (RFC 5322), and names before a computer's in an address.
            Pattern.compile("[\\p{L}0-9._%+-]{1,64}@[\\p{L}0-9-]{1,64}(?:\\.[\\p{L}0-9-]{1,64}){0,4}"),
            // Whatever is called so.
            Pattern.compile(
                    "(?i)(?<=\\b(?:serial|serialno|serial no|serial number|s/n|sn|imei|imei2|meid|imsi|iccid|eid|esn|udid|msisdn|androidid|android_id|wifimac|btmac|ssid|bssid|hostname|password|token|pin)\\b[\"\\]]{0,2}\\s?[=:#]{1,2}\\s?[\\[\"]{0,2})[^\\s,;\"\\]]{2,64}"),
            // Numbers of computers on a net: IEEE 802 in all four spellings, RFC 4291 and 5952, RFC 791.
            Pattern.compile(ID + HEX + "{2}([:._ -])" + HEX + "{2}(?:\\1" + HEX + "{2}){4}" + END),
            Pattern.compile(ID + HEX + "{4}\\." + HEX + "{4}\\." + HEX + "{4}" + END),
            Pattern.compile(
                    "(?<![A-Za-z0-9:])(?:" + HEX + "{1,4}:){4,7}(?::|" + HEX + "{1,4})(?:\\.[0-9.]+)?(?:%\\w+)?"),
            Pattern.compile("(?<![A-Za-z0-9:])(?:" + HEX + "{1,4}(?::" + HEX + "{1,4}){0,6})?::(?:" + HEX + "{1,4}(?::"
                    + HEX + "{1,4}){0,6})?(?:\\.[0-9.]+)?(?:%\\w+)?" + END),
            Pattern.compile(ID + "[0-9]{1,3}(?:\\.[0-9]{1,3}){3}(?::[0-9]{2,5})?" + END),
            // RFC 9562.
            Pattern.compile(ID + HEX + "{8}(?:-" + HEX + "{4}){3}-" + HEX + "{12}" + END),
            // Numbers of phones, cards and subscribers (3GPP TS 23.003, ITU-T E.118, E.164), however they are parted;
            // no date.
            Pattern.compile(
                    "(?<![A-Za-z0-9.])\\+?(?!\\d{4}-\\d{2}-\\d{2}(?![-0-9]))\\(?[0-9](?:[ ./()\\u00A0-]{0,2}[0-9]){6,40}"
                            + END),
            // Places on the earth (ISO 6709).
            Pattern.compile("[+-]?[0-9]{1,3}\\.[0-9]{3,}[ ,;/]{1,2}[+-]?[0-9]{1,3}\\.[0-9]{3,}"),
            // Serial numbers: letters and figures in one word, or in several with lines between.
            Pattern.compile(ID + "(?![A-Z]?[a-z]{2,}[0-9]{1,3}[A-Za-z]*" + END
                    + ")(?=[A-Za-z]*[0-9][A-Za-z]*[0-9])(?=[0-9]*[A-Za-z])[A-Za-z0-9]{7,64}" + END),
            Pattern.compile(ID + "(?=[A-Z]*[0-9])[A-Z0-9]{7,64}" + END),
            Pattern.compile(
                    ID + "(?=[A-Z0-9-]*[0-9][A-Z-]*[0-9][A-Z-]*[0-9])(?=[0-9-]*[A-Z])[A-Z0-9]{2,}(?:-[A-Z0-9]{2,}){1,5}"
                            + END));

    /** Where a person's own files lie, on each of the systems. */
    private static final Pattern PEOPLES_FOLDERS =
            Pattern.compile("(?i)(?<=/home/|/Users/|[A-Z]:\\\\Users\\\\|/media/|/run/user/)[^/\\\\\\s:]+");

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

    private static String withoutNumbers(String line) {
        Matcher written = WRITTEN.matcher(line);
        String when = written.find() ? written.group() : "";
        String rest = line.substring(when.length());
        for (Pattern personal : PERSONAL) {
            rest = personal.matcher(rest).replaceAll("(number)");
        }
        return when + rest;
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
        if (home.length() > 1) {
            clean = clean.replace(home, "~");
        }
        clean = PEOPLES_FOLDERS.matcher(clean).replaceAll("(user)");
        clean = Arrays.stream(clean.split("\n", -1))
                .map(LogText::withoutNumbers)
                .collect(Collectors.joining("\n"));
        if (user.length() > 1) {
            clean = Pattern.compile("\\b" + Pattern.quote(user) + "\\b")
                    .matcher(clean)
                    .replaceAll("(user)");
        }
        return clean;
    }
}
