package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** One thing said in many ways, each within the same small guide: what is looked for stands before the strokes. */
class SayingsTest {
    private static final LocalDate DAY = LocalDate.of(2026, 12, 1);
    private static final Learner LEARNER = new Learner();

    /** How people tell the battery and the computer that are needed. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "75 || Battery: 3/4 full or better.",
                "55 || Plug it in until it says at least 55.",
                "50 || 50+ battery",
                "45 || batt >= 45%",
                "50 || make sure your battery is over fifty percent",
                "60 || keep the charger near, 60 % is the minimum they told me",
                "35 || charge must not be under 35",
                "30 || It checks the battery for 30 percent and stops below.",
                "66 || Charged two thirds at least.",
                "20 || With under 20% the flasher will not begin.",
                "80 || battery 80 or so when you begin",
                "45 || Minimum charge: 45",
                "65 || Charge the phone (> 65 %).",
                "50 || - 50% charged",
                "60 || Your battery needs sixty percent. Mine had ninety.",
                "40 || Battery level should not drop below 40 while it works.",
                "50 || half a battery is plenty",
                "60 || don't bother below 60% charge",
                "25 || a quarter of the battery is enough",
                "50 || Power: at least 50 per cent of charge.",
                "50 || The phone must be charged to more than 50 %.",
                "90 || charge it to 90",
                "100 || Charge it fully first.",
                "windows || Windows only, sorry.",
                "windows || It has to be a Windows machine.",
                "windows || Needs a PC with Windows 7 or 10."
            })
    void battery(String row) {
        holds(row, "/work/gates");
    }

    /** How people tell which phones and versions are in and out. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"osVersion\":\"5.1.1\" || OS needed: 5.1.1",
                "\"osVersion\":\"5.1.1\" || Works on 5.1.1 only.",
                "\"osVersion\":\"5.1.1\" || Your phone has to be on OS 5.1.1.",
                "\"osVersion\":\"5.1.1\" || Go to settings and about; it should read 5.1.1 there.",
                "\"osVersion\":\"5.1.1\" || About phone says 5.1.1, if not stop.",
                "\"atLeast\":\"5.0\" || System: 5.0 or higher",
                "\"atMost\":\"5.1.1\" || OS up to 5.1.1, later ones are patched.",
                "\"atLeast\":\"5.0\",\"atMost\":\"5.1.1\" || Supported OS versions: 5.0 to 5.1.1",
                "\"atLeast\":\"5.0\",\"atMost\":\"5.1.1\" || Any system between 5.0 and 5.1.1 will do.",
                "\"5.0\",\"5.1.1\" || It was done on 5.0 and 5.1.1.",
                "\"osVersion\":\"5.1.1\" || The phone I did it on ran 5.1.1.",
                "\"osVersion\":\"5.1.1\" || software version 5.1.1",
                "\"osVersion\":\"5.1.1\" || Firmware: 5.1.1 (anything newer is closed)",
                "\"osVersion\":\"5.1.1\" || For OS 5.1.1. Not for 6.0!",
                "\"osVersion\":\"5.1.1\" || Only with the 5.1.1 update installed.",
                "\"osVersion\":\"5.1.1\" || Mine is still on 5.1.1 and there it works.",
                "\"osVersion\":\"5.1.1\" || - system version 5.1.1",
                "\"osVersion\":\"5.1.1\" || - os: 5.1.1",
                "\"osVersion\":\"5.1.1\" || This is for people on 5.1.1.",
                "\"osVersion\":\"5.1.1\" || Tested on five one one, sorry, 5.1.1, nothing else.",
                "\"osVersion\":\"5.1.1\" || If your phone has 6.0 you must first go back to 5.1.1.",
                "\"excluded || - not for the LK-50S or the LK-52",
                "\"LK-50S\" || Owners of the LK-50S: hands off, you will lose the radio.",
                "\"LK-50S\" || The LK-50S looks the same but has another board, do not try.",
                "\"LK-50S\" || LK-50S users need a different file, this one kills it.",
                "\"LK-50S\" || It does nothing good on the LK-50S.",
                "\"LK-50S\" || Excluded: LK-50S.",
                "\"LK-50S\" || Every LK-50 except the LK-50S",
                "\"LK-50S\" || LK-50S ✗",
                "\"LK-50S\" || Please note that this will NOT work with LK-50S (Norrtel).",
                "\"LK-50S\" || (sorry LK-50S people, yours is locked for good)",
                "\"LK-50S\" || My cousin's LK-50S never came back after this.",
                "\"LK-50S\" || It's the LK-50, mind, and not the LK-50S."
            })
    void phones(String row) {
        holds(row, "/fits");
    }

    /** How people tell the keys that lead into the recovery. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "hold volume-up + power || Hold Vol+ and Power until it vibrates; that is the recovery.",
                "hold volume-down + power || with the phone off press and hold vol- and the power key for ten seconds, you get the recovery",
                "hold volume-up + home + power || recovery = vol up, home, power, all three together",
                "hold volume-down + power || Keep volume down pressed, then push power too, until you are in the recovery.",
                "hold volume-up + power || Recovery mode: power + volume up",
                "hold volume-down + power || To get into recovery: switch off, volume down and power together, let go at the logo.",
                "hold volume-up + power || press the upper volume key and the power button together till the recovery shows",
                "hold volume-up + power || I held power and volume up until the recovery came",
                "hold volume-up + power || the recovery comes if you press power with volume up for a while",
                "hold home + power || hold home and power till the recovery",
                "hold volume-down + power || VOL DOWN + PWR = recovery",
                "hold volume-down + power || <Power> and <Volume down> held at the same time get you to the recovery"
            })
    void keys(String row) {
        holds(row, "/work/steps");
    }

    /** How people tell tools and their versions. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || You need the program Ferry 2.1 on a PC.",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || - Ferry, version 2.1 or newer",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || Ferry v2.1+",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || Get Ferry (at least 2.1)",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || I used Ferry 2.1, older ones do not know the phone.",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || Ferry 2.1 (Windows) and its driver",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || flasher: Ferry 2.1",
                "\"Ferry\",\"kind\":\"tool\",\"atLeast\":\"2.1\" || Download and install Ferry 2.1 from the maker's page.",
                "\"atLeast\":\"2.1\" || you need ferry version 2.1",
                "\"atLeast\":\"4.0.1\" || USB drivers 4.0.1"
            })
    void tools(String row) {
        holds(row, "/work/tools");
    }

    /** How people tell slots, and whether a file stays packed. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"slot\":\"KERN\" || Put lark-root.zip into KERN.",
                "\"slot\":\"KERN\" || lark-root.zip goes to KERN, nothing else.",
                "\"slot\":\"KERN\" || Load lark-root.zip in the \"KERN\" field",
                "\"slot\":\"KERN\" || lark-root.zip -> KERN",
                "\"slot\":\"KERN\" || the button KERN, and there lark-root.zip",
                "\"slot\":\"KERN\" || use the KERN line for lark-root.zip",
                "false || Unpack lark-root.zip first, you need what is inside.",
                "true || Leave lark-root.zip as it is, packed.",
                "true || Do not extract lark-root.zip!"
            })
    void files(String row) {
        holds(row, "/work/files");
    }

    private static void holds(String row, String place) {
        String[] parts = row.split(" \\|\\| ", 2);
        String guide = """
                Root for the Lark 5, model LK-50

                You need lark-root.zip and a card.

                %s

                1. Copy lark-root.zip to the card.
                2. Go into the recovery.
                3. Install the zip and restart.
                """.formatted(parts[1]);
        Lesson lesson = LEARNER.learn(List.of(new Learner.Source("x", guide.getBytes(StandardCharsets.UTF_8))), DAY);
        assertThat(lesson.routes()).hasSize(1);
        assertThat(lesson.routes().get(0).at(place).toString()).as(parts[1]).contains(parts[0]);
    }
}
