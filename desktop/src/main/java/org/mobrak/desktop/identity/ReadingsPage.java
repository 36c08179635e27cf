package org.mobrak.desktop.identity;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Glance;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Intake;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The page on which a phone gets its identity. */
public final class ReadingsPage implements View {
    private final Session session;
    private final Leads leads;
    private final RulerCard ruler = new RulerCard();
    private final ListView<FactRow> facts = new ListView<>();
    private final VBox stops = part();
    private final VBox next = part();
    private final VBox behind = part();
    private final VBox conflicts = part();
    private final VBox odd = part();
    private final IntakeCard intake;
    private final VBox side;
    private final Sheet sideScroll;
    private final VBox node;
    private Optional<Glance.Phone> phone = Optional.empty();
    private List<NextReading> waitedFor = List.of();
    /** Whether what is worth reading next is that of this phone as it is now. */
    private boolean weighed;

    private boolean filling;

    /** @param leads the way to where a phone is named */
    public ReadingsPage(Session session, Leads leads) {
        this.leads = leads;
        this.session = session;
        this.intake = new IntakeCard(session);
        facts.setId("facts");
        facts.setCellFactory(FactCell::new);
        facts.getSelectionModel().selectedItemProperty().addListener((property, old, row) -> {
            if (!filling) {
                showBehind(row);
            }
        });
        side = new VBox(behind, conflicts, intake.node(), next, odd);
        side.getStyleClass().add("side");
        sideScroll = new Sheet(side);
        sideScroll.getStyleClass().add("side-scroll");
        HBox below = new Columns(facts, sideScroll);
        HBox.setHgrow(facts, Priority.ALWAYS);
        VBox.setVgrow(below, Priority.ALWAYS);
        node = new VBox(stops, ruler.node(), below);
        node.getStyleClass().add("page");
    }

    private static VBox part() {
        VBox part = new VBox();
        part.getStyleClass().add("side");
        part.managedProperty().bind(Bindings.isNotEmpty(part.getChildren()));
        return part;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        intake.show(snapshot.bench(), snapshot.desk().map(Desk::dossier));
        ruler.offer(snapshot.desk());
        show(snapshot.glance());
        List<NextReading> worthReading = snapshot.desk().map(Desk::next).orElse(List.of());
        if (!weighed || !worthReading.equals(waitedFor)) {
            weighed = true;
            waitedFor = worthReading;
            next.getChildren().clear();
            odd.getChildren().clear();
            snapshot.desk().ifPresent(this::fillWhatIsNext);
        }
    }

    /** Who the phone is. What is worth reading next comes with the snapshot. */
    public void show(Glance glance) {
        Optional<Glance.Phone> before = phone;
        phone = glance.phone();
        if (before.isPresent() && phone.filter(before.get()::tellsTheSame).isPresent()) {
            // Nothing that stands here has changed, and somebody may be typing into it.
            return;
        }
        weighed = false;
        boolean samePhone = number(phone).equals(number(before));
        ruler.show(phone);
        side.setDisable(phone.isEmpty());
        fillFacts(samePhone);
        if (before.isPresent() && !samePhone && !facts.getItems().isEmpty()) {
            facts.scrollTo(0);
        }
        stops.getChildren().clear();
        conflicts.getChildren().clear();
        phone.map(Glance.Phone::identity).ifPresent(this::fillDisagreements);
        showBehind(facts.getSelectionModel().getSelectedItem());
        if (!samePhone) {
            sideScroll.setVvalue(0);
        }
    }

    private static Optional<Long> number(Optional<Glance.Phone> phone) {
        return phone.map(one -> one.dossier().phone().id());
    }

    private void fillFacts(boolean samePhone) {
        filling = true;
        Optional<Fact> kept = samePhone ? selected() : Optional.empty();
        facts.getSelectionModel().clearSelection();
        facts.getItems().setAll(phone.map(one -> rows(one.identity().facts())).orElseGet(List::of));
        kept.ifPresent(this::select);
        if (facts.getItems().isEmpty() && facts.getPlaceholder() == null) {
            facts.setPlaceholder(new Empty(
                    "No phone on the desk",
                    "Give yours a name in the drawer on the left and press Enter; then paste what it says of itself.",
                    Empty.action("empty-name-phone", "Add a phone", leads::addPhone)));
        }
        filling = false;
    }

    private void fillDisagreements(Identity identity) {
        FindingLines.stops(identity.findings()).ifPresent(stops.getChildren()::add);
        for (Fact fact : Fact.values()) {
            if (identity.facts().belief(fact) instanceof Belief.Conflicting split) {
                conflicts.getChildren().add(ConflictCard.of(fact, split, () -> select(fact)));
            }
        }
    }

    private void fillWhatIsNext(Desk one) {
        new NextCard(session).of(one).ifPresent(next.getChildren()::add);
        FindingLines.odd(one.identity().findings()).ifPresent(odd.getChildren()::add);
        Dossier dossier = one.dossier();
        dossier.intakes().stream()
                .filter(text -> text.counts() && !dossier.isReadable(text))
                .forEach(text -> odd.getChildren().add(unreadable(text)));
    }

    private Card unreadable(Intake text) {
        Button out = new Button("Take it out", new FontIcon(Feather.X));
        out.setId("take-out");
        out.setOnAction(press -> session.readings().takeOut(text));
        return new Card(
                "A text that cannot be read: " + text.name(),
                Texts.wrapped(Texts.plain("Nothing of it counts. The other texts are read as before.")),
                out);
    }

    /** Puts the cursor where a reading is pasted. */
    public void begin() {
        intake.begin();
        sideScroll.setVvalue(0);
    }

    /** Lets the user open files, as the button does. */
    public void chooseFiles() {
        intake.chooseFiles();
    }

    /** Known facts first in each group. */
    private static List<FactRow> rows(Facts facts) {
        List<FactRow> rows = new ArrayList<>();
        for (Fact.Group group : Fact.Group.values()) {
            List<FactRow> known = new ArrayList<>();
            List<FactRow> unknown = new ArrayList<>();
            for (Fact fact : Fact.values()) {
                if (fact.group() == group) {
                    Belief belief = facts.belief(fact);
                    (belief instanceof Belief.Unknown ? unknown : known).add(new FactRow.Line(fact, belief));
                }
            }
            rows.add(new FactRow.Heading(group.label()));
            rows.addAll(known);
            rows.addAll(unknown);
        }
        return rows;
    }

    private Optional<Fact> selected() {
        return facts.getSelectionModel().getSelectedItem() instanceof FactRow.Line line
                ? Optional.of(line.fact())
                : Optional.empty();
    }

    /** Shows a fact and the readings behind it. */
    public void select(Fact fact) {
        facts.getItems().stream()
                .filter(row -> row instanceof FactRow.Line line && line.fact() == fact)
                .findFirst()
                .ifPresent(row -> {
                    facts.getSelectionModel().select(row);
                    facts.scrollTo(row);
                });
    }

    private void showBehind(FactRow row) {
        behind.getChildren().clear();
        if (!(row instanceof FactRow.Line line) || phone.isEmpty()) {
            return;
        }
        Fact fact = line.fact();
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        for (Reading reading : phone.get().identity().ledger().of(fact)) {
            lines.getChildren().add(new ReadingLine(session, reading));
        }
        if (lines.getChildren().isEmpty()) {
            lines.getChildren()
                    .add(Texts.wrapped(Texts.soft("Nobody has said. Look here: " + fact.whereToRead() + ".")));
        }
        behind.getChildren()
                .add(new Card(
                        "Behind “" + fact.label() + "”",
                        lines,
                        Typing.line(fact, value -> session.readings().takeTyped(fact, value))));
        sideScroll.setVvalue(0);
    }
}
