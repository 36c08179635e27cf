package org.mobrak.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.io.ByteOrderMark;
import org.apache.commons.io.input.BOMInputStream;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.material.ChecksumList;
import org.mobrak.core.material.ChecksumList.Line;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Digests;

/** Files held against a checksum list, or against one checksum. */
public record Verification(ChecksumList list) {
    private static final long MOST_LIST_BYTES = 16 << 20;

    /**
     * What became of one file.
     *
     * @param result {@code ok}, {@code mismatch}, {@code missing}, or {@code not listed}
     */
    public record Compared(String file, String result, Optional<Line> line, Optional<String> actual) {
        Compared as(Path shown) {
            return new Compared(shown.toString(), result, line, actual);
        }

        public boolean isOk() {
            return result.equals("ok");
        }
    }

    /** One checksum as a person writes it, with blanks, colons or dashes or without. */
    public static Verification by(Digest digest, String written) throws Refusal {
        String value = written.replaceAll("[\\s:-]", "");
        if (value.length() != digest.hexDigits() || !value.matches("[0-9a-fA-F]+")) {
            throw new Refusal("--%s wants %d hexadecimal digits.".formatted(digest.word(), digest.hexDigits()));
        }
        return new Verification(
                new ChecksumList(List.of(new Line(Optional.empty(), digest, value.toLowerCase(Locale.ROOT)))));
    }

    /** The list in a file. */
    public static Verification by(Path file) throws IOException {
        try {
            if (Files.size(file) > MOST_LIST_BYTES) {
                throw tooLarge(file);
            }
            ChecksumList list = ChecksumList.parse(text(file));
            if (list.lines().isEmpty()) {
                throw new UnreadableInput(file + " holds no checksum; check that it is the list.");
            }
            return new Verification(list);
        } catch (NoSuchFileException missing) {
            throw new UnreadableInput(file + " does not exist; check the path.");
        }
    }

    /** A stray byte in a remark must not hide the lines around it. */
    private static String text(Path file) throws IOException {
        try (BOMInputStream in = BOMInputStream.builder()
                .setPath(file)
                .setByteOrderMarks(ByteOrderMark.UTF_8, ByteOrderMark.UTF_16LE, ByteOrderMark.UTF_16BE)
                .get()) {
            String charset = in.hasBOM() ? in.getBOMCharsetName() : StandardCharsets.UTF_8.name();
            // A device has no size and no end.
            byte[] bytes = in.readNBytes((int) MOST_LIST_BYTES + 1);
            if (bytes.length > MOST_LIST_BYTES) {
                throw tooLarge(file);
            }
            return new String(bytes, charset);
        }
    }

    private static UnreadableInput tooLarge(Path file) {
        return new UnreadableInput(file + " is too large to be a checksum list; check the path.");
    }

    /** The files that the list names, as they lie beside it. */
    public List<String> besideTheList(Path file) {
        Path folder = Objects.requireNonNull(file.toAbsolutePath().getParent());
        return list.lines().stream()
                .flatMap(line -> line.name().stream())
                .distinct()
                .filter(name -> name.indexOf('\0') < 0)
                .map(name -> folder.resolve(name).normalize().toString())
                .toList();
    }

    /** Reads the files; those that cannot be read are left out, since {@code material} has told of them. */
    public List<Compared> compare(List<String> named, NamedFiles material) throws IOException {
        List<Path> found = material.find(named);
        Map<Path, Digests> digests = new HashMap<>();
        material.digest(found.stream().filter(Files::exists).toList(), wanted(), digests::put);
        List<Compared> compared = new ArrayList<>();
        for (Path file : found) {
            if (Files.notExists(file)) {
                compared.add(new Compared(file.toString(), "missing", Optional.empty(), Optional.empty()));
            } else if (digests.containsKey(file)) {
                compared.add(compare(file, digests.get(file)).as(material.shown(file)));
            }
        }
        return compared;
    }

    private Set<Digest> wanted() {
        return list.lines().stream()
                .map(Line::digest)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Digest.class)));
    }

    private Compared compare(Path file, Digests digests) {
        List<Line> lines = list.of(file);
        if (lines.isEmpty()) {
            return new Compared(file.toString(), "not listed", Optional.empty(), Optional.empty());
        }
        Optional<Line> wrong = lines.stream()
                .filter(line -> !digests.agrees(line.digest(), line.value()).orElse(false))
                .findFirst();
        Line shown = wrong.orElse(lines.get(0));
        return new Compared(
                file.toString(), wrong.isPresent() ? "mismatch" : "ok", Optional.of(shown), digests.of(shown.digest()));
    }
}
