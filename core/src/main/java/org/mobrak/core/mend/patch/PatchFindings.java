package org.mobrak.core.mend.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Finding;

/**
 * What people fall over when they change a property by hand. That the platform passes over a file that its group or others may
 * write, over values that are no UTF-8, and that it cuts off blanks, is in its published property loader; the rest is common
 * practice, no published source.
 */
final class PatchFindings {
    private final PropertyFile file;
    private final PropertyChange change;
    private final PropertyLines.Found found;

    PatchFindings(PropertyFile file, PropertyChange change, PropertyLines.Found found) {
        this.file = file;
        this.change = change;
        this.found = found;
    }

    List<Finding> missing() {
        List<Finding> all = new ArrayList<>();
        all.add(Finding.stop("key-missing", "No line sets %s. Is it the file of this phone?".formatted(change.key())));
        if (!found.commented().isEmpty()) {
            all.add(Finding.note(
                    "key-commented",
                    "%s stands only behind a #, on line %s, and the platform passes such lines over."
                            .formatted(change.key(), numbers(found.commented()))));
        }
        if (!found.behindMark().isEmpty()) {
            all.add(
                    Finding.caution(
                            "byte-order-mark",
                            "The file begins with a byte order mark, and the platform takes it for a part of the first key. Save the file without it."));
        }
        return all;
    }

    List<Finding> twice() {
        return List.of(Finding.stop(
                "key-twice",
                "%s stands on the lines %s. Which one counts differs from one OS version to another: leave one by hand, then come back."
                        .formatted(
                                change.key(),
                                numbers(found.live().stream()
                                        .map(PropertyLines.Live::line)
                                        .toList()))));
    }

    List<Finding> unexpected(PropertyLines.Live live, String now) {
        List<Finding> all = new ArrayList<>();
        boolean blanks = now.strip().equals(change.expected().strip());
        all.add(Finding.stop(
                "other-value",
                blanks
                        ? "The value is the expected one but for blanks, and those count: it is “%s”.".formatted(now)
                        : "The value is “%s” and not “%s”. It may be the file of another phone, or somebody was here before."
                                .formatted(now, change.expected())));
        all.addAll(ofFile(live));
        return all;
    }

    List<Finding> patched(PropertyLines.Live live) {
        List<Finding> all = new ArrayList<>();
        change.tooLong()
                .ifPresent(bytes -> all.add(Finding.caution(
                        "value-long",
                        "The value has %d bytes; more than 91 the platform takes only of keys that begin with ro."
                                .formatted(bytes))));
        all.addAll(ofFile(live));
        all.add(
                Finding.note(
                        "mode-and-owner",
                        "On the phone the file must again be root's and of mode 0644: one that its group or others may write is passed over, and then none of its properties hold."));
        if (change.isReadOnly()) {
            all.add(Finding.note(
                    "restart-needed", "Keys that begin with ro. are read when the phone starts: restart it."));
        }
        all.add(Finding.note(
                "update-undoes", "An update brings the old file back; the same change is then to be made again."));
        return all;
    }

    /** What is odd about the file itself. */
    List<Finding> ofFile(PropertyLines.Live live) {
        List<Finding> all = new ArrayList<>();
        if (!file.isUtf8()) {
            all.add(
                    Finding.caution(
                            "not-utf8",
                            "Some bytes of the file are no UTF-8; newer platforms pass such values over. They stay as they are."));
        }
        if (file.hasMark()) {
            all.add(Finding.note(
                    "byte-order-mark",
                    "The file begins with a byte order mark, which spoils its first key. It stays."));
        }
        if (live.line().hasCarriageReturn()) {
            all.add(Finding.note(
                    "carriage-returns",
                    "The line ends in carriage return and line feed, as another system writes it. It stays so."));
        }
        if (!live.line().hasLineFeed()) {
            all.add(Finding.note("no-last-line-feed", "The line is the last and has no line feed. It stays so."));
        }
        if (!found.commented().isEmpty()) {
            all.add(Finding.note(
                    "key-commented",
                    "The key stands behind a # too, on line %s; the platform passes that over."
                            .formatted(numbers(found.commented()))));
        }
        return all;
    }

    private static String numbers(List<PropertyLines.Line> lines) {
        return lines.stream()
                        .limit(5)
                        .map(line -> String.valueOf(line.number()))
                        .collect(Collectors.joining(", "))
                + (lines.size() > 5 ? " and %d more".formatted(lines.size() - 5) : "");
    }
}
