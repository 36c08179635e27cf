package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.logbook.Workspace;

/**
 * Nothing that is seen leaves its room: every page and face, in the states in which a person meets them, at the sizes of small and
 * usual screens, with usual letters and with letters twice as large. What is looked at is where things stand once they are drawn,
 * not what a page says of itself.
 */
class RoomTest {
    private static final double ENDLESS = 1e9;
    private static final double TOLERANCE = 4;
    /** Parts of scrolling controls, whose content may be larger than they are. */
    private static final Set<String> SCROLLED =
            Set.of("viewport", "clipped-container", "sheet", "scroll-bar", "virtual-flow", "styled-text-area");

    /** Drawings, whose marks are placed by number. */
    private static final Set<String> DRAWN = Set.of("numbers-bar", "plot", "arrow");

    private static final List<double[]> SIZES =
            List.of(new double[] {1022, 675}, new double[] {1100, 700}, new double[] {1226, 743});

    @TempDir
    private Path top;

    private final Set<String> wrong = new LinkedHashSet<>();

    @Test
    void anEmptyWorkspaceAndAPhoneNobodyKnows() throws Exception {
        Path folder = top.resolve("own");
        Workspace.create(folder, List.of(Desktop.HOME.resolve("catalogue")));
        try (Desktop desktop = Desktop.open(folder)) {
            look(desktop, "empty");
            desktop.robot()
                    .interact(() -> desktop.session().addPhone("A phone from a box with a rather long name, 2014"));
            desktop.rest();
            look(desktop, "named only");
            desktop.robot()
                    .interact(
                            () -> desktop.session()
                                    .readings()
                                    .takePasted(
                                            "[ro.product.model]: [KQ-W99]\n[ro.product.manufacturer]: [Kestriq]\n[ro.build.version.release]: [4.2.2]\n"));
            desktop.rest();
            look(desktop, "unknown phone");
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void theDemoWithAJobAndAGuide() throws Exception {
        Path demo = top.resolve("demo");
        Demo.in(demo);
        try (Desktop desktop = Desktop.open(demo)) {
            pick(desktop, "Hive 10");
            look(desktop, "stopped");
            pick(desktop, "Hive 3");
            desktop.robot()
                    .interact(() ->
                            desktop.session().workshop().readFiles(List.of(demo.resolve("bench/guides/wren-2.txt"))));
            desktop.rest();
            desktop.startFirstPlan();
            look(desktop, "a job and a guide");
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void aRehearsalInOnesOwnHands() throws Exception {
        Path demo = top.resolve("demo");
        Demo.in(demo);
        try (Desktop desktop = Desktop.open(demo)) {
            pick(desktop, "Hive 6");
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            desktop.click("face-rehearsal");
            desktop.click("practise");
            look(desktop, "a rehearsal by hand", List.of(KeyCode.DIGIT4));
        }
        assertThat(wrong).isEmpty();
    }

    private static void pick(Desktop desktop, String nickname) {
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().startsWith(nickname + ","));
    }

    private void look(Desktop desktop, String state) {
        look(desktop, state, Desktop.PAGES);
    }

    private void look(Desktop desktop, String state, List<KeyCode> pages) {
        for (boolean large : List.of(false, true)) {
            for (double[] size : SIZES) {
                desktop.robot().interact(() -> {
                    desktop.stage().setWidth(size[0]);
                    desktop.stage().setHeight(size[1]);
                });
                everyFace(
                        desktop, "%s, %.0f × %.0f%s".formatted(state, size[0], size[1], large ? ", large" : ""), pages);
            }
            if (large) {
                desktop.press(KeyCode.CONTROL, KeyCode.DIGIT0);
            } else {
                for (int i = 0; i < 14; i++) {
                    desktop.press(KeyCode.CONTROL, KeyCode.ADD);
                }
            }
        }
    }

    private void everyFace(Desktop desktop, String where, List<KeyCode> pages) {
        for (KeyCode page : pages) {
            desktop.press(KeyCode.CONTROL, page);
            String here = where + ", page " + page.getName();
            judge(desktop, here);
            List<ToggleButton> tabs = desktop
                    .robot()
                    .from(desktop.<Node>find("page-place"))
                    .lookup(".ruler-kind")
                    .queryAllAs(ToggleButton.class)
                    .stream()
                    .filter(tab -> tab.getId() != null && Desktop.isSeen(tab))
                    .toList();
            for (ToggleButton tab : tabs) {
                desktop.robot().interact(() -> {
                    if (tab.getScene() != null) {
                        tab.fire();
                    }
                });
                desktop.rest();
                judge(desktop, here + ", " + tab.getId());
            }
        }
    }

    private void judge(Desktop desktop, String where) {
        desktop.robot()
                .interact(() -> visit(
                        desktop.stage().getScene().getRoot(),
                        where,
                        new BoundingBox(
                                0,
                                0,
                                desktop.stage().getScene().getWidth(),
                                desktop.stage().getScene().getHeight())));
    }

    private void visit(Node node, String where, Bounds window) {
        if (node instanceof Labeled label
                && label.getText() != null
                && !label.getText().isEmpty()
                && !label.isWrapText()) {
            cut(label, where);
        }
        if (node instanceof TextField field && field.getText().isEmpty() && field.getPromptText() != null) {
            Text prompt = new Text(field.getPromptText());
            prompt.setFont(field.getFont());
            if (prompt.getLayoutBounds().getWidth()
                    > field.getWidth() - field.getInsets().getLeft() * 2) {
                wrong.add("%s: cut prompt “%s”".formatted(where, field.getPromptText()));
            }
        }
        if (!(node instanceof Parent parent) || parent.getStyleClass().stream().anyMatch(DRAWN::contains)) {
            return;
        }
        boolean free = parent instanceof Group
                || parent.getClass().getSimpleName().equals("Navigator")
                || parent.getStyleClass().stream().anyMatch(SCROLLED::contains);
        List<Node> seen = new ArrayList<>();
        for (Node child : parent.getChildrenUnmodifiable()) {
            if (!child.isVisible()) {
                continue;
            }
            boolean placed = child.isManaged()
                    && !(child instanceof Text)
                    && child.getLayoutBounds().getHeight() > 0;
            if (!free && placed && leaves(place(child), room(parent))) {
                wrong.add("%s: %s leaves %s: %s in %s%s"
                        .formatted(
                                where,
                                told(child),
                                told(parent),
                                box(place(child)),
                                box(parent.getLayoutBounds()),
                                because(child, parent.getLayoutBounds())));
            }
            if (placed) {
                seen.add(child);
            }
            visit(child, where, window);
        }
    }

    /** What scrolls up and down is as high as it likes, and no wider than there is room, unless it is a drawing or one long word. */
    private static Bounds room(Parent parent) {
        Bounds own = parent.getLayoutBounds();
        Parent above = parent.getParent();
        if (above == null || !above.getStyleClass().contains("viewport")) {
            return own;
        }
        boolean sideways = above.getParent().getStyleClass().contains("sideways");
        return new BoundingBox(0, 0, sideways ? ENDLESS : own.getWidth(), ENDLESS);
    }

    private void cut(Labeled label, String where) {
        boolean mayBe = false;
        for (Node part = label; part != null; part = part.getParent()) {
            mayBe |= part.getStyleClass().contains("may-be-cut")
                    || part.getStyleClass().contains("list-cell");
        }
        for (Node child : label.getChildrenUnmodifiable()) {
            if (!mayBe
                    && child instanceof Text text
                    && !(child instanceof FontIcon)
                    && !text.getText().equals(label.getText())
                    && label.getWidth() > 0) {
                wrong.add("%s: cut “%s” to “%s”".formatted(where, label.getText(), text.getText()));
            }
        }
    }

    private static boolean leaves(Bounds inner, Bounds outer) {
        return inner.getMinX() < outer.getMinX() - TOLERANCE
                || inner.getMaxX() > outer.getMaxX() + TOLERANCE
                || inner.getMinY() < outer.getMinY() - TOLERANCE
                || inner.getMaxY() > outer.getMaxY() + TOLERANCE;
    }

    private static String told(Node node) {
        return node.getClass().getSimpleName()
                + (node.getId() == null ? "" : "#" + node.getId())
                + node.getStyleClass()
                + (node instanceof Labeled label ? "“" + label.getText() + "”" : "");
    }

    /** The innermost part that wants more than there is. */
    private static String because(Node node, Bounds room) {
        if (node instanceof Parent parent) {
            for (Node child : parent.getChildrenUnmodifiable()) {
                boolean wide = child.isManaged() && child.minWidth(-1) > room.getWidth() - 40;
                if (wide && child instanceof javafx.scene.layout.Region) {
                    return because(child, room);
                }
            }
        }
        return " (%s wants %.0f × %.0f, has %.0f × %.0f)"
                .formatted(
                        told(node),
                        node.minWidth(-1),
                        node.minHeight(node.getLayoutBounds().getWidth()),
                        node.getLayoutBounds().getWidth(),
                        node.getLayoutBounds().getHeight());
    }

    private static Bounds place(Node node) {
        return node.localToParent(node.getLayoutBounds());
    }

    private static String box(Bounds one) {
        return "%.0f,%.0f–%.0f,%.0f".formatted(one.getMinX(), one.getMinY(), one.getMaxX(), one.getMaxY());
    }
}
