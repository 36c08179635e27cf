package org.mobrak.core.mend.patch;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Finding;

/**
 * What became of a change.
 *
 * @param line the number of the line, from 1, where one decides
 * @param before the whole line, without its end
 * @param after the same as it stands afterwards
 * @param places every line where the key stands as a property
 * @param bytes the whole file as it is to be; only where it is otherwise
 * @param diff the difference as a unified diff, to be applied and undone; the names in its head are the caller's
 */
public record PropertyPatch(
        PropertyChange change,
        Status status,
        Optional<Integer> line,
        Optional<String> before,
        Optional<String> after,
        List<Integer> places,
        Optional<byte[]> bytes,
        Optional<UnifiedDiff> diff,
        List<Finding> findings) {
    public PropertyPatch {
        places = List.copyOf(places);
        findings = List.copyOf(findings);
    }

    /** What became of it; the words are for programs. */
    public enum Status {
        /** The value was found as expected, and {@link PropertyPatch#bytes()} hold the other. */
        PATCHED("patched"),
        /** The new value stands there. */
        ALREADY("already"),
        /** The key stands nowhere as a property. */
        MISSING("missing"),
        /** The key stands more than once, and which one counts differs from phone to phone. */
        TWICE("twice"),
        /** Another value stands there. */
        UNEXPECTED("unexpected"),
        /** The file is none. */
        NOT_PROPERTIES("not-properties");

        private final String word;

        Status(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** Holds a file against a change. */
    public static PropertyPatch of(PropertyFile file, PropertyChange change) {
        return new Patching(file, change).run();
    }

    /** One file and one change. */
    private static final class Patching {
        private final PropertyFile file;
        private final PropertyChange change;
        private final byte[] bytes;

        Patching(PropertyFile file, PropertyChange change) {
            this.file = file;
            this.change = change;
            this.bytes = file.bytes();
        }

        PropertyPatch run() {
            Optional<String> objection = file.objection();
            if (objection.isPresent()) {
                return ended(
                        Status.NOT_PROPERTIES,
                        List.of(),
                        List.of(Finding.stop("not-properties", objection.get() + " Nothing was changed.")));
            }
            PropertyLines.Found found = new PropertyLines(bytes).find(change.key());
            PatchFindings findings = new PatchFindings(file, change, found);
            List<PropertyLines.Live> live = found.live();
            if (live.isEmpty()) {
                return ended(Status.MISSING, live, findings.missing());
            }
            if (live.size() > 1) {
                return ended(Status.TWICE, live, findings.twice());
            }
            return one(live.get(0), findings);
        }

        private PropertyPatch one(PropertyLines.Live live, PatchFindings findings) {
            byte[] now =
                    Arrays.copyOfRange(bytes, live.valueStart(), live.line().end());
            if (Arrays.equals(now, utf8(change.value()))) {
                return ended(Status.ALREADY, List.of(live), findings.ofFile(live));
            }
            if (!Arrays.equals(now, utf8(change.expected()))) {
                String text = PropertyFile.text(now, 0, now.length);
                return ended(Status.UNEXPECTED, List.of(live), findings.unexpected(live, text));
            }
            byte[] patched = join(live);
            String before = whole(live);
            String after = PropertyFile.text(bytes, live.line().start(), live.valueStart()) + change.value();
            return new PropertyPatch(
                    change,
                    Status.PATCHED,
                    Optional.of(live.line().number()),
                    Optional.of(before),
                    Optional.of(after),
                    List.of(live.line().number()),
                    Optional.of(patched),
                    Optional.of(UnifiedDiff.ofOneLine(bytes, patched, live.line())),
                    findings.patched(live));
        }

        private PropertyPatch ended(Status status, List<PropertyLines.Live> live, List<Finding> findings) {
            Optional<PropertyLines.Live> first = live.stream().findFirst();
            Optional<String> before = first.map(this::whole);
            return new PropertyPatch(
                    change,
                    status,
                    first.map(one -> one.line().number()),
                    before,
                    status == Status.ALREADY ? before : Optional.empty(),
                    live.stream().map(one -> one.line().number()).toList(),
                    Optional.empty(),
                    Optional.empty(),
                    findings);
        }

        private String whole(PropertyLines.Live live) {
            return PropertyFile.text(bytes, live.line().start(), live.line().end());
        }

        private byte[] join(PropertyLines.Live live) {
            ByteArrayOutputStream all =
                    new ByteArrayOutputStream(bytes.length + change.value().length());
            all.write(bytes, 0, live.valueStart());
            all.writeBytes(utf8(change.value()));
            all.write(bytes, live.line().end(), bytes.length - live.line().end());
            return all.toByteArray();
        }

        private static byte[] utf8(String text) {
            return text.getBytes(StandardCharsets.UTF_8);
        }
    }
}
