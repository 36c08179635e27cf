package org.mobrak.core.logbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.identity.UnreadableInput;

class OutputTest {
    @TempDir
    private Path top;

    @Test
    void whatWasThereStaysUntilTheNewOneIsWhole() throws IOException {
        Path file = Files.writeString(top.resolve("case.html"), "old");
        try (Output out = Output.to(file)) {
            out.stream().write("half".getBytes(StandardCharsets.UTF_8));
            assertThat(file).hasContent("old");
            assertThat(out.written().orElseThrow()).exists();
        }
        assertThat(file).as("given up").hasContent("old");
        try (var left = Files.list(top)) {
            assertThat(left).containsExactly(file);
        }
        Output.write(file, "new");
        assertThat(file).hasContent("new");
    }

    @Test
    @EnabledOnOs({OS.LINUX, OS.MAC})
    void aPipeIsWrittenToAndStaysOneALinkStaysALinkAndRightsAreAsForAnyNewFile() throws Exception {
        Path pipe = top.resolve("pipe");
        new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor();
        CompletableFuture<String> read = CompletableFuture.supplyAsync(() -> {
            try {
                return Files.readString(pipe);
            } catch (IOException broken) {
                return broken.toString();
            }
        });
        Output.write(pipe, "through it");
        assertThat(read.get(1, TimeUnit.MINUTES)).isEqualTo("through it");
        assertThat(Files.isRegularFile(pipe)).isFalse();

        Path usual = Files.createFile(top.resolve("usual.csv"));
        Path ours = top.resolve("ours.csv");
        Output.write(ours, "a,b");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(ours)))
                .isEqualTo(PosixFilePermissions.toString(Files.getPosixFilePermissions(usual)));
        Path link = Files.createSymbolicLink(top.resolve("link.csv"), usual);
        Output.write(link, "by the link");
        assertThat(link).isSymbolicLink();
        assertThat(usual).hasContent("by the link");
    }

    @Test
    void itSaysWhyNothingCanBeWrittenThere() throws IOException {
        assertThatThrownBy(() -> Output.to(top))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("is a folder; name a file in it");
        assertThatThrownBy(() -> Output.to(top.resolve("nowhere/x.ics")))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("its folder is not there");
        Path workspace = Files.createDirectories(top.resolve("own/backups")).getParent();
        Path around = Files.createSymbolicLink(top.resolve("around"), workspace);
        for (Path own :
                new Path[] {workspace.resolve("logbook.db"), workspace.resolve("backups/x"), around.resolve("x.zip")}) {
            assertThatThrownBy(() -> Output.check(workspace, own))
                    .as(own.toString())
                    .hasMessageContaining("lies in the workspace");
        }
        Output.check(workspace, top.resolve("own.zip"));
    }
}
