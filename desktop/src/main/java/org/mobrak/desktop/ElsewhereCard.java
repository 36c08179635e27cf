package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import org.mobrak.app.Transfers;
import org.mobrak.core.logbook.WorkspaceCheck;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** A workspace that was made elsewhere: what a look at a copy of it found, and the button that says it may be opened. */
final class ElsewhereCard extends Card {
    private static final int MOST_PROBLEMS = 5;

    private final Label found = Texts.wrapped(Texts.plain("Looking it through …"));

    /**
     * A card whose look has begun.
     *
     * @param agreed what is done once the person agrees
     */
    ElsewhereCard(MobrakApp.Places places, Path folder, Runnable agreed) {
        super("A workspace from somewhere else");
        Button open = Empty.action("elsewhere-open", "Open it here", agreed);
        open.getStyleClass().add("do-this");
        Flow buttons = new Flow(open);
        buttons.getStyleClass().add("buttons");
        found.setId("elsewhere-found");
        getChildren()
                .addAll(
                        Texts.wrapped(Texts.exact(folder.toString())),
                        Texts.wrapped(
                                Texts.plain(
                                        "It was made on another computer, or its folder was moved or copied. Nothing has been written into it. Open it if you know where it comes from; you are asked once.")),
                        found,
                        buttons);
        setId("elsewhere");
        Transfers transfers = new Transfers(places.home(), places.cache(), Clock.systemDefaultZone());
        new Thread(() -> look(transfers, folder), "look").start();
    }

    private void look(Transfers transfers, Path folder) {
        String told;
        try {
            told = words(transfers.check(folder));
        } catch (IOException | RuntimeException refused) {
            told = FileWords.of(refused);
        }
        String words = told;
        Platform.runLater(() -> Texts.say(found, words));
    }

    private static String count(long number, String one, String more) {
        return number + " " + (number == 1 ? one : more);
    }

    private static String words(WorkspaceCheck check) {
        List<String> problems = check.problems();
        String holds = "A copy of it was looked through: %s, %s, %s. "
                .formatted(
                        count(check.phones(), "phone", "phones"),
                        count(check.jobs(), "job", "jobs"),
                        count(check.entries(), "entry", "entries"));
        return problems.isEmpty()
                ? holds + "All of it is whole."
                : holds + "What is wrong in it:\n• "
                        + String.join(
                                "\n• ", problems.stream().limit(MOST_PROBLEMS).toList())
                        + (problems.size() > MOST_PROBLEMS
                                ? "\n• and %d more".formatted(problems.size() - MOST_PROBLEMS)
                                : "");
    }
}
