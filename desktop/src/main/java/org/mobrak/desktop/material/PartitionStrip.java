package org.mobrak.desktop.material;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.PhoneFamily.Partition;
import org.mobrak.core.material.Write;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/**
 * The phone's storage from its start to its end, with what a file would write filled in. Form and colour tell the class; widths
 * grow with the logarithm of the size, or the small ones, which are the dangerous ones, could not be seen.
 */
final class PartitionStrip extends VBox {
    private static final double HEIGHT = 100;
    private static final int MOST_NAMED = 12;
    private static final double GAP = 3;
    private static final double LEAST_BYTES = 1 << 18;

    private final List<Stretch> stretches = new ArrayList<>();
    private final Pane strip = new Pane();

    /** A place on the strip. */
    private record Stretch(String name, PartitionClass kind, double weight, Optional<Write> write, boolean known) {}

    PartitionStrip(List<Partition> partitions, List<Write> writes) {
        getStyleClass().add("lines");
        setId("partition-strip");
        partitions.forEach(partition -> stretches.add(new Stretch(
                partition.name(),
                partition.kind(),
                weight(partition),
                writes.stream()
                        .filter(write -> write.partition().equalsIgnoreCase(partition.name()))
                        .findFirst(),
                true)));
        writes.stream()
                .filter(write -> partitions.stream().noneMatch(one -> one.name().equalsIgnoreCase(write.partition())))
                .forEach(write ->
                        stretches.add(new Stretch(write.partition(), write.kind(), 6, Optional.of(write), false)));
        strip.setMinHeight(HEIGHT);
        strip.widthProperty().addListener((property, old, width) -> draw(width.doubleValue()));
        getChildren().add(Texts.wrapped(Texts.plain(sentence(partitions, writes))));
        if (!stretches.isEmpty()) {
            getChildren().addAll(strip, legend());
        }
        setAccessibleRole(AccessibleRole.TEXT);
        Texts.aloud(this, sentence(partitions, writes));
    }

    private static double weight(Partition partition) {
        double bytes = partition.bytes().orElse(1L << 24);
        return 3 + Math.log(Math.max(1, bytes / LEAST_BYTES)) / Math.log(2);
    }

    private static String sentence(List<Partition> partitions, List<Write> writes) {
        if (writes.isEmpty()) {
            return "By itself it says nothing of where it would be written; the route's slot decides.";
        }
        String named = writes.stream().map(Write::partition).limit(MOST_NAMED).collect(Collectors.joining(", "));
        String more = writes.size() > MOST_NAMED ? " and %d more".formatted(writes.size() - MOST_NAMED) : "";
        String unknown = partitions.isEmpty()
                ? " How this phone's storage is divided is not in the catalogue."
                : writes.stream().allMatch(write -> isOn(partitions, write))
                        ? ""
                        : " Those with a broken edge are not on this phone's list.";
        return named + more + "." + unknown;
    }

    private static boolean isOn(List<Partition> partitions, Write write) {
        return partitions.stream().anyMatch(one -> one.name().equalsIgnoreCase(write.partition()));
    }

    private void draw(double width) {
        strip.getChildren().clear();
        double sum = stretches.stream().mapToDouble(Stretch::weight).sum();
        double at = 0;
        for (Stretch stretch : stretches) {
            double own = width * stretch.weight() / sum;
            strip.getChildren().add(box(stretch, at, own - GAP));
            at += own;
        }
    }

    private static VBox box(Stretch stretch, double x, double width) {
        Label name = new Label(stretch.name());
        name.getStyleClass().add("part-name");
        // Upright, the name of the narrowest stretch can still be read.
        name.setRotate(-90);
        VBox box = new VBox(new Group(name), glyph(stretch.kind()));
        box.getStyleClass().addAll("part", style(stretch.kind()));
        if (stretch.write().isPresent()) {
            box.getStyleClass().add("part-written");
        }
        if (!stretch.known()) {
            box.getStyleClass().add("part-strange");
        }
        box.relocate(x, 0);
        box.setMinSize(width, HEIGHT);
        box.setMaxSize(width, HEIGHT);
        String because =
                stretch.write().map(write -> "\nwritten by " + write.because()).orElse("\nleft alone");
        Texts.tip(box, stretch.name() + ", " + stretch.kind().label() + because);
        return box;
    }

    private static Region glyph(PartitionClass kind) {
        Region glyph = new Region();
        glyph.getStyleClass().addAll("part-glyph", style(kind) + "-glyph");
        return glyph;
    }

    private static String style(PartitionClass kind) {
        return "part-" + kind.word();
    }

    /** Only the classes that are there. */
    private FlowPane legend() {
        Set<PartitionClass> kinds = EnumSet.noneOf(PartitionClass.class);
        stretches.forEach(stretch -> kinds.add(stretch.kind()));
        FlowPane legend = new Flow();
        legend.getStyleClass().add("legend");
        for (PartitionClass kind : kinds) {
            HBox part = new HBox(glyph(kind), Texts.soft(kind.label()));
            part.getStyleClass().addAll("legend-part", style(kind));
            legend.getChildren().add(part);
        }
        legend.getChildren().add(Texts.soft("filled: written; empty: left alone"));
        return legend;
    }
}
