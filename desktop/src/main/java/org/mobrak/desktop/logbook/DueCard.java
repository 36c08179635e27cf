package org.mobrak.desktop.logbook;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.LogbookDesk;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.logbook.remind.Reminder;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What is to be done again with the phones in the drawer: today's first, then what comes. */
final class DueCard extends VBox {

    DueCard(Session session, LogbookDesk.Due due) {
        getStyleClass().add("side");
        Card today = new Card("Due by " + due.today());
        today.setId("due-today");
        due.all().stream()
                .filter(one -> one.isDue(due.today()))
                .forEach(one -> today.getChildren().add(line(one, true)));
        if (due.all().stream().noneMatch(one -> one.isDue(due.today()))) {
            today.getChildren().add(Texts.wrapped(Texts.plain("Nothing is due.")));
        }
        today.getChildren().add(buttons(session));
        getChildren().add(today);
        Card later = new Card("Later");
        due.all().stream()
                .filter(one -> !one.isDue(due.today()))
                .forEach(one -> later.getChildren().add(line(one, false)));
        if (later.getChildren().size() > 1) {
            getChildren().add(later);
        }
    }

    private static HBox line(Reminder reminder, boolean now) {
        VBox words = new VBox(
                Texts.wrapped(Texts.plain(reminder.phone() + ": " + reminder.what() + ".")),
                Texts.wrapped(Texts.soft((now ? "Since " : "From ") + reminder.due() + ": " + reminder.why() + ".")));
        HBox line = new HBox(Sign.of(now ? Severity.CAUTION : Severity.NOTE), words);
        line.getStyleClass().add("signed-line");
        return line;
    }

    private FlowPane buttons(Session session) {
        Button save = new Button("Save as a calendar …", new FontIcon(Feather.CALENDAR));
        save.setId("save-calendar");
        save.setOnAction(press -> {
            FileChooser chooser = new FileChooser();
            chooser.setTitle("For any calendar");
            chooser.setInitialFileName("phones.ics");
            chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("iCalendar", "*.ics"));
            Optional.ofNullable(chooser.showSaveDialog(getScene().getWindow()))
                    .ifPresent(file -> session.logbook().saveCalendar(file.toPath()));
        });
        Button close = new Button("Back to the jobs");
        close.setId("put-due-away");
        close.setOnAction(press -> session.logbook().putDueAway());
        FlowPane buttons = new FlowPane(save, close);
        buttons.getStyleClass().add("buttons");
        return buttons;
    }
}
