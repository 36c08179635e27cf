package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Checksum;
import org.mobrak.core.logbook.Output;
import org.mobrak.core.mend.patch.PropertyChange;
import org.mobrak.core.mend.patch.PropertyFile;
import org.mobrak.core.mend.patch.PropertyLine;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.core.mend.patch.UnifiedDiff;

/** A property file, a change, and what came of it; writes only where it is told to. */
public final class PropertyEdit {
    private final String name;
    private final byte[] before;
    private final Optional<PropertyPatch> patch;

    private PropertyEdit(String name, byte[] before, Optional<PropertyPatch> patch) {
        this.name = name;
        this.before = before;
        this.patch = patch;
    }

    /** Reads the file. */
    public static PropertyEdit open(Path file) throws IOException {
        byte[] bytes = BoundedFile.read(file, PropertyFile.MOST_BYTES, "give the property file in it.");
        return new PropertyEdit(String.valueOf(file.getFileName()), bytes, Optional.empty());
    }

    /** A text from the clipboard, or a file off a phone. */
    public static PropertyEdit of(String name, byte[] bytes) {
        return new PropertyEdit(name, bytes, Optional.empty());
    }

    /** The file as it was opened. */
    public byte[] bytes() {
        return before.clone();
    }

    /** The same file held against a change. */
    public PropertyEdit with(PropertyChange change) {
        return new PropertyEdit(name, before, Optional.of(PropertyPatch.of(PropertyFile.of(before), change)));
    }

    /** What would come of a change; empty where no line could hold it. */
    public Optional<PropertyPatch.Status> tried(String key, String value, String expected) {
        try {
            return with(PropertyChange.parse(key + "=" + value, expected))
                    .patch()
                    .map(PropertyPatch::status);
        } catch (Refusal impossible) {
            return Optional.empty();
        }
    }

    public String name() {
        return name;
    }

    /** Its lines, the first so many; none of what is no property file. */
    public List<PropertyLine> lines(int most) {
        PropertyFile file = PropertyFile.of(before);
        return file.objection().isPresent() ? List.of() : file.lines(most);
    }

    /** Why it is no property file; empty where it is one. */
    public Optional<String> objection() {
        return PropertyFile.of(before).objection();
    }

    /** What came of the change; empty until one was asked for. */
    public Optional<PropertyPatch> patch() {
        return patch;
    }

    public String sha256Before() {
        return Checksum.of(before);
    }

    /** Of what is to stand there afterwards, or stands there already; empty where nothing comes of it. */
    public Optional<String> sha256After() {
        return patch.filter(one -> one.status() == PropertyPatch.Status.ALREADY)
                .map(one -> sha256Before())
                .or(() -> patch.flatMap(PropertyPatch::bytes).map(Checksum::of));
    }

    /** Two files that may not be one: what is written last would be all that is left. */
    public static void checkApart(Path file, Optional<Path> out, Path diff) throws Refusal {
        if (isSame(file, diff) || out.isPresent() && isSame(out.get(), diff)) {
            throw new Refusal("--diff names the same file as FILE or --out; give it one of its own.");
        }
    }

    private static boolean isSame(Path first, Path second) {
        try {
            return Files.isSameFile(first, second);
        } catch (IOException notThere) {
            return first.toAbsolutePath()
                    .normalize()
                    .equals(second.toAbsolutePath().normalize());
        }
    }

    /** Writes the file as it is to be; it is whole or as before, whatever happens. Nothing to change, nothing written. */
    public void writeTo(Path out) throws IOException {
        Optional<byte[]> bytes = patch.flatMap(PropertyPatch::bytes);
        if (bytes.isPresent()) {
            Output.write(out, bytes.get());
        }
    }

    /** Writes the difference as a unified diff. */
    public void writeDiff(Path out) throws IOException {
        Optional<UnifiedDiff> diff = patch.flatMap(PropertyPatch::diff);
        if (diff.isPresent()) {
            Output.write(out, diff.get().of("a/" + name, "b/" + name));
        }
    }
}
