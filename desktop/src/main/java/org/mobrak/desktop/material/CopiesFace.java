package org.mobrak.desktop.material;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.RestoreCheck;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;
import org.mobrak.desktop.plan.Choice;

/** The register of stock copies, and what it says of coming back. */
final class CopiesFace implements View {
    private final Session session;
    private final Choice choice;
    private final ListView<StockCopy> copies = new ListView<>();
    private final Sheet sheet = new Sheet(new VBox());
    private final HBox node;
    private Optional<Desk> desk = Optional.empty();

    CopiesFace(Session session, Choice choice, Runnable files) {
        this.session = session;
        this.choice = choice;
        choice.plan().addListener((property, old, plan) -> showDetail());
        copies.setId("stock-copies");
        copies.setCellFactory(view -> new CopyCell());
        copies.setPlaceholder(new Empty(
                "No copy of this phone is registered",
                "Take an image of each partition before it is written, drop it on this page, and register it from the table.",
                Empty.action("empty-choose-copies", "Choose files …", files)));
        copies.getSelectionModel().selectedItemProperty().addListener((property, old, copy) -> showDetail());
        HBox.setHgrow(sheet, Priority.ALWAYS);
        node = new Columns(copies, sheet);
        node.getStyleClass().add("page");
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        desk = snapshot.desk();
        int picked = copies.getSelectionModel().getSelectedIndex();
        List<StockCopy> now = desk.map(one -> one.stock().copies()).orElse(List.of());
        copies.getItems().setAll(now);
        copies.getSelectionModel().select(Math.max(0, Math.min(picked, now.size() - 1)));
        showDetail();
    }

    private void showDetail() {
        VBox content = new VBox();
        content.getStyleClass().add("side");
        desk.ifPresent(one -> content.getChildren().add(comeBack(one)));
        Optional.ofNullable(copies.getSelectionModel().getSelectedItem())
                .ifPresent(copy -> content.getChildren().add(detail(copy)));
        sheet.setContent(content);
    }

    private Card comeBack(Desk desk) {
        Optional<Plan> plan = Optional.ofNullable(choice.plan().get());
        List<RestoreCheck> answers = desk.comeBack(plan);
        Card card = new Card("Can I come back?");
        card.setId("come-back");
        if (answers.isEmpty()) {
            card.getChildren()
                    .add(Texts.wrapped(Texts.plain(
                            "No plan that writes a partition is open, so there is nothing to come back from.")));
        }
        answers.forEach(answer -> card.getChildren()
                .add(Words.signed(sign(answer.possible()), capital(answer.kind().label()) + ": " + answer.sentence())));
        return card;
    }

    private static Sign sign(Truth possible) {
        return Sign.of(possible);
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private Card detail(StockCopy copy) {
        Card card = new Card(
                copy.file().material().name(),
                Texts.wrapped(Texts.plain("The stock %s of this phone (%s), build %s"
                        .formatted(copy.covers().label(), copy.model(), copy.build()))),
                Texts.wrapped(Texts.soft(copy.file().path().toString())),
                Texts.wrapped(Texts.plain(CopyCell.standing(copy))));
        Button verify = new Button("Verify now", new FontIcon(Feather.CHECK_SQUARE));
        verify.setId("verify-copy");
        verify.getStyleClass().add("do-this");
        verify.setDisable(!copy.file().isThere() && copy.file().state() == Kept.State.GONE);
        verify.setOnAction(press -> session.files().verifyCopy(copy));
        Button off = new Button("Take it off the register", new FontIcon(Feather.X));
        off.setId("unregister-copy");
        off.setOnAction(press -> session.files().unregisterCopy(copy));
        FlowPane buttons = new Flow(verify, off);
        buttons.getStyleClass().add("buttons");
        card.getChildren().add(buttons);
        return card;
    }

    /** A copy in the list. */
    private static final class CopyCell extends ListCell<StockCopy> {
        @Override
        protected void updateItem(StockCopy copy, boolean empty) {
            super.updateItem(copy, empty);
            Texts.say(this, "");
            setGraphic(empty || copy == null ? null : row(copy));
        }

        private static HBox row(StockCopy copy) {
            var name = Texts.plain(copy.file().material().name());
            name.getStyleClass().add("route-name");
            VBox lines =
                    new VBox(name, Texts.soft(copy.covers().label() + ", " + copy.build()), Texts.soft(standing(copy)));
            lines.getStyleClass().add("route-lines");
            lines.setMinWidth(0);
            Truth whole = copy.isVerified() ? Truth.YES : copy.isDamaged() ? Truth.NO : Truth.UNKNOWN;
            HBox row = new HBox(Sign.of(whole), lines);
            row.getStyleClass().add("route-row");
            row.setPrefWidth(0);
            return row;
        }

        static String standing(StockCopy copy) {
            if (copy.file().state() == Kept.State.GONE) {
                return "no longer where it was";
            }
            return copy.check()
                    .map(check -> (check.whole() ? "found whole on " : "found damaged on ")
                            + check.at().atZone(ZoneId.systemDefault()).toLocalDate())
                    .orElse("not verified since it was registered");
        }
    }
}
