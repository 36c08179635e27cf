package org.mobrak.core.identity;

import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The line with which a kernel names itself: {@code Linux version RELEASE (builder) (compiler) #N FLAGS DATE}. The form is
 * that of the kernel's own {@code linux_banner}, and the date that of the C locale's {@code date}.
 *
 * @param release the kernel release, build suffix included
 * @param built when it was built, ISO 8601; with {@code Z} only where the banner names universal time, because the
 *     other zone names of old builders are ambiguous
 */
record KernelBanner(String release, Optional<String> built) {
    private static final Pattern BANNER = Pattern.compile("Linux version (\\S+)(.*)");
    private static final Pattern DATE = Pattern.compile(
            "(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun) ([A-Z][a-z]{2}) +(\\d{1,2}) (\\d\\d:\\d\\d:\\d\\d) (?:([A-Z]{2,5}|[+-]\\d\\d) )?(\\d{4})");
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM uuuu HH:mm:ss", Locale.ENGLISH).withResolverStyle(ResolverStyle.STRICT);

    /** The banner in a line, wherever it begins. */
    static Optional<KernelBanner> in(String line) {
        if (!line.contains("Linux version ")) {
            return Optional.empty();
        }
        Matcher banner = BANNER.matcher(line);
        return banner.find()
                ? Optional.of(new KernelBanner(banner.group(1), built(banner.group(2))))
                : Optional.empty();
    }

    private static Optional<String> built(String rest) {
        Matcher date = DATE.matcher(rest);
        if (!date.find()) {
            return Optional.empty();
        }
        try {
            String day = "%s %s %s %s".formatted(date.group(2), date.group(1), date.group(5), date.group(3));
            LocalDateTime time = LocalDateTime.parse(day, DAY);
            String zone = date.group(4);
            boolean universal = "UTC".equals(zone) || "GMT".equals(zone);
            return Optional.of(DateTimeFormatter.ISO_LOCAL_DATE_TIME.format(time) + (universal ? "Z" : ""));
        } catch (DateTimeException noSuchDay) {
            return Optional.empty();
        }
    }
}
