package org.mobrak.desktop.material;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;
import org.mobrak.core.plan.Sizes;
import org.mobrak.desktop.parts.Texts;

/**
 * A file and all that lies in it, each holder above what it holds: widths are to scale within their holder, each step down is
 * one holder further in.
 */
final class NestPicture extends Pane {
    private static final double ROW = 44;
    private static final double GAP = 3;
    private static final int DEEPEST = 5;
    private static final double NARROWEST = 7;
    /** Below this a name cannot be read. */
    private static final double LEGIBLE = 46;

    private final Part root;

    NestPicture(Part root) {
        this.root = root;
        setId("nest");
        getStyleClass().add("nest");
        setAccessibleRole(AccessibleRole.TEXT);
        Texts.aloud(this, "%d parts in %s".formatted(root.all().count() - 1, root.name()));
        setMinHeight(ROW * (Math.min(DEEPEST, depth(root)) + 1));
        setPrefHeight(getMinHeight());
        widthProperty().addListener((property, old, width) -> draw(width.doubleValue()));
    }

    private static int depth(Part part) {
        return part.inside().stream().mapToInt(inner -> 1 + depth(inner)).max().orElse(0);
    }

    private void draw(double width) {
        getChildren().clear();
        draw(root, 0, width, 0);
    }

    private void draw(Part part, double x, double width, int level) {
        getChildren().add(box(part, x, width, level));
        if (level < DEEPEST && !part.inside().isEmpty()) {
            double at = x;
            List<Double> widths = widths(part.inside(), width);
            for (int i = 0; i < widths.size(); i++) {
                draw(part.inside().get(i), at, widths.get(i), level + 1);
                at += widths.get(i);
            }
        }
    }

    /** To scale, but none so narrow that it cannot be seen; what does not fit at all is left out. */
    private static List<Double> widths(List<Part> parts, double width) {
        int shown = (int) Math.max(1, Math.min(parts.size(), width / NARROWEST));
        double spare = width - shown * NARROWEST;
        double sum = parts.stream().limit(shown).mapToDouble(NestPicture::size).sum();
        List<Double> widths = new ArrayList<>();
        parts.stream().limit(shown).forEach(part -> widths.add(NARROWEST + spare * size(part) / sum));
        return widths;
    }

    private static double size(Part part) {
        return Math.max(1, part.bytes().orElse(1));
    }

    private static Label box(Part part, double x, double width, int level) {
        String size = part.bytes().isPresent()
                ? Sizes.words(part.bytes().getAsLong())
                : part.kind().label();
        Label box = new Label(width < LEGIBLE ? "" : VisibleText.of(part.plainName() + "\n" + size));
        box.getStyleClass().addAll("nest-box", isKernel(part) ? "nest-kernel" : "nest-other");
        box.relocate(x, level * ROW);
        box.setMinSize(Math.max(1, width - GAP), ROW - GAP);
        box.setMaxSize(Math.max(1, width - GAP), ROW - GAP);
        Texts.tip(box, "%s\n%s, %s".formatted(part.name(), part.kind().label(), size));
        return box;
    }

    private static boolean isKernel(Part part) {
        return part.kind() == FileKind.KERNEL_IMAGE || part.kind() == FileKind.BOOT_IMAGE;
    }
}
