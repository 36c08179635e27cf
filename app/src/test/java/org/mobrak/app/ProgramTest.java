package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.LoggerContext;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
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

    /**
     * Shapes that tell one phone, card, computer or person from all others, as standards and labels write them: 3GPP TS 23.003 (IMEI,
     * IMSI), 3GPP2 C.S0072 (MEID), ITU-T E.118 (cards), E.123 and E.164 (telephone numbers), IEEE 802 (MAC), RFC 791, 4291, 5952, 5322,
     * 9562, ISO 6709; serial numbers as makers print them have no standard. {@code #} is a figure, {@code A} a capital, {@code H}
     * and {@code h} hexadecimal.
     */
    private static final List<String> SHAPES = List.of(
            // phone identities
            "##-######-######-#",
            "##-######-######-##",
            "###############",
            "################",
            "## ###### ###### #",
            "######-##-######-#",
            "###### ## ###### #",
            "A0######hh####",
            "A0 ###### ######",
            "A##########HHH",
            "### ### ### ### ### ##",
            "imei=###############",
            "IMEI2: ##-######-######-#",
            "[gsm.imei]: [###############]",
            // cards and subscribers
            "89############## ####",
            "89## #### #### #### ###",
            "89##-####-####-####-###",
            "###################",
            "####################",
            "26 201 ##########",
            "26201##########",
            "262-01-##########",
            "EID ################################",
            "iccid:89#################",
            // telephone numbers
            "+49 30 #######",
            "+49 (0)30 #######",
            "+1-###-###-####",
            "(###) ###-####",
            "###.###.####",
            "0049 ### #######",
            "+4930#######",
            "030/#######",
            "030 - ## ## ## ##",
            "+44 20 #### ####",
            "+33 # ## ## ## ##",
            "tel:+1##########",
            "0### #######",
            // nets
            "HH:HH:HH:HH:HH:HH",
            "hh:hh:hh:hh:hh:hh",
            "HH-HH-HH-HH-HH-HH",
            "hhhh.hhhh.hhhh",
            "HH HH HH HH HH HH",
            "#hhhhhhhhh##",
            "1##.##.#.##",
            "10.#.#.##:5555",
            "192.168.#.#",
            "2001:db8::h###",
            "fe80::#hhh:hhhh:hhhh:hhhh%wlan0",
            "2001:0db8:hhhh:hhhh:hhhh:hhhh:hhhh:hhhh",
            "::ffff:192.0.2.#",
            "fd##:hhhh:hhhh::1",
            // programs and people
            "hhhhhhhh-hhhh-4hhh-ahhh-hhhhhhhhhhhh",
            "HHHHHHHH-HHHH-4HHH-8HHH-HHHHHHHHHHHH",
            "aaaa.aaaa@example.org",
            "aaaa+##@example.net",
            "aaaa@aaaa-laptop",
            "/home/aaaaa",
            "/Users/aaaaa",
            "C:\\Users\\aaaaa",
            "##.######, ##.######",
            "-##.####;+##.####",
            // serial numbers
            "A##A###AAAA",
            "AA##########",
            "#h#h#h#h#h#h#h#h",
            "##AA##AAAA",
            "AAA####A###",
            "###AAAAA####",
            "A##AA####AA",
            "#A###A#####",
            "serial=AAAAAAAA",
            "serial: ########",
            "S/N: A#A#A#",
            "SN#AAAA",
            "serialno=aaaa##",
            "AA##-####-AA##",
            "[ro.serialno]: [#hhhhhhh]",
            "A#A#A#A#",
            "AB##-CD##-EF##");

    /** At least 99 of 100; what a log is for must stay. */
    @Test
    void shapesOfNumbersThatTellAPersonAreTakenOut() {
        Random random = new Random(12);
        LogText text = new LogText("/home/frieda", "frieda");
        List<String> left = new ArrayList<>();
        int tried = 0;
        for (String shape : SHAPES) {
            for (String around : List.of("read %s from it", "(%s)", "the phone “%s”, again")) {
                String secret = filled(shape, random);
                String told = text.withoutPersons(around.formatted(secret), List.of());
                String core = secret.replaceAll("^(?:/home/|/Users/|C:.Users.|.*[=\\]:#] ?\\[?|EID )(?=\\w{3})", "")
                        .replaceAll("]$", "");
                tried++;
                if (told.contains(core)) {
                    left.add(secret + " in " + told);
                }
            }
        }
        assertThat(tried).isGreaterThan(200);
        assertThat(left).hasSizeLessThan(tried / 100 + 1);
        String needed = """
                2026-12-02T03:11:55.123Z WARN  o.m.app.Session The lock could not be given back at 03:11:55
                java.io.IOException: no room for 208000 bytes on 2026-12-02
                \tat org.mobrak.core.material.Sha256Digest$1.run(Sha256Digest.java:123) ~[mobrak-core-0.1.0.jar]
                \tat java.base/java.util.concurrent.ForkJoinPool.runWorker(ForkJoinPool.java:1623)
                [SQLITE_CONSTRAINT_NOTNULL] utf8 base64 x86_64 step do-12 exit 139 0.51 s
                """;
        assertThat(text.withoutPersons(needed, List.of())).isEqualTo(needed);
    }

    private static String filled(String shape, Random random) {
        if (shape.endsWith("aaaaa")) {
            return shape;
        }
        String letters = "GHJKMNPRSTVWXYZ";
        return shape.chars()
                .mapToObj(one -> switch (one) {
                    case '#' -> String.valueOf(1 + random.nextInt(9));
                    case 'A' -> String.valueOf(letters.charAt(random.nextInt(letters.length())));
                    case 'H' -> String.valueOf("0123456789ABCDEF".charAt(random.nextInt(16)));
                    case 'h' -> String.valueOf("0123456789abcdef".charAt(random.nextInt(16)));
                    default -> String.valueOf((char) one);
                })
                .collect(Collectors.joining());
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
