package org.mobrak.link.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Trailer;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.Write;
import org.mobrak.core.material.reader.Inspector;

/** The bench's files are read by the readers of real files, which know nothing of the bench. */
class MadeFilesTest {
    @TempDir
    private Path folder;

    private static NeededFile wanted(String name, PartitionClass where) {
        Optional<String> none = Optional.empty();
        return new NeededFile(
                name,
                "Package",
                Optional.empty(),
                none,
                none,
                none,
                none,
                Optional.of(where).filter(one -> one != PartitionClass.APP),
                Optional.empty(),
                none,
                none,
                Map.of(Fact.KERNEL_RELEASE, "3.4.5-made"));
    }

    private Inspection read(String name, byte[] bytes) throws IOException {
        Path file = Files.write(folder.resolve(name), bytes);
        return new Inspector(folder, Runnable::run, PartitionNames.usual())
                .inspect(file, EnumSet.allOf(Digest.class), Watch.NONE);
    }

    @ParameterizedTest
    @CsvSource({
        "rec.tar, RECOVERY, tar",
        "rec.tar.md5, RECOVERY, tar-md5",
        "boot.img, KERNEL, boot-image",
        "boot.tar, KERNEL, tar",
        "loader.img, BOOTLOADER, elf",
        "loader.tar, BOOTLOADER, tar",
        "radio.tar, RADIO, tar",
        "system.zip, SYSTEM, update-zip",
        "root.zip, APP, update-zip",
        "tool.apk, APP, zip"
    })
    void eachIsOfItsKindAndWritesWhatItIsFor(String name, PartitionClass where, String kind) throws IOException {
        Inspection found = read(name, MadeFiles.of(wanted(name, where), "tern"));
        assertThat(found.root().kind().word()).isEqualTo(kind);
        assertThat(found.findings())
                .extracting(Finding::severity)
                .as("%s", found.findings())
                .doesNotContain(Severity.STOP);
        boolean raw = name.endsWith(".img") || name.endsWith(".apk");
        if (!raw && where != PartitionClass.APP) {
            assertThat(found.writes()).extracting(Write::kind).as(name).containsExactly(where);
        }
    }

    @Test
    void aKernelAndAPackageSayForWhichPhoneTheyAre() throws IOException {
        Material boot = Material.of(read("boot.img", MadeFiles.of(wanted("boot.img", PartitionClass.KERNEL), "tern")));
        assertThat(boot.board()).isEqualTo("tern");
        assertThat(boot.release()).contains("3.4.5-made");
        Material zip = Material.of(read("os.zip", MadeFiles.of(wanted("os.zip", PartitionClass.SYSTEM), "tern")));
        assertThat(zip.devices()).containsExactly("tern");
    }

    @Test
    void aTrailerIsRightAndDamageShows() throws IOException {
        byte[] whole = MadeFiles.of(wanted("rec.tar.md5", PartitionClass.RECOVERY), "tern");
        assertThat(read("rec.tar.md5", whole).trailer())
                .map(Trailer.Checked::valid)
                .contains(true);
        Inspection damaged = read("damaged.tar.md5", MadeFiles.damaged(whole));
        assertThat(damaged.trailer()).map(Trailer.Checked::valid).contains(false);
        assertThat(damaged.findings()).extracting(Finding::severity).contains(Severity.STOP);
        assertThat(whole)
                .as("the whole one is left alone")
                .isEqualTo(MadeFiles.of(wanted("rec.tar.md5", PartitionClass.RECOVERY), "tern"));
    }

    @Test
    void theSameFileHasTheSameBytesAndAnotherPhonesHasOthers() throws IOException {
        for (String name : List.of("a.tar", "a.zip", "a.img", "a.tar.md5")) {
            NeededFile file = wanted(name, PartitionClass.RECOVERY);
            assertThat(MadeFiles.of(file, "tern")).isEqualTo(MadeFiles.of(file, "tern"));
            assertThat(MadeFiles.of(file, "wren")).as(name).isNotEqualTo(MadeFiles.of(file, "tern"));
        }
        byte[] tar = MadeFiles.of(wanted("a.tar", PartitionClass.RECOVERY), "tern");
        try (TarArchiveInputStream in = new TarArchiveInputStream(new ByteArrayInputStream(tar))) {
            assertThat(in.getNextEntry().getLastModifiedTime())
                    .as("no hour of making it")
                    .isEqualTo(FileTime.fromMillis(0));
        }
    }
}
