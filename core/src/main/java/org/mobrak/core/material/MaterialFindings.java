package org.mobrak.core.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Finding;

/** What is worth telling of any file, whatever it is for. */
public final class MaterialFindings {
    /** What people take endings for; the longer ending first. */
    private static final Map<String, List<FileKind>> ENDINGS = Map.of(
            ".tar.md5", List.of(FileKind.TAR_MD5),
            ".tar", List.of(FileKind.TAR, FileKind.TAR_MD5),
            ".zip", List.of(FileKind.ZIP, FileKind.UPDATE_ZIP),
            ".apk", List.of(FileKind.ZIP),
            ".gz", List.of(FileKind.GZIP),
            ".xz", List.of(FileKind.XZ),
            ".lz4", List.of(FileKind.LZ4));

    private static final List<String> IMAGES = List.of(".img", ".bin", ".mbn", ".img.ext4");

    private static final int MOST_ALIKE = 5;

    private MaterialFindings() {}

    /** Findings on a file and all in it. */
    public static List<Finding> of(Part root) {
        List<Finding> findings = new ArrayList<>();
        root.all().forEach(part -> {
            empty(part, part == root, findings);
            ending(part, findings);
        });
        candidates(root, findings);
        return findings;
    }

    /** The same findings with those of one kind together; of many of one kind only the first, and how many more there are. */
    public static List<Finding> few(List<Finding> findings) {
        Map<String, List<Finding>> kinds = new LinkedHashMap<>();
        findings.forEach(finding -> kinds.computeIfAbsent(finding.severity() + finding.code(), key -> new ArrayList<>())
                .add(finding));
        return kinds.values().stream().flatMap(MaterialFindings::first).toList();
    }

    private static Stream<Finding> first(List<Finding> alike) {
        if (alike.size() <= MOST_ALIKE) {
            return alike.stream();
        }
        Finding one = alike.get(0);
        String more = "%d more findings like those before.".formatted(alike.size() - MOST_ALIKE + 1);
        return Stream.concat(
                alike.stream().limit(MOST_ALIKE - 1L),
                Stream.of(new Finding(one.severity(), one.code(), more, one.sure())));
    }

    /** Packages hold empty files for good reasons; an empty image or package has none, nor has an empty download. */
    private static void empty(Part part, boolean isWhole, List<Finding> findings) {
        String name = part.name().toLowerCase(Locale.ROOT);
        boolean matters = isWhole
                || IMAGES.stream().anyMatch(name::endsWith)
                || ENDINGS.keySet().stream().anyMatch(name::endsWith);
        if (matters && part.bytes().orElse(1) == 0) {
            findings.add(Finding.stop("empty", "“%s” is empty; fetch it again.".formatted(part.name())));
        }
    }

    private static void ending(Part part, List<Finding> findings) {
        String name = part.name().toLowerCase(Locale.ROOT);
        ENDINGS.keySet().stream()
                .filter(name::endsWith)
                .max(Comparator.comparingInt(String::length))
                .filter(ending -> !Objects.requireNonNull(ENDINGS.get(ending)).contains(part.kind())
                        && part.bytes().orElse(1) != 0)
                .ifPresent(ending -> findings.add(mismatch(part, ending)));
    }

    private static Finding mismatch(Part part, String ending) {
        if (ending.equals(".tar.md5") && part.kind() == FileKind.TAR) {
            return Finding.caution(
                    "no-trailer",
                    "“%s” should end with a line that holds its md5, but it does not; it may be cut short."
                            .formatted(part.name()));
        }
        return Finding.stop(
                "not-what-its-name-says",
                "“%s” is %s, not what its name says. A download that failed often leaves a page or a piece in place of the file."
                        .formatted(part.name(), article(part.kind())));
    }

    private static String article(FileKind kind) {
        return switch (kind) {
            case UNKNOWN, TEXT, GZIP, XZ, LZ4 -> kind.label();
            case EXT4_IMAGE, UPDATE_ZIP, ELF -> "an " + kind.label();
            default -> "a " + kind.label();
        };
    }

    /** One archive with several packages in it: the wrong one is easily taken. */
    private static void candidates(Part root, List<Finding> findings) {
        root.all().filter(part -> part.kind().isZip() || part.kind().isTar()).forEach(archive -> {
            List<Part> packages = archive.inside().stream()
                    .filter(part -> part.kind().isTar() || part.kind() == FileKind.UPDATE_ZIP)
                    .toList();
            if (packages.size() > 1) {
                findings.add(Finding.caution(
                        "several-candidates",
                        "“%s” holds %d packages: %s. The source says which of them is for this phone and region."
                                .formatted(
                                        archive.name(),
                                        packages.size(),
                                        packages.stream().map(Part::plainName).collect(Collectors.joining(", ")))));
            }
        });
    }
}
