package org.mobrak.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

/** The script from which all starts, in places that somebody else prepared; programs it calls are stand-ins that write down their call. */
@EnabledOnOs(OS.LINUX)
class ScriptTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    private Path top;

    private Path temporary;

    @BeforeEach
    void begin() throws IOException {
        temporary = Files.createDirectories(top.resolve("tmp"));
        Path bin = Files.createDirectories(top.resolve("bin"));
        for (String program : List.of("mvn", "java", "javac")) {
            Path file = Files.writeString(
                    bin.resolve(program),
                    "#!/bin/sh\nprintf '%s %s\\n' " + program + " \"$*\" >> '" + top + "/called'\n");
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
        }
    }

    private String run(Path checkout, Map<String, String> environment, String... arguments) throws Exception {
        ProcessBuilder builder = new ProcessBuilder(
                Stream.concat(Stream.of("bash", checkout.resolve("mobrak").toString()), Stream.of(arguments))
                        .toList());
        builder.environment().keySet().removeIf(name -> name.equals("HOME") || name.startsWith("XDG_"));
        builder.environment().putAll(environment);
        builder.environment().put("TMPDIR", temporary.toString());
        builder.environment().put("PATH", top.resolve("bin") + ":" + System.getenv("PATH"));
        Process process = builder.redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    /** As much of a checkout as the script looks at, built. */
    private Path checkout(String name) throws IOException {
        Path folder = Files.createDirectories(top.resolve(name));
        Files.copy(HOME.resolve("mobrak"), folder.resolve("mobrak"));
        Files.createDirectories(folder.resolve("packaging"));
        Files.writeString(folder.resolve("packaging/commands"), "identify\n");
        Files.createDirectories(folder.resolve("docs/schema"));
        Files.writeString(folder.resolve("docs/schema/route.json"), "{}");
        Files.writeString(folder.resolve("pom.xml"), "<project/>");
        for (String module : List.of("core", "link", "app", "cli", "desktop")) {
            Files.createDirectories(folder.resolve(module + "/src/main"));
            Files.createDirectories(folder.resolve(module + "/target/lib"));
            Files.writeString(folder.resolve(module + "/pom.xml"), "<project/>");
        }
        Files.writeString(folder.resolve("cli/src/main/Own.java"), "class Own {}");
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path one : all.toList()) {
                Files.setLastModifiedTime(one, FileTime.from(Instant.parse("2026-01-01T00:00:00Z")));
            }
        }
        Path stamp = Files.createFile(folder.resolve("desktop/target/built"));
        Files.setLastModifiedTime(stamp, FileTime.from(Instant.parse("2026-01-02T00:00:00Z")));
        return folder;
    }

    private String called() throws IOException {
        return Files.readString(top.resolve("called"));
    }

    @Test
    void aFolderOfTheTemporaryPlaceIsUsedOnlyWhereItIsOnesOwn() throws Exception {
        Path checkout = checkout("checkout");
        String user = Files.getAttribute(temporary, "unix:uid").toString();
        Path own = temporary.resolve("mobrak-" + user);
        run(checkout, Map.of(), "help");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(own)))
                .isEqualTo("rwx------");
        assertThat(own.resolve(".cache/mobrak")).isDirectory();

        try (Stream<Path> all = Files.walk(own)) {
            for (Path one : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.delete(one);
            }
        }
        Path theirs = Files.createDirectories(top.resolve("theirs"));
        Files.createSymbolicLink(own, theirs);
        run(checkout, Map.of(), "help");
        assertThat(theirs).as("a link that somebody laid").isEmptyDirectory();
        try (Stream<Path> made = Files.list(temporary)) {
            assertThat(made).anyMatch(folder -> folder.getFileName().toString().startsWith("mobrak-own-"));
        }
    }

    @Test
    void aColonInHomeAndCheckoutAtOnceStaysOutOfTheClassPath() throws Exception {
        Path home = Files.createDirectories(top.resolve("ho:me"));
        run(checkout("check:out"), Map.of("HOME", home.toString()), "identify", "x");
        assertThat(called()).contains(" identify x").doesNotContain("mvn");
        assertThat(called().lines())
                .allSatisfy(call -> assertThat(call.replaceAll("-Dmobrak\\.(?:cache|data|log)=\\S+", ""))
                        .doesNotContain("check:out")
                        .doesNotContain("ho:me"));
    }

    @Test
    void onlyASourceThatIsNewerSetsOffABuild() throws Exception {
        Path checkout = checkout("checkout");
        Path home = Files.createDirectories(top.resolve("home"));
        Path elsewhere = Files.createDirectories(top.resolve("elsewhere"));
        Files.writeString(elsewhere.resolve("New.java"), "class New {}");
        FileTime before = Files.getLastModifiedTime(checkout.resolve("cli/src/main"));
        Files.createSymbolicLink(checkout.resolve("cli/src/main/linked"), elsewhere);
        Files.setLastModifiedTime(checkout.resolve("cli/src/main"), before);
        run(checkout, Map.of("HOME", home.toString()), "identify", "x");
        assertThat(called()).as("through a link").doesNotContain("mvn");
        Files.writeString(checkout.resolve("cli/src/main/Own.java"), "class Own { }");
        run(checkout, Map.of("HOME", home.toString()), "identify", "x");
        assertThat(called()).contains("mvn ");
        assertThat(Files.getPosixFilePermissions(home.resolve(".cache/mobrak"))).hasSize(3);
    }
}
