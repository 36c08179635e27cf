package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.LoggerContext;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.slf4j.Logger;

/** What the program tells of itself and of its computer. */
class ProgramTest {
    @TempDir
    private Path top;

    /** Numbers from the documentation ranges: RFC 5737, RFC 7042, RFC 2606; the phone's identity is the example of 3GPP TS 23.003 (from memory). */
    @Test
    void whatTellsOfAPersonIsTakenOutOfTheLog() throws Exception {
        Path log = Files.writeString(top.resolve("mobrak.log"), """
                2026-11-27 INFO Looking at Grandmother's, grey
                2026-11-27 WARN /home/frieda/phones/logbook.db is locked for frieda, not for friedas
                2026-11-27 WARN serial KQ00SERIAL7 imei 490154203237518 mac 00:00:5E:00:53:AF
                2026-11-27 WARN asked 192.0.2.17, wrote to frieda.b@example.org at 12:30:45.123
                """);
        String told = new LogText("/home/frieda", "frieda").of(log, List.of("Grandmother's, grey", "KQ00SERIAL7"));
        assertThat(told).isEqualTo("""
                2026-11-27 INFO Looking at (name)
                2026-11-27 WARN ~/phones/logbook.db is locked for (user), not for friedas
                2026-11-27 WARN serial (name) imei (number) mac (number)
                2026-11-27 WARN asked (number), wrote to (number) at 12:30:45.123
                """);
        assertThat(new LogText("", "").of(top.resolve("none.log"), List.of())).isEmpty();
        Files.writeString(log, "x".repeat(150_000) + "\n" + "y".repeat(100_000) + "\nlast\n");
        assertThat(new LogText("", "").of(log, List.of()))
                .as("whole lines, no more than can be read")
                .startsWith("y")
                .endsWith("last\n")
                .hasSizeLessThan(200_001);
    }

    @Test
    void whatThePartsHaveToSayIsALineInTheLog() throws Exception {
        Path log = top.resolve("state/mobrak.log");
        LogFile provider = new LogFile(log);
        provider.initialize();
        Logger part = provider.getLoggerFactory().getLogger("org.mobrak.app.Session");
        part.debug("too small to be told");
        part.warn("The lock could not be given back", new IOException("no room"));
        assertThat(Files.readString(log))
                .containsPattern(
                        "^\\d{4}-\\d\\d-\\d\\dT[0-9:.]+Z WARN  org.mobrak.app.Session The lock could not be given back\n")
                .contains("java.io.IOException: no room", "\tat ")
                .doesNotContain("too small");
        ((LoggerContext) provider.getLoggerFactory()).stop();
    }

    @Test
    void aDarkComputerIsKnownByItsToolkitsSettings() throws Exception {
        assertThat(SystemLook.isDark(top, Map.of())).as("nothing is said").isFalse();
        assertThat(SystemLook.isDark(top, Map.of("GTK_THEME", "Plain:dark"))).isTrue();
        Path settings = Files.createDirectories(top.resolve(".config/gtk-3.0")).resolve("settings.ini");
        Files.writeString(settings, "[Settings]\ngtk-application-prefer-dark-theme=1\n");
        assertThat(SystemLook.isDark(top, Map.of())).isTrue();
        Files.writeString(settings, "[Settings]\ngtk-theme-name=Plain\n");
        assertThat(SystemLook.isDark(top, Map.of())).isFalse();
        assertThat(SystemLook.isDark(
                        top, Map.of("XDG_CONFIG_HOME", top.resolve("other").toString())))
                .isFalse();
    }
}
