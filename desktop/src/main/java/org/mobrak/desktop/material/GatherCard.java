package org.mobrak.desktop.material;

import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.JobFolder;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.Need;
import org.mobrak.core.gather.Standing;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.TypedValue;

/** One line of the gathering list in full: what is wanted, what was taken for it, and what a person can do about it. */
final class GatherCard extends Card {
    private final Session session;
    private final Desk desk;
    private final GatherItem item;

    /**
     * A card.
     *
     * @param turn its place in the list, from 1, by which the job's folder sorts
     * @param toTable turns to the table
     */
    GatherCard(Session session, Desk desk, GatherItem item, int turn, Runnable toTable) {
        super(item.need().title(), Words.signed(StandingSign.of(item.standing()), item.reason()));
        this.session = session;
        this.desk = desk;
        this.item = item;
        setId("gather-detail");
        if (item.need() instanceof Need.OfFile need) {
            wanted(need);
        } else if (item.need() instanceof Need.OfThing thing && thing.gate().isPresent()) {
            line("Because", thing.text());
        }
        item.kept().ifPresent(kept -> taken(kept, turn, toTable));
        if (item.standing() != Standing.HAVE) {
            byHand().ifPresent(getChildren()::add);
        }
    }

    private void wanted(Need.OfFile need) {
        NeededFile file = need.file();
        line("For", need.route());
        line(
                "As",
                file.role() + file.slot().map(slot -> ", in the slot " + slot).orElse(""));
        line("Goes to", file.goesToPhone() ? "the phone" : "the computer only");
        file.keepZipped().ifPresent(keep -> line("Zipped", keep ? "leave it as it is" : unpacking(file)));
        file.holds().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(said -> line(said.getKey().label(), said.getValue() + ", the route says"));
        file.digests().forEach(this::line);
    }

    private static String unpacking(NeededFile file) {
        return file.name().endsWith(".zip")
                ? "unpack it before use"
                : "take it out of any archive around it, no further";
    }

    private void line(String name, String value) {
        Label said = Texts.wrapped(name.contains("-") || name.equals("MD5") ? Texts.exact(value) : Texts.plain(value));
        HBox.setHgrow(said, Priority.ALWAYS);
        Label named = Texts.soft(name);
        named.getStyleClass().add("row-name");
        HBox line = new HBox(named, said);
        line.getStyleClass().add("named-row");
        getChildren().add(line);
    }

    private void taken(Kept kept, int turn, Runnable toTable) {
        line("Taken for it", kept.path().toString());
        Button open = new Button("Lay it on the table", new FontIcon(Feather.SEARCH));
        open.setId("lay-on-table");
        open.setDisable(!kept.isThere());
        open.setOnAction(press -> {
            session.files().lay(kept);
            toTable.run();
        });
        FlowPane buttons = new Flow(open);
        buttons.getStyleClass().add("buttons");
        if (item.standing() == Standing.HAVE || item.standing() == Standing.UNCHECKED) {
            buttons.getChildren().add(keep(kept, turn));
        }
        getChildren().add(buttons);
    }

    private Button keep(Kept kept, int turn) {
        JobFolder folder = session.files().jobFolder(desk);
        boolean there = kept.path().startsWith(folder.path());
        Button keep =
                new Button(there ? "In the job's folder" : "Copy into the job's folder", new FontIcon(Feather.COPY));
        keep.setId("keep-for-job");
        keep.setDisable(there || !kept.isThere());
        keep.setOnAction(
                press -> session.files().keepForJob(kept, turn, item.need().title(), folder));
        return keep;
    }

    /** What only a person can say: that a tool or a cable is there, how full the battery is. */
    private Optional<Node> byHand() {
        if (item.need() instanceof Need.OfThing thing) {
            return thing.gate().map(this::reading);
        }
        return desk.dossier()
                .runningJob()
                .filter(job -> item.need() instanceof Need.OfTool)
                .flatMap(job -> job.sheet().steps().stream()
                        .filter(step -> step.id().equals(item.need().stepId()))
                        .findFirst())
                .map(step -> have(() -> session.job().tick(step)));
    }

    private Node reading(Gate gate) {
        return gate.atLeast().isPresent()
                ? new TypedValue("bench-value", gate.fact(), session.readings()::takeTyped)
                : have(() -> session.readings().takeTyped(gate.fact(), gate.is().get(0)));
    }

    private static Button have(Runnable said) {
        Button have = new Button("I have it", new FontIcon(Feather.CHECK));
        have.setId("have-it");
        have.getStyleClass().add("do-this");
        have.setOnAction(press -> said.run());
        return have;
    }
}
