package org.mobrak.core.identity.reader;

import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The date as the C locale's {@code date} writes it, with the zone names of old builders: {@code Tue Oct 22 09:31:04 KST 2013}.
 *
 * <p>A name becomes an offset only where it means one zone. North America's names are those of RFC 5322, §4.3; the others are
 * from the tz database, written down from memory. {@code CST} and {@code IST} name several zones and so give none.
 */
final class BannerDate {
    private static final Pattern DATE = Pattern.compile(
            "(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun) ([A-Z][a-z]{2}) +(\\d{1,2}) (\\d\\d:\\d\\d:\\d\\d) (?:([A-Z]{1,5}|[+-]\\d\\d(?:\\d\\d)?) )?(\\d{4})");
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM uuuu HH:mm:ss", Locale.ENGLISH).withResolverStyle(ResolverStyle.STRICT);
    private static final DateTimeFormatter ISO = DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss");
    private static final Map<String, Integer> HOURS = hours();

    private BannerDate() {}

    /** The first date in a text as ISO 8601, with an offset where its zone is known; empty for a day that never was. */
    static Optional<String> in(String text) {
        Matcher date = DATE.matcher(text);
        if (!date.find()) {
            return Optional.empty();
        }
        try {
            String day = "%s %s %s %s".formatted(date.group(2), date.group(1), date.group(5), date.group(3));
            LocalDateTime time = LocalDateTime.parse(day, DAY);
            return Optional.of(ISO.format(time) + offset(date.group(4)));
        } catch (DateTimeException noSuchDay) {
            return Optional.empty();
        }
    }

    private static String offset(String zone) {
        if (zone == null) {
            return "";
        }
        if (zone.startsWith("+") || zone.startsWith("-")) {
            return ZoneOffset.of(zone).getId();
        }
        return HOURS.containsKey(zone) ? ZoneOffset.ofHours(HOURS.get(zone)).getId() : "";
    }

    private static Map<String, Integer> hours() {
        Map<String, Integer> hours = new HashMap<>(Map.of("UTC", 0, "UT", 0, "GMT", 0, "Z", 0));
        hours.putAll(Map.of("EST", -5, "EDT", -4, "CDT", -5, "MST", -7, "MDT", -6, "PST", -8, "PDT", -7));
        hours.putAll(Map.of("KST", 9, "JST", 9, "CET", 1, "CEST", 2, "EET", 2, "EEST", 3, "MSK", 3, "HKT", 8));
        return Map.copyOf(hours);
    }
}
