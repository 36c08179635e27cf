package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The shapes in which people put a guide: sheets of labels, counted lines, chats, questions, recordings typed out, service notes. */
class FormsTest {
    private static JsonNode read(String text) {
        Lesson lesson = new Learner()
                .learn(
                        List.of(new Learner.Source("text", text.getBytes(StandardCharsets.UTF_8))),
                        LocalDate.of(2026, 12, 1));
        assertThat(lesson.routes()).as(text).hasSize(1);
        return lesson.routes().get(0);
    }

    private static List<String> models(JsonNode route) {
        return route.at("/fits/phones").findValuesAsText("model");
    }

    private static List<String> steps(JsonNode route) {
        return route.at("/work/steps").findValuesAsText("text");
    }

    private static String needs(JsonNode route) {
        return route.at("/fits/requires").toString();
    }

    @Test
    void aSheetOfLabelsWithoutAHeadSaysWhatItIsForAndWhatNot() {
        JsonNode route = read("""
                # Petrel 5: open the loader, then root

                | | |
                |---|---|
                | Models | PT-5001, PT-5003 |
                | Not for | PT-5007, PT-5001 with Novacell firmware |
                | OS | 6.0 up to and including 6.0.1 |
                | Battery | at least 60 % |
                | Wipes | everything, at step 2 |

                1. `phonectl reboot loader`. The screen is black with an orange line.
                2. `loadctl oem unlock`, confirm on the phone with volume up.
                3. `loadctl flash recovery ptrecov-2.3.img`
                """);
        assertThat(models(route)).containsExactly("PT-5001", "PT-5003");
        assertThat(needs(route)).contains("PT-5007").doesNotContain("[\"PT-5001\"");
        assertThat(needs(route)).contains("\"atLeast\":\"6.0\",\"atMost\":\"6.0.1\"");
        assertThat(route.at("/changes/wipesData").asBoolean()).isTrue();
        assertThat(route.at("/work/gates").findValue("atLeast").asInt()).isEqualTo(60);
    }

    @Test
    void linesThatAreCountedWithoutADotAreStepsAndAnEndOfABuildIsOut() {
        JsonNode route = read("""
                wrote down how i did my brother's phone

                under the battery it says SV4-L21, os is 4.3 and the build is SV4L21C432B105. if the build ends in C185 its the one from Borealis and this isnt for you

                1 get svroot105.zip and put it on the sd card, dont unpack
                2 charge to 70 at least i had 82
                3 power off. vol up plus power until the logo blinks twice, thats recovery
                4 install from card, choose the zip, yes
                5 reboot. first one takes like 4 min

                after that the build number will say B105R, dont be scared
                """);
        assertThat(models(route)).containsExactly("SV4-L21");
        assertThat(route.at("/fits/phones/0/osVersion").asText()).isEqualTo("4.3");
        assertThat(route.at("/fits/phones/0/builds").toString()).isEqualTo("[\"SV4L21C432B105\"]");
        assertThat(route.at("/fits/excludedBuilds").findValuesAsText("build")).containsExactly("*C185");
        assertThat(steps(route)).hasSize(5);
        assertThat(route.at("/work/gates").findValue("atLeast").asInt()).isEqualTo(70);
    }

    @Test
    void aRecordingTypedOutNamesItsFileAloud() {
        JsonNode route = read("""
                00:12 okay so this is the quillon q one one five
                00:18 model number is q dash one one five b, b like bravo
                00:25 the system is five one one
                00:31 do not try this on the q dash one one five c, different chip
                00:40 you want at least half a battery
                00:44 the file is called q root dash v three dot zip and it stays zipped
                00:52 copy it to the card
                00:58 switch off, then hold volume up and camera and power
                01:06 let go when you see the green man
                01:10 choose apply update from card with the volume keys
                01:19 pick q root dash v three dot zip
                01:30 it runs for about a minute, then reboot
                """);
        assertThat(models(route)).containsExactly("Q-115B");
        assertThat(needs(route)).contains("Q-115C");
        assertThat(route.at("/work/files/0/name").asText()).isEqualTo("qroot-v3.zip");
        assertThat(route.at("/work/files/0/keepZipped").asBoolean()).isTrue();
        assertThat(route.at("/work/gates").findValue("atLeast").asInt()).isEqualTo(50);
        assertThat(route.at("/work/steps").findValuesAsText("keys"))
                .anySatisfy(keys -> assertThat(keys).contains("volume-up", "camera", "power"));
    }

    @Test
    void inAChatTheAnswerSaysWhichPhoneItIsForAndTheLaterFileCounts() {
        JsonNode route = read("""
                pavel: so is there anything for the ember 7 (EM7-E, 6.0, build EM7E-MRA58-1.21)?
                june: yes. I rooted mine last week, same build
                pavel: how
                june: 1. unlock at the maker's site, you get a code by mail
                june: 2. emload flash recovery em7-rec-3.0.2.img
                june: 3. boot to recovery (vol up + power), install emsu-2.65.zip
                pavel: thx. and does it work with EM7-U?
                june: no! U has no unlock
                karl: correction: use em7-rec-3.0.3.img, 3.0.2 can't read the storage. md5 c81e728d9d4c2f636f067f89cc14862c
                june: right, what karl says
                """);
        assertThat(models(route)).containsExactly("EM7-E");
        assertThat(needs(route)).contains("EM7-U");
        assertThat(route.at("/work/files").findValuesAsText("name"))
                .contains("em7-rec-3.0.3.img", "emsu-2.65.zip")
                .doesNotContain("em7-rec-3.0.2.img");
    }

    @Test
    void questionsWithTheirAnswersAreAGuide() {
        JsonNode route = read("""
                FAQ - Rooting the Harrow BR-312 family

                Q: Which phones?
                A: BR-312 and BR-312G, bought without a contract. BR-312V is Vantel's, its loader is shut: no way.
                Q: Which system?
                A: 4.4.4 it must be.
                Q: What do I need?
                A: HarrowKey 3.1 (not 3.0, it hangs), a windows PC, the cable.
                Q: How?
                A: Turn on usb debugging. Plug in. Run HarrowKey as administrator, press "go". The phone restarts twice.
                Q: Do I lose my data?
                A: No.
                """);
        assertThat(models(route)).containsExactly("BR-312", "BR-312G");
        assertThat(needs(route)).contains("BR-312V").doesNotContain("3.0");
        assertThat(route.at("/work/tools/0").toString()).contains("HarrowKey", "3.1");
        assertThat(route.at("/changes/wipesData").asBoolean(true)).isFalse();
    }

    @Test
    void whatATextNamesInPassingIsNoClaim() {
        JsonNode route = read("""
                Root for the Kestrel Duo, KD-220

                Settings > About says 5.0.2, build KD220_5.0.2_S117. Someone reported that S121 has the hole closed.
                The KD-220L has a locked loader, so stay away. The KD-221 is equal, but I have not proved it.
                On the PC: Ferryman (1.8 or newer, 1.7 crashes), and kd220_root_S117.tar
                If yours runs 6.0 already, read the other guide instead.

                1. Phone off, keep volume down and home pressed, push power till the blue triangle, let go, volume up.
                2. Start Ferryman, the tar goes to the slot called KERN, "send".
                3. It takes two minutes, and the phone reboots.
                """);
        assertThat(models(route)).containsExactly("KD-220");
        assertThat(route.at("/fits/phones/0/osVersion").asText()).isEqualTo("5.0.2");
        assertThat(needs(route)).contains("KD-220L").doesNotContain("1.7", "1.8", "6.0");
        assertThat(route.at("/fits/excludedBuilds").findValuesAsText("build")).containsExactly("*S121");
        assertThat(route.at("/work/files/0/slot").asText()).isEqualTo("KERN");
        assertThat(route.at("/work/tools").toString()).contains("Ferryman", "1.8");
    }

    /** Of a table with a way for each phone every draft has its own file, kind and steps. */
    @Test
    void eachOfSeveralDraftsHasTheStepsOfItsOwnPhones() {
        Lesson lesson = new Learner()
                .learn(
                        List.of(new Learner.Source("list.txt", """
                                Model        OS        Build          File                MD5
                                -----------  --------  -------------  ------------------  --------------------------------
                                K-100        2.3.3     K100.22        kroot_1.4.apk       1679091c5a880faf6fb5e6087eb1b2dc
                                K-200        4.0.4     K200.07        k200_root.zip       8f14e45fceea167a5a36dedd4bea2543
                                K-200C       4.1.2     -              DO NOT (CDMA)       -

                                Charge: 50+ for all.
                                Recovery on the K-200: off, volume up + power, let go at the logo, "apply zip".
                                On the K-100: allow unknown sources, install, open, press the button, restart.
                                """.getBytes(StandardCharsets.UTF_8))),
                        LocalDate.of(2026, 12, 1));
        assertThat(lesson.routes()).hasSize(2).allSatisfy(route -> {
            assertThat(needs(route)).contains("K-200C");
            assertThat(route.at("/work/gates").findValue("atLeast").asInt()).isEqualTo(50);
        });
        JsonNode app = lesson.routes().get(0);
        JsonNode zip = lesson.routes().get(1);
        assertThat(models(app)).containsExactly("K-100");
        assertThat(steps(app)).isNotEmpty().noneMatch(step -> step.contains("K-200"));
        assertThat(zip.path("family").asText()).isEqualTo("recovery package");
        assertThat(steps(zip)).isNotEmpty().noneMatch(step -> step.contains("K-100"));
    }
}
