package org.mobrak.core.material.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.CatalogueLoader;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.NeededFile;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Digests;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.Write;

/** Is this the right file for this phone and this route? The phone is a Lantern 2 of the demo, its sister the quad-core one. */
class MaterialCheckTest {
    private static final Facts LANTERN = facts(
            "model=OV-L210F",
            "device=lantern2",
            "osVersion=4.1.2",
            "patchLevel=2013-10-01",
            "kernelRelease=3.0.31-412087",
            "kernelBuilt=2013-10-22T09:31:04Z");

    private Catalogue catalogue;
    private FileKind kind = FileKind.TAR;
    private List<String> devices = List.of();
    private List<Write> writes = List.of();
    private String banner = "";
    private String osVersion = "";
    private String patchLevel = "";
    private String board = "";

    @BeforeEach
    void loadTheShippedCatalogue() throws IOException {
        catalogue = CatalogueLoader.load(Path.of(System.getProperty("mobrak.home"), "catalogue"))
                .catalogue();
    }

    @Test
    void theSistersFileIsAStopAndNamesTheSister() {
        devices = List.of("lantern2q");
        assertThat(looked(LANTERN)).first().satisfies(first -> {
            assertThat(first.code()).isEqualTo("sister-variant");
            assertThat(first.message()).contains("OV-L215");
        });
        devices = List.of("LANTERN2", "lantern2q");
        assertThat(codes(looked(LANTERN))).containsExactly("right-device");
        devices = List.of("stranger");
        assertThat(codes(looked(LANTERN))).containsExactly("other-device");
        assertThat(codes(looked(facts()))).containsExactly("device-unknown");
        devices = List.of();
        board = "lantern2q";
        assertThat(codes(looked(LANTERN))).containsExactly("sister-variant");
    }

    @ParameterizedTest
    @CsvSource({
        "4.0.4, '', '', older-than-phone",
        "4.0.4, '', present, older-with-rollback-fuse",
        "4.1.2, 2013-09, present, older-with-rollback-fuse",
        "4.1.2, 2013-10, present, ''",
        "4.2, '', present, newer-than-phone"
    })
    void anOlderImageIsAStopWhereThereIsAFuse(String os, String patch, String fuse, String code) {
        osVersion = os;
        patchLevel = patch;
        List<String> said = codes(looked(with(LANTERN, "rollbackFuse", fuse)));
        assertThat(said).isEqualTo(code.isEmpty() ? List.of() : List.of(code));
    }

    private static Facts with(Facts facts, String key, String value) {
        return value.isEmpty()
                ? facts
                : facts(
                        "model=OV-L210F",
                        "device=lantern2",
                        "osVersion=4.1.2",
                        "patchLevel=2013-10-01",
                        key + "=" + value);
    }

    @Test
    void aKernelOfAnotherLineOrAge() {
        banner = "Linux version 3.4.0-x (a@b) (gcc version 4.7) #1 SMP Mon Jan 6 10:00:00 UTC 2014";
        assertThat(codes(looked(LANTERN))).containsExactly("other-kernel-line");
        banner = "Linux version 3.0.31-old (a@b) (gcc version 4.7) #1 SMP Mon Jan 7 10:00:00 UTC 2013";
        assertThat(codes(looked(LANTERN))).containsExactly("older-kernel");
        banner = "Linux version 3.0.31-412087 (a@b) (gcc version 4.4) #1 SMP Tue Oct 22 09:31:04 UTC 2013";
        assertThat(codes(looked(LANTERN))).containsExactly("same-kernel");
    }

    @Test
    void aPackageThatHoldsMoreThanTheRouteSays() {
        writes = List.of(write("recovery", PartitionClass.RECOVERY), write("loader", PartitionClass.BOOTLOADER));
        assertThat(codes(used(needed("p.tar")))).containsExactly("holds-more");
        assertThat(codes(looked(LANTERN))).containsExactly("writes-bootloader");
        writes = List.of(write("recovery", PartitionClass.RECOVERY), write("boot", PartitionClass.KERNEL));
        assertThat(used(needed("p.tar")))
                .extracting(finding -> finding.severity().word())
                .containsExactly("caution");
        writes = List.of(write("boot", PartitionClass.KERNEL));
        assertThat(codes(used(needed("p.tar")))).contains("writes-something-else");
        writes = List.of(write("tweak", PartitionClass.UNKNOWN), write("recovery", PartitionClass.RECOVERY));
        assertThat(codes(used(needed("p.tar")))).containsExactly("unknown-partition");
    }

    @ParameterizedTest
    @CsvSource({
        "p.tar, false, ZIP, still-packed",
        "p.tar, false, GZIP, still-packed",
        "p.tar, false, TAR, ''",
        "p.zip, true, UPDATE_ZIP, ''",
        "p.zip, true, TAR, not-zipped",
        "p.zip, false, ZIP, ''"
    })
    void zippedAndUnzipped(String name, boolean keep, FileKind found, String code) {
        kind = found;
        NeededFile needed = new NeededFile(
                name,
                "Package",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(keep),
                Optional.empty());
        assertThat(codes(used(needed))).isEqualTo(code.isEmpty() ? List.of() : List.of(code));
    }

    @Test
    void sizeAndDigestAreHeldAgainstTheRoute() {
        assertThat(codes(used(digests(10, "aa".repeat(32))))).containsExactly("digest-right");
        assertThat(codes(used(digests(10, "bb".repeat(32))))).containsExactly("digest-mismatch");
        assertThat(codes(used(digests(11, "aa".repeat(32))))).containsExactly("size-mismatch", "digest-right");
    }

    private static NeededFile digests(long bytes, String sha256) {
        return new NeededFile(
                "p.tar",
                "Package",
                Optional.of(bytes),
                Optional.empty(),
                Optional.empty(),
                Optional.of(sha256),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static NeededFile needed(String name) {
        return new NeededFile(
                name,
                "Package",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of("RECOVERY"),
                Optional.of(PartitionClass.RECOVERY),
                Optional.empty(),
                Optional.empty());
    }

    private static Write write(String partition, PartitionClass kind) {
        return new Write(partition, kind, "the member " + partition);
    }

    private Material material() {
        Optional<String> line = Optional.of(banner).filter(text -> !text.isEmpty());
        return new Material(
                "p.tar",
                10,
                kind,
                new Digests(Map.of(Digest.SHA256, "aa".repeat(32))),
                devices,
                writes,
                line,
                line.map(text -> text.split(" ")[2]),
                Optional.of(osVersion).filter(text -> !text.isEmpty()),
                Optional.of(patchLevel).filter(text -> !text.isEmpty()),
                board,
                List.of("p.tar"),
                List.of());
    }

    private List<Finding> looked(Facts facts) {
        return MaterialCheck.of(Use.lookedAt(material(), facts, catalogue));
    }

    private List<Finding> used(NeededFile needed) {
        Route route = Sample.route("r").making(Map.of());
        return MaterialCheck.of(new Use(material(), LANTERN, catalogue, Optional.of(route), Optional.of(needed)));
    }

    private static List<String> codes(List<Finding> findings) {
        return findings.stream().map(Finding::code).toList();
    }
}
