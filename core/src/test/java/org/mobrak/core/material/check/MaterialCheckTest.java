package org.mobrak.core.material.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
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
            "buildNumber=LN2-F09-131022",
            "patchLevel=2016-10-01",
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
        catalogue = Sample.shipped();
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
        "4.1.2, 2016-09, present, older-with-rollback-fuse",
        "4.1.2, 2016-10, present, ''",
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
                        "patchLevel=2016-10-01",
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
        assertThat(codes(used(needed("p.tar")))).containsExactly("holds-more", "build-not-listed");
        assertThat(codes(looked(LANTERN))).containsExactly("writes-bootloader");
        writes = List.of(write("recovery", PartitionClass.RECOVERY), write("boot", PartitionClass.KERNEL));
        assertThat(used(needed("p.tar")))
                .extracting(finding -> finding.severity().word())
                .containsExactly("caution");
        writes = List.of(write("boot", PartitionClass.KERNEL));
        assertThat(codes(used(needed("p.tar")))).contains("writes-something-else");
        writes = List.of(write("tweak", PartitionClass.UNKNOWN), write("recovery", PartitionClass.RECOVERY));
        assertThat(codes(used(needed("p.tar")))).containsExactly("unknown-partition", "build-not-listed");
    }

    /** What is in the file decides by which school its route is judged, unless the user chose one. */
    @Test
    void whatCanBrickForGoodMustBeMadeForTheExactBuild() {
        NeededFile radio = needed("p.tar", PartitionClass.RADIO, Map.of());
        writes = List.of(write("radio", PartitionClass.RADIO));
        Route other =
                Sample.route("r").target("OV-L210F", "4.1.2", "LN2-F08-130611").making(Map.of());
        assertThat(used(radio, other, Optional.empty())).first().satisfies(first -> {
            assertThat(first.code()).isEqualTo("build-not-listed");
            assertThat(first.severity()).isEqualTo(Severity.STOP);
            assertThat(first.message()).contains("the radio “radio”", "LN2-F09-131022 is not listed");
        });
        assertThat(used(radio, other, Optional.of(School.PRACTICAL)))
                .extracting(Finding::severity)
                .containsExactly(Severity.CAUTION);
        Route own = Sample.route("r").target("OV-L210F", "4.1.2", "LN2-F0*").making(Map.of());
        assertThat(codes(used(radio, own, Optional.empty()))).containsExactly("build-listed");
        assertThat(codes(used(radio, own, Optional.of(School.EXACT))))
                .as("the route itself was judged so")
                .isEmpty();
        writes = List.of(write("recovery", PartitionClass.RECOVERY));
        assertThat(codes(used(needed("p.tar"), other, Optional.empty()))).isEmpty();
    }

    @Test
    void theKernelInItIsTheOneTheRouteSays() {
        banner = "Linux version 3.0.31-key-r2 (a@b) (gcc version 4.7) #9 SMP Sun Dec 1 18:20:11 UTC 2013";
        osVersion = "4.1.2";
        Map<Fact, String> said = Map.of(
                Fact.KERNEL_RELEASE, "3.0.31-key-r2", Fact.KERNEL_BUILT, "2013-12-01", Fact.PATCH_LEVEL, "2016-10");
        assertThat(codes(used(needed("p.tar", said)))).containsExactly("as-the-route-says", "as-the-route-says");
        NeededFile older = needed("p.tar", Map.of(Fact.KERNEL_BUILT, "2013-11-30"));
        assertThat(used(older)).first().satisfies(first -> {
            assertThat(first.code()).isEqualTo("not-what-the-route-says");
            assertThat(first.message()).contains("its file holds 2013-11-30; this one holds 2013-12-01");
        });
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
        NeededFile needed =
                Sample.file(name, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(keep), Map.of());
        assertThat(codes(used(needed))).isEqualTo(code.isEmpty() ? List.of() : List.of(code));
    }

    @Test
    void sizeAndDigestAreHeldAgainstTheRoute() {
        assertThat(codes(used(digests(10, "aa".repeat(32))))).containsExactly("digest-right");
        assertThat(codes(used(digests(10, "bb".repeat(32))))).containsExactly("digest-mismatch");
        assertThat(codes(used(digests(11, "aa".repeat(32))))).containsExactly("size-mismatch", "digest-right");
    }

    private static NeededFile digests(long bytes, String sha256) {
        return Sample.file(
                "p.tar", Optional.of(bytes), Optional.of(sha256), Optional.empty(), Optional.empty(), Map.of());
    }

    private static NeededFile needed(String name) {
        return needed(name, Map.of());
    }

    private static NeededFile needed(String name, Map<Fact, String> holds) {
        return needed(name, PartitionClass.RECOVERY, holds);
    }

    private static NeededFile needed(String name, PartitionClass partition, Map<Fact, String> holds) {
        return Sample.file(name, Optional.empty(), Optional.empty(), Optional.of(partition), Optional.empty(), holds);
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
        return MaterialCheck.of(Use.lookedAt(material(), against(facts, Optional.empty())));
    }

    private List<Finding> used(NeededFile needed) {
        return used(needed, Sample.route("r").making(Map.of()), Optional.empty());
    }

    private List<Finding> used(NeededFile needed, Route route, Optional<School> school) {
        return MaterialCheck.of(new Use(material(), against(LANTERN, school), Optional.of(route), Optional.of(needed)));
    }

    private CheckContext against(Facts facts, Optional<School> school) {
        return new CheckContext(facts, catalogue, school);
    }

    private static List<String> codes(List<Finding> findings) {
        return findings.stream().map(Finding::code).toList();
    }
}
