package org.mobrak.core.identity.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;

/**
 * A build's fingerprint, {@code brand/product/device:release/id/incremental:type/tags}, as the platform's compatibility
 * definition states its form (section “Build Parameters”).
 *
 * @param parts the facts that its parts repeat
 */
public record Fingerprint(String text, Map<Fact, String> parts, Ruler ruler) {
    private static final Pattern FORM =
            Pattern.compile("([^/:]+)/([^/:]+)/([^/:]+):([^/:]+)/([^/:]+)/([^/:]+):([^/:]+)/([^/:]+)");
    private static final List<String> LABELS =
            List.of("Brand", "Product", "Device", "OS version", "Build id", "Incremental", "Type", "Tags");
    private static final List<String> MARKS = List.of("/", "/", ":", "/", "/", ":", "/");

    public Fingerprint {
        parts = Map.copyOf(parts);
    }

    /** Splits a fingerprint; empty for a text that is none. */
    public static Optional<Fingerprint> of(String text) {
        Matcher form = FORM.matcher(text);
        if (!form.matches()) {
            return Optional.empty();
        }
        Map<Fact, String> parts = Map.of(
                Fact.PRODUCT, form.group(2),
                Fact.DEVICE, form.group(3),
                Fact.OS_VERSION, form.group(4),
                Fact.BUILD_ID, form.group(5),
                Fact.INCREMENTAL, form.group(6),
                Fact.BUILD_TYPE, form.group(7),
                Fact.BUILD_TAGS, form.group(8));
        List<Segment> segments = new ArrayList<>();
        for (int i = 0; i < LABELS.size(); i++) {
            segments.add(new Segment(form.group(i + 1), LABELS.get(i), meaning(form.group(i + 1)), Role.OTHER));
            if (i < MARKS.size()) {
                segments.add(Segment.mark(MARKS.get(i)));
            }
        }
        return Optional.of(new Fingerprint(text, parts, new Ruler("Fingerprint", text, segments)));
    }

    private static String meaning(String part) {
        return switch (part) {
            case "user" -> "as sold";
            case "userdebug", "eng" -> "for developers";
            case "release-keys" -> "signed by the maker";
            case "test-keys", "dev-keys" -> "not the maker's keys";
            default -> "";
        };
    }
}
