package org.mobrak.desktop.shell;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.animation.PauseTransition;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Notice;
import org.mobrak.app.Progress;
import org.mobrak.app.Question;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Texts;

/** Tells what just happened and, when work takes longer than a blink, what is being done and how to stop it. */
final class MessageBar {
    private static final Duration A_BLINK = Duration.millis(250);
    /** What a start takes. Until then what is seen must not move because of what nobody need read. */
    private static final Duration A_START = Duration.millis(1500);

    private final Label said = Texts.wrapped(Texts.plain(""));
    private final HBox notice;
    private final Label asked = Texts.wrapped(Texts.plain(""));
    private final Button apart = new Button();
    private final VBox question;
    private final ProgressBar bar = new ProgressBar();
    private final Label doing = Texts.plain("");
    private final Label far = Texts.soft("");
    private final HBox work;
    private final PauseTransition patience = new PauseTransition(A_BLINK);
    private final StackPane node;
    private final BooleanSupplier starts;

    MessageBar(Session session) {
        said.setId("notice");
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        Button close = new Button("", new FontIcon(Feather.X));
        Texts.aloud(close, "Close the message");
        close.setOnAction(press -> session.dismiss());
        notice = new HBox(said, close);
        notice.getStyleClass().add("notice");
        question = question(session);
        Button cancel = new Button("Cancel");
        cancel.setId("cancel");
        cancel.setOnAction(press -> session.cancel());
        doing.setId("doing");
        work = new HBox(bar, doing, far, cancel);
        work.getStyleClass().add("notice");
        starts = () -> session.snapshot().get() == null;
        node = new StackPane();
        node.getStyleClass().add("message-bar");
        // A question is answered before a notice is read, and what is being done can be stopped before either.
        question.setViewOrder(-1);
        work.setViewOrder(-2);
        patience.setOnFinished(over -> present(work, session.work().get().isPresent()));
        session.notice().addListener((property, old, what) -> show(what));
        session.question().addListener((property, old, what) -> ask(what));
        session.work().addListener((property, old, what) -> showWork(what));
        session.progress().addListener((property, old, now) -> showProgress(now));
    }

    Region node() {
        return node;
    }

    private VBox question(Session session) {
        asked.setId("question");
        apart.setId("answer-new");
        apart.getStyleClass().add("do-this");
        apart.setOnAction(press -> session.readings().answer(Question.Answer.NEW_PHONES));
        Button same = new Button("Add it to this phone all the same");
        same.setId("answer-same");
        same.setOnAction(press -> session.readings().answer(Question.Answer.SAME_PHONE));
        Button leave = new Button("Leave it");
        leave.setId("answer-leave");
        leave.setOnAction(press -> session.readings().answer(Question.Answer.LEAVE));
        HBox answers = new HBox(apart, same, leave);
        answers.getStyleClass().add("buttons");
        VBox box = new VBox(asked, answers);
        box.getStyleClass().addAll("notice", "question");
        return box;
    }

    private void ask(Optional<Question> what) {
        present(question, what.isPresent());
        what.ifPresent(one -> {
            Texts.say(asked, one.text());
            Texts.say(
                    apart,
                    one.heaps().size() == 1
                            ? "Put it in the drawer as a new phone"
                            : "Put each in the drawer as a new phone");
            apart.requestFocus();
        });
    }

    private void show(Optional<Notice> what) {
        present(notice, what.isPresent());
        what.ifPresent(one -> {
            Texts.say(said, one.text());
            notice.getStyleClass().remove("notice-bad");
            if (one.bad()) {
                notice.getStyleClass().add("notice-bad");
            }
        });
    }

    private void showWork(Optional<String> what) {
        Texts.say(doing, what.map(words -> words + " …").orElse(""));
        if (what.isPresent()) {
            patience.setDuration(starts.getAsBoolean() ? A_START : A_BLINK);
            patience.playFromStart();
        } else {
            patience.stop();
            present(work, false);
        }
    }

    private void showProgress(Optional<Progress> now) {
        bar.setProgress(now.map(Progress::part).orElse(ProgressBar.INDETERMINATE_PROGRESS));
        Texts.say(far, now.map(Progress::words).orElse(""));
    }

    /** What there is nothing to say in costs nothing. */
    private void present(Region part, boolean there) {
        if (!there) {
            node.getChildren().remove(part);
        } else if (!node.getChildren().contains(part)) {
            node.getChildren().add(part);
        }
    }
}
