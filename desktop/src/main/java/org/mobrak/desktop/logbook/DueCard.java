package org.mobrak.desktop.logbook;

import java.time.LocalDate;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Button;
import javafx.scene.control.DatePicker;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.LogbookDesk;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.remind.Reminder;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Days;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What is to be done again with the phones in the drawer: today's first, then what comes. */
final class DueCard extends VBox {

    private final Session session;
    private final LogbookDesk.Due due;
    private final Optional<PhoneRecord> phone;

    DueCard(Session session, LogbookDesk.Due due) {
        this.session = session;
        this.due = due;
        this.phone = session.snapshot().get().phone();
        getStyleClass().add("side");
        Card today = new Card("Due by " + due.today());
        today.setId("due-today");
        due.all().stream()
                .filter(one -> one.isDue(due.today()))
                .forEach(one -> today.getChildren().add(line(session, one, true)));
        if (due.all().stream().noneMatch(one -> one.isDue(due.today()))) {
            today.getChildren().add(Texts.wrapped(Texts.plain("Nothing is due.")));
        }
        today.getChildren().add(buttons(session));
        getChildren().add(today);
        Card later = new Card("Later");
        due.all().stream()
                .filter(one -> !one.isDue(due.today()))
                .forEach(one -> later.getChildren().add(line(session, one, false)));
        phone.ifPresent(one -> getChildren().add(own(session, one, due.today())));
        if (later.getChildren().size() > 1) {
            getChildren().add(later);
        }
    }

    /** Whether this is what it tells, of the phone that lies on the desk now. */
    boolean tells(LogbookDesk.Due now) {
        return due.equals(now) && phone.equals(session.snapshot().get().phone());
    }

    private static HBox line(Session session, Reminder reminder, boolean now) {
        VBox words = new VBox(
                Texts.wrapped(Texts.plain(reminder.phone() + ": " + reminder.what() + ".")),
                Texts.wrapped(Texts.soft((now ? "Since " : "From ") + reminder.due() + ": " + reminder.why() + ".")));
        HBox line = new HBox(Sign.of(now ? Severity.CAUTION : Severity.NOTE), words);
        line.getStyleClass().add("signed-line");
        if (reminder.kind() == Reminder.Kind.OWN) {
            Button done = new Button("Done");
            done.getStyleClass().add("reminder-done");
            Texts.aloud(done, "Done: " + reminder.what());
            done.setMinWidth(Region.USE_PREF_SIZE);
            done.setOnAction(press -> session.logbook().forget(reminder));
            HBox.setHgrow(words, Priority.ALWAYS);
            line.getChildren().add(done);
        }
        return line;
    }

    /** A licence that ends, a driver to be renewed: only the person knows of it. */
    private static Card own(Session session, PhoneRecord phone, LocalDate today) {
        TextField what = new TextField();
        what.setId("remind-what");
        what.setPromptText("A licence that ends, a driver to renew …");
        Texts.aloud(what, "What you want to be reminded of");
        HBox.setHgrow(what, Priority.ALWAYS);
        DatePicker day = Days.field("remind-day", "The day from which it is time");
        day.setValue(today.plusMonths(1));
        Button add = new Button("Remind me");
        add.setId("remind");
        add.setMinWidth(Region.USE_PREF_SIZE);
        add.disableProperty()
                .bind(Bindings.createBooleanBinding(
                        () -> what.getText().isBlank() || day.getValue() == null,
                        what.textProperty(),
                        day.valueProperty()));
        add.setOnAction(press -> session.logbook().remind(day.getValue(), what.getText()));
        HBox line = new HBox(what, day, add);
        line.getStyleClass().add("typing");
        return new Card("For " + phone.nickname(), line);
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
        FlowPane buttons = new Flow(save, close);
        buttons.getStyleClass().add("buttons");
        return buttons;
    }
}
