package org.mobrak.core.identity.reader;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The line with which a kernel names itself: {@code Linux version RELEASE (builder) (compiler) #N FLAGS DATE}. The form is
 * that of the kernel's own {@code linux_banner}.
 *
 * @param release the kernel release, build suffix included
 * @param builder who built it, {@code user@host}
 * @param compiler what it was compiled with
 * @param build the build's number and flags, from the {@code #} sign to the date
 * @param built when it was built, ISO 8601
 */
record KernelBanner(
        String release,
        Optional<String> builder,
        Optional<String> compiler,
        Optional<String> build,
        Optional<String> built) {
    private static final String OPENING = "Linux version ";
    private static final Pattern RELEASE = Pattern.compile("Linux version (\\S+)(.*)");
    private static final Pattern BUILDER = Pattern.compile("\\(([^()\\s@]+@[^()\\s]+)\\)");
    private static final Pattern COMPILER =
            Pattern.compile("\\(((?:gcc|[^()@]* clang|clang) version [^()]*(?:\\([^()]*\\)[^()]*)?)\\)");
    private static final Pattern BUILD =
            Pattern.compile("(#\\d{1,9}(?: [A-Z_]{1,20}){0,12}?) (?:Mon|Tue|Wed|Thu|Fri|Sat|Sun) ");

    /** The banner in a line, wherever it begins. */
    static Optional<KernelBanner> in(String line) {
        if (!line.contains(OPENING)) {
            return Optional.empty();
        }
        Matcher banner = RELEASE.matcher(line);
        return banner.find() ? Optional.of(of(banner.group(1), banner.group(2))) : Optional.empty();
    }

    private static KernelBanner of(String release, String rest) {
        return new KernelBanner(
                release, first(BUILDER, rest), first(COMPILER, rest), first(BUILD, rest), BannerDate.in(rest));
    }

    private static Optional<String> first(Pattern pattern, String text) {
        Matcher found = pattern.matcher(text);
        return found.find() ? Optional.of(found.group(1).strip()) : Optional.empty();
    }
}
