package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Font;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.proof.Strictness;

/** How a person likes to work, what ships, and the log. */
class ProgramSheetTest {
    /** Licences under which something may ship with us, as their authors write them. */
    private static final Set<String> ALLOWED = Set.of(
            "apache",
            "mit",
            "bsd",
            "eclipse public",
            "epl-2.0",
            "lesser general public",
            "0bsd",
            "gplv2+ce",
            "classpath exception");

    @TempDir
    private Path top;

    private Path demo;

    @BeforeEach
    void layOut() throws Exception {
        demo = top.resolve("demo");
        Demo.in(demo);
    }

    @Test
    void howOneLikesToWorkIsKeptAndCounts() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.COMMA);
            assertThat(desktop.text("workspace-place")).isEqualTo(demo.toString());
            desktop.choose("habit-recovery", Habit.BUTTONS.label());
            desktop.choose("usual-proof", Strictness.LENIENT.word());
            desktop.click("look-dark");
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.isShown("program")).isFalse();
        }
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.until(
                    "kept",
                    () -> desktop.session().program().preferences().get().proof() == Strictness.LENIENT);
            assertThat(desktop.session().program().preferences().get().habit(Habit.Kind.RECOVERY))
                    .isEqualTo(Optional.of(Habit.BUTTONS));
            desktop.press(KeyCode.CONTROL, KeyCode.COMMA);
            assertThat(desktop.<ComboBox<String>>find("habit-recovery").getValue())
                    .isEqualTo(Habit.BUTTONS.label());
            desktop.click("look-system");
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT5);
            desktop.until(
                    "it counts where nothing else was said",
                    () -> desktop.session()
                            .aftercare()
                            .view()
                            .get()
                            .filter(view -> view.notes().strictness() == Strictness.LENIENT)
                            .isPresent());
        }
    }

    @Test
    void whatShipsIsToldWithItsLicenceAndTheLogWithoutNames() throws Exception {
        Files.writeString(demo.resolve("mobrak.log"), "2026 WARN Looking at Hive 3, orchard wall\n");
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.COMMA);
            assertThat(Font.getFamilies()).as("our letters").contains("Inter", "Noto Sans Mono");
            desktop.click("program-about");
            assertThat(desktop.text("versions")).startsWith("Mobrak 0.1.0").contains("Java 17");
            // What the build found, all of it; and nothing under a licence nobody has looked at.
            List<String> told = desktop.<ListView<?>>find("licences").getItems().stream()
                    .map(String::valueOf)
                    .toList();
            assertThat(told).hasSize(found());
            assertThat(told)
                    .allSatisfy(part -> assertThat(ALLOWED).as(part).anyMatch(part.toLowerCase(Locale.ROOT)::contains));
            desktop.click("program-log");
            desktop.until("read", () -> !desktop.<TextArea>find("log").getText().isEmpty());
            assertThat(desktop.<TextArea>find("log").getText()).isEqualTo("2026 WARN Looking at (name)\n");
            desktop.click("program-sheet");
            assertThat(desktop.isShown("program")).isFalse();
        }
    }

    private static int found() throws Exception {
        try (InputStream in =
                Objects.requireNonNull(MobrakApp.class.getResourceAsStream("/org/mobrak/desktop/licences.txt"))) {
            Matcher count = Pattern.compile("Lists of ([0-9]+) third-party")
                    .matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            assertThat(count.find()).isTrue();
            return Integer.parseInt(count.group(1));
        }
    }
}
