package org.mobrak.core.material.check;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** Is the kernel in it of the phone's line, and older or newer than the one that runs? */
final class KernelRule implements Rule {
    private static final Pattern LINE = Pattern.compile("(\\d+\\.\\d+)\\b.*");

    @Override
    public Stream<Finding> check(Use use) {
        return Stream.concat(line(use).stream(), built(use).stream());
    }

    /** A driver's module and a device tree go with one line of kernels; another line seldom starts. */
    private static Optional<Finding> line(Use use) {
        Optional<String> brings = use.file().release();
        Optional<String> runs = use.facts().value(Fact.KERNEL_RELEASE);
        if (brings.isEmpty() || runs.isEmpty()) {
            return Optional.empty();
        }
        if (brings.equals(runs)) {
            return Optional.of(
                    Finding.note("same-kernel", "Its kernel is %s, the one the phone runs.".formatted(runs.get())));
        }
        return lineOf(brings.get()).equals(lineOf(runs.get()))
                ? Optional.empty()
                : Optional.of(Finding.caution(
                        "other-kernel-line",
                        "Its kernel is %s; the phone runs %s. A kernel of another line was made for another OS version or phone."
                                .formatted(brings.get(), runs.get())));
    }

    private static String lineOf(String release) {
        Matcher line = LINE.matcher(release);
        return line.matches() ? line.group(1) : release;
    }

    private static Optional<Finding> built(Use use) {
        Optional<String> phone = day(use.facts().value(Fact.KERNEL_BUILT));
        Optional<String> file = day(Optional.ofNullable(Contents.of(use.file()).get(Fact.KERNEL_BUILT)));
        return phone.isPresent() && file.isPresent() && file.get().compareTo(phone.get()) < 0
                ? Optional.of(Finding.note(
                        "older-kernel",
                        "Its kernel was built on %s, before the phone's (%s): what was mended since comes back open."
                                .formatted(file.get(), phone.get())))
                : Optional.empty();
    }

    private static Optional<String> day(Optional<String> built) {
        return built.map(instant -> Contents.coarse(Fact.KERNEL_BUILT, instant));
    }
}
