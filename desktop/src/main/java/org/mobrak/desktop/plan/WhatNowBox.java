package org.mobrak.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.mobrak.app.RehearsalDesk;
import org.mobrak.app.rehearsal.WhatNow;
import org.mobrak.core.fit.Truth;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** A mishap and what could be done: one chooses, and sees what the bench makes of it. */
final class WhatNowBox extends VBox {
    private final RehearsalDesk desk;
    private final Label situation = Texts.wrapped(Texts.plain(""));
    private final VBox answers = new VBox();
    private final Label record = Texts.wrapped(Texts.soft(""));
    private final Button next = new Button("Another mishap");
    private List<WhatNow> all = List.of();
    private Optional<WhatNow> asked = Optional.empty();
    private int turn;

    WhatNowBox(RehearsalDesk desk) {
        this.desk = desk;
        situation.setId("mishap");
        answers.getStyleClass().add("lines");
        record.setId("mishap-record");
        next.setId("next-mishap");
        next.setOnAction(press -> ask());
        getStyleClass().add("drill");
        getChildren().add(new Card("What now?", situation, answers, record, next));
    }

    /** What can be asked about now; a question that is open stays if it can still be asked. */
    void offer(List<WhatNow> questions) {
        boolean same = all.equals(questions);
        all = questions;
        if (!same) {
            ask();
        }
    }

    /** What is due comes first; else one after the other. */
    private void ask() {
        turn++;
        List<WhatNow> due = all.stream().filter(desk::isDue).toList();
        List<WhatNow> from = due.isEmpty() ? all : due;
        asked = from.isEmpty()
                ? Optional.empty()
                : Optional.of(from.get(turn % from.size()).shuffled(turn));
        asked.ifPresent(this::show);
    }

    private void show(WhatNow question) {
        Texts.say(situation, question.situation());
        Texts.say(record, standing(question));
        answers.getChildren().clear();
        for (int i = 0; i < question.answers().size(); i++) {
            WhatNow.Answer answer = question.answers().get(i);
            Button choose = new Button();
            Texts.say(choose, answer.words());
            choose.setId("answer-" + i);
            choose.setWrapText(true);
            choose.setMinHeight(Button.USE_PREF_SIZE);
            choose.setMaxWidth(Double.MAX_VALUE);
            choose.getStyleClass().add("choice");
            choose.setOnAction(press -> judge(question, answer));
            answers.getChildren().add(choose);
        }
    }

    private String standing(WhatNow question) {
        return desk.drills()
                .get()
                .of(question.key())
                .map(one -> "Known %d of %d times; again %s."
                        .formatted(one.sat(), one.tried(), desk.isDue(question) ? "today" : "on " + one.due()))
                .orElse("Not asked yet. What comes of each choice is played on the bench.");
    }

    private void judge(WhatNow question, WhatNow.Answer chosen) {
        desk.answered(question, question.isRight(chosen));
        answers.getChildren()
                .setAll(question.answers().stream()
                        .map(answer -> outcome(question, answer, answer == chosen))
                        .toList());
        Texts.say(record, standing(question));
        next.requestFocus();
    }

    private static HBox outcome(WhatNow question, WhatNow.Answer answer, boolean chosen) {
        Label words = Texts.wrapped(Texts.plain((chosen ? "You chose: " : "") + answer.words()));
        if (chosen) {
            words.getStyleClass().add("heading");
        }
        VBox said =
                new VBox(words, Texts.wrapped(Texts.soft(answer.worth().words() + " Seen: " + answer.comes() + ".")));
        said.setMinWidth(0);
        HBox line = new HBox(Sign.of(question.isRight(answer) ? Truth.YES : Truth.NO), said);
        line.getStyleClass().add("signed-line");
        return line;
    }
}
