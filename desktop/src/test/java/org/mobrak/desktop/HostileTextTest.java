package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;

/** Whatever a name, a reading or a file says, what the window shows of it can be seen and turns nothing round. */
class HostileTextTest {
    /** Turns the direction of what follows it (Unicode Standard Annex 9). */
    private static final String TURNING = "\u202E";

    @TempDir
    private Path top;

    private final Set<String> shown = new TreeSet<>();

    @Test
    void nothingThatTurnsTextRoundReachesTheWindow() throws Exception {
        Path home = top.resolve("home");
        Files.createDirectories(home);
        for (String part : List.of("catalogue", "demo")) {
            PathUtils.copyDirectory(Desktop.HOME.resolve(part), home.resolve(part));
        }
        Path drawer = home.resolve("demo/drawer.yaml");
        Files.writeString(drawer, Files.readString(drawer).replaceAll("nickname: (\"?)", "$0" + TURNING));
        Path folder = top.resolve("de" + TURNING + "mo");
        Demo.in(folder);
        Path reading = Files.writeString(
                top.resolve("read" + TURNING + "ing.txt"),
                "[ro.build.display.id]: [X" + TURNING + "Y]\n[a\u200Bb]: [c]\n");
        try (Desktop desktop = Desktop.open(folder)) {
            take(desktop, entry -> entry.name().contains("KQ-W2"), reading);
            lookAtEverything(desktop);
            take(desktop, entry -> entry.phone().nickname().contains("roof of the mill"), reading);
            for (Fact fact : List.of(Fact.LOCK, Fact.RECOVERY)) {
                desktop.robot()
                        .interact(() -> desktop.session()
                                .readings()
                                .takeTyped(fact, fact.usual().orElseThrow()));
                desktop.rest();
            }
            desktop.startFirstPlan();
            Step next = desktop.runningJob().flatMap(Job::next).orElseThrow();
            desktop.robot().interact(() -> desktop.session().job().note(next, "a no" + TURNING + "te"));
            desktop.rest();
            desktop.robot().interact(() -> desktop.session().files().lookInto(List.of(hostileZip())));
            desktop.robot().interact(() -> desktop.session().compareCatalogue(hostileCatalogue()));
            desktop.robot()
                    .interact(() -> desktop.session()
                            .workshop()
                            .readPasted("Root for A" + TURNING + "B-10 and AB-11\n1. Install a" + TURNING
                                    + "b.apk\n2. Open it\n"));
            desktop.rest();
            lookAtEverything(desktop);
        }
        assertThat(shown).as("it looked at something").hasSizeGreaterThan(500);
        assertThat(shown.stream().filter(text -> !VisibleText.of(text).equals(text)))
                .isEmpty();
        assertThat(shown).as("and the hostile texts were among it").anyMatch(text -> text.contains("\\u202E"));
    }

    private static void take(Desktop desktop, Predicate<DrawerEntry> wanted, Path reading) {
        desktop.pick("phones", DrawerEntry.class, wanted);
        desktop.robot().interact(() -> desktop.session().readings().takeFiles(List.of(reading)));
        desktop.rest();
    }

    private Path hostileZip() {
        Path file = top.resolve("pack" + TURNING + "age.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("boot" + TURNING + "gmi.txt"));
            zip.write("one".getBytes(StandardCharsets.UTF_8));
        } catch (IOException full) {
            throw new UncheckedIOException(full);
        }
        return file;
    }

    /** A mark in its folder's name and in a file's; within a file one is refused. */
    private Path hostileCatalogue() {
        Path other = top.resolve("fri" + TURNING + "end");
        try {
            PathUtils.copyDirectory(Desktop.HOME.resolve("demo/catalogue"), other);
            Files.writeString(other.resolve("routes/ro" + TURNING + "ute.yaml"), "id: x" + TURNING + "y\n");
        } catch (IOException full) {
            throw new UncheckedIOException(full);
        }
        return other;
    }

    private void lookAtEverything(Desktop desktop) {
        for (KeyCode page : Desktop.PAGES) {
            desktop.press(KeyCode.CONTROL, page);
            List<ToggleButton> tabs = new ArrayList<>();
            desktop
                    .robot()
                    .from(desktop.stage().getScene().getRoot())
                    .lookup(".ruler-kind")
                    .queryAllAs(ToggleButton.class)
                    .stream()
                    .filter(Desktop::isSeen)
                    .forEach(tabs::add);
            desktop.robot().interact(() -> collect(desktop.stage().getScene().getRoot()));
            for (ToggleButton tab : tabs) {
                desktop.robot().interact(() -> tab.setSelected(true));
                desktop.rest();
                desktop.robot()
                        .interact(() -> collect(desktop.stage().getScene().getRoot()));
            }
        }
    }

    private void collect(Node node) {
        said(node).forEach(shown::add);
        // What is typed or pasted is shown as it is, so that it can be mended.
        if (node instanceof Parent parent && !(node instanceof TextInputControl)) {
            parent.getChildrenUnmodifiable().forEach(this::collect);
        }
    }

    private static Stream<String> said(Node node) {
        List<String> said = new ArrayList<>();
        if (node instanceof Labeled label) {
            said.add(label.getText());
        }
        if (node instanceof Text text) {
            said.add(text.getText());
        }
        if (node instanceof TextInputControl field) {
            said.add(field.getPromptText());
        }
        if (node instanceof MenuButton menu) {
            menu.getItems().stream().map(MenuItem::getText).forEach(said::add);
        }
        if (node instanceof ComboBox<?> box) {
            box.getItems().forEach(one -> said.add(words(box, one)));
        }
        said.add(node.getAccessibleText());
        said.add(node.getAccessibleHelp());
        return said.stream().filter(text -> text != null && !text.isBlank());
    }

    @SuppressWarnings("unchecked")
    private static <T> String words(ComboBox<T> box, Object item) {
        return box.getConverter() == null
                ? String.valueOf(item)
                : box.getConverter().toString((T) item);
    }
}
