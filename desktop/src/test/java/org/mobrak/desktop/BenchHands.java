package org.mobrak.desktop;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import org.mobrak.app.Desk;
import org.mobrak.app.rehearsal.BenchView;
import org.mobrak.app.rehearsal.BenchView.Doing;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.testfx.util.WaitForAsyncUtils;

/** A person's hands on the drawn bench: buttons are pressed, and keys go down and up again while the bench's time goes by. */
final class BenchHands {
    private static final Map<Key, KeyCode> CODES = new EnumMap<>(Map.of(
            Key.VOLUME_UP, KeyCode.UP,
            Key.VOLUME_DOWN, KeyCode.DOWN,
            Key.POWER, KeyCode.P,
            Key.HOME, KeyCode.H,
            Key.BACK, KeyCode.B,
            Key.MENU, KeyCode.M,
            Key.CAMERA, KeyCode.C,
            Key.KEYBOARD_LETTER, KeyCode.L,
            Key.SERVICE_PLUG, KeyCode.S));
    private static final Set<Key> BUTTONS = Set.of(Key.VOLUME_UP, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
    /** Seconds for which a person holds on who sees nothing. */
    private static final double PATIENCE = 9;

    private static final double A_MOMENT = 0.3;

    private final Desktop desktop;
    private final Consumer<String> press;
    private final Practice practice;

    /**
     * Takes up the rehearsal that was asked for.
     *
     * @param press presses a button, by its id
     */
    BenchHands(Desktop desktop, Consumer<String> press) {
        this.desktop = desktop;
        this.press = press;
        desktop.until(
                "the phone lies on the bench",
                () -> desktop.session().rehearsals().practice().get().isPresent());
        practice = desktop.session().rehearsals().practice().get().orElseThrow();
        desktop.until("the sheet is written", () -> job().isPresent());
        rest();
    }

    Practice practice() {
        return practice;
    }

    Optional<Job> job() {
        return Optional.ofNullable(practice.session().snapshot().get())
                .flatMap(snapshot -> snapshot.desk())
                .flatMap(one -> one.dossier().runningJob());
    }

    Step next() {
        return job().flatMap(Job::next).orElseThrow();
    }

    /** What belongs to the thread that draws is read there. */
    private <T> T ask(Callable<T> question) {
        return WaitForAsyncUtils.waitForAsyncFx(10_000, question);
    }

    BenchView view() {
        return ask(practice::view);
    }

    private boolean offers(Doing doing) {
        return view().offers().stream().anyMatch(offer -> offer.doing() == doing);
    }

    private boolean isShown(String id) {
        return ask(() -> desktop.isShown(id));
    }

    /** By then the sheet shows what is next: it is told of it before the session says that it rests. */
    private void rest() {
        desktop.until(
                "the rehearsal's session rests",
                () -> practice.session().work().get().isEmpty());
    }

    void click(String id) {
        press.accept(id);
        rest();
    }

    /** Until the phone waits for somebody, with the waits skipped. */
    void skip() {
        while (view().busyWith().isPresent()) {
            click("skip-wait");
        }
    }

    private void fromTheMenu(String words) {
        MenuButton menu = desktop.find("bench-menu");
        desktop.robot()
                .interact(() -> menu.getItems().stream()
                        .filter(item -> item.getText().equals(words))
                        .findFirst()
                        .orElseThrow()
                        .fire());
        skip();
    }

    /** Plays a chord by the keyboard, from a phone that is off, or from where it is if all keys may be held. */
    void hold(KeyChord chord) {
        if (!chord.keys().contains(Key.ALL)) {
            fromTheMenu("Switch it off");
        }
        Fingers fingers = ask(() -> new Fingers(List.copyOf(chord.strokes())));
        desktop.robot().interact(fingers::start);
        desktop.until("the chord is played: " + chord.text(), fingers::areDone);
        skip();
    }

    /** Fingers see the screen at each frame, as a person does. */
    private final class Fingers extends AnimationTimer {
        private final List<Stroke> strokes;
        private final Set<Key> down = EnumSet.noneOf(Key.class);
        private final Robot keyboard = new Robot();
        private int stroke = -1;
        private double since;
        private String mode = "";

        Fingers(List<Stroke> strokes) {
            this.strokes = strokes;
        }

        boolean areDone() {
            return stroke == strokes.size() && practice.held().isEmpty();
        }

        @Override
        public void handle(long now) {
            if (stroke >= 0 && !isOver(strokes.get(stroke))) {
                return;
            }
            stroke++;
            if (stroke == strokes.size()) {
                hold(Set.of());
                stop();
                return;
            }
            since = practice.seconds();
            mode = practice.view().mode();
            List<Key> keys = strokes.get(stroke).keys();
            hold(keys.contains(Key.ALL) ? BUTTONS : Set.copyOf(keys));
        }

        private boolean isOver(Stroke played) {
            double passed = practice.seconds() - since;
            if (played.until().isPresent()) {
                BenchView seen = practice.view();
                return played.until().filter(seen.told()::contains).isPresent()
                        || !seen.mode().equals(mode)
                        || passed > PATIENCE;
            }
            double wanted = played.seconds().map(Integer::doubleValue).orElse(played.pressed() ? 0.0 : PATIENCE);
            return passed > wanted + A_MOMENT;
        }

        private void hold(Set<Key> wanted) {
            practice.keys().stream()
                    .filter(key -> down.contains(key) && !wanted.contains(key))
                    .forEach(key -> keyboard.keyRelease(CODES.get(key)));
            practice.keys().stream()
                    .filter(key -> wanted.contains(key) && !down.contains(key))
                    .forEach(key -> keyboard.keyPress(CODES.get(key)));
            down.clear();
            down.addAll(wanted);
        }
    }

    /** Does the step that is next with the bench's buttons, keys and the sheet's own. */
    void doNext() {
        Step step = next();
        if (step instanceof Step.Ready ready) {
            seeTo(ready);
        } else if (!(step instanceof Step.Fetch)) {
            ask(practice::chord).ifPresent(this::hold);
            ifOffered(Doing.FORMAT);
            if (step.hasNoReturn()) {
                desktop.fill("confirm", confirmation());
            }
            if (isShown("begin")) {
                click("begin");
            } else if (offers(Doing.DO_IT)) {
                click("bench-do-it");
            }
            skip();
            ifOffered(Doing.FORMAT);
        }
    }

    private void ifOffered(Doing doing) {
        if (offers(doing)) {
            click("bench-" + doing.name().toLowerCase(Locale.ROOT));
            skip();
        }
    }

    private void seeTo(Step.Ready ready) {
        click("bench-note-it");
        Desk standing = practice.session().snapshot().get().desk().orElseThrow();
        if (job().orElseThrow()
                .objectionToTick(ready, standing.identity().facts())
                .isPresent()) {
            click("bench-see-to-it");
            click("bench-note-it");
        }
    }

    private String confirmation() {
        return practice.session()
                .snapshot()
                .get()
                .desk()
                .map(Desk::confirmation)
                .orElse("");
    }

    void tick() {
        long before = job().orElseThrow().tickedCount();
        String title = next().title();
        if (isShown("confirm")) {
            desktop.fill("confirm", confirmation());
        }
        desktop.until(
                "“" + title + "” can be ticked",
                () -> desktop.robot()
                        .lookup("#tick")
                        .tryQuery()
                        .filter(button -> !button.isDisabled())
                        .isPresent());
        click("tick");
        desktop.until(
                "it is ticked: " + title,
                () -> job().filter(one -> one.tickedCount() == before + 1).isPresent());
    }

    void workUpTo(String title) {
        while (!next().title().equals(title)) {
            doNext();
            tick();
        }
    }

    void workToTheEnd() {
        while (job().flatMap(Job::next).isPresent()) {
            doNext();
            tick();
        }
    }
}
