package org.mobrak.app;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.logbook.Intake;
import org.mobrak.link.PhoneLink;

/** What the phone on the desk says of itself: taken in, set aside, put right. Called on the thread that draws. */
public final class ReadingDesk {
    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final PhoneLink link;
    private final FileDesk files;
    private final Executor drawing;

    ReadingDesk(Workers workers, Supplier<Workbench> bench, PhoneLink link, FileDesk files, Executor drawing) {
        this.workers = workers;
        this.bench = bench;
        this.link = link;
        this.files = files;
        this.drawing = drawing;
    }

    /** Takes a text in from the clipboard or a text field. */
    public void takePasted(String text) {
        workers.ask("Reading the text", () -> bench.get().intakes().offer(List.of(TextIntake.pasted(text))));
    }

    public void takeFiles(List<Path> texts) {
        String what = texts.size() == 1 ? texts.get(0).getFileName().toString() : texts.size() + " files";
        workers.ask("Reading " + what, () -> bench.get().intakes().takeFiles(texts));
    }

    /** Takes files in that somebody opened with this program: text is read, anything else is looked into. */
    public void takeWhatever(List<Path> all) {
        workers.read("Looking at what was opened", () -> OpenedWith.texts(all), texts -> {
            List<Path> others =
                    all.stream().filter(file -> !texts.contains(file)).toList();
            drawing.execute(() -> {
                if (!texts.isEmpty()) {
                    takeFiles(texts);
                }
                if (!others.isEmpty()) {
                    files.lookInto(others);
                }
            });
            return Outcome.NOTHING;
        });
    }

    /** Asks a phone on the cable for everything it can say. */
    public void takeFromCable(String seen) {
        workers.askPhone(
                "Asking " + seen,
                () -> CableReading.of(link, seen),
                texts -> bench.get().intakes().offer(texts));
    }

    public void takeTyped(Fact fact, String value) {
        workers.tell("Noting " + fact.label(), () -> bench.get().readings().takeTyped(fact, value));
    }

    /** Notes several things that a person read, all or none. */
    public void takeByHand(Map<Fact, String> said) {
        workers.tell("Noting the readings", () -> bench.get().readings().takeByHand(said));
    }

    /** No longer lets a reading count; it is kept, with the reason. */
    public void setAside(Reading reading, String reason) {
        workers.tell("Setting a reading aside", () -> bench.get().readings().setAside(reading, reason));
    }

    /** Lets a reading that was set aside count again. */
    public void letCount(Reading reading) {
        workers.tell("Letting a reading count", () -> bench.get().readings().letCount(reading));
    }

    /** Sets a misread reading aside and notes what it should have said. */
    public void correct(Reading reading, String value) {
        workers.tell("Correcting a reading", () -> bench.get().readings().correct(reading, value));
    }

    /** Takes a whole text out of the phone's readings. */
    public void takeOut(Intake text) {
        workers.tell("Taking a text out", () -> bench.get().readings().takeOut(text));
    }

    /** Answers the question that is open. */
    public void answer(Question.Answer answer) {
        Question asked = workers.closeQuestion().orElseThrow();
        workers.tell("Putting the readings away", () -> bench.get().intakes().answer(asked, answer));
    }
}
