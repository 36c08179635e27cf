package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import org.mobrak.app.aftercare.Aftercare;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Output;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.proof.OutcomeReport;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.Strictness;
import org.mobrak.link.PhoneLink;

/** What is noted and tried after the work. Called on the thread that draws; nothing is worked out until somebody looks. */
public final class AftercareDesk {
    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final PhoneLink link;
    private final Observed<Optional<AftercareView>> view = new Observed<>(Optional.empty());

    /** Something that may be refused. */
    private interface Change {
        Outcome make(Aftercare aftercare) throws IOException, Refusal;
    }

    AftercareDesk(Workers workers, Supplier<Workbench> bench, PhoneLink link) {
        this.link = link;
        this.workers = workers;
        this.bench = bench;
    }

    /** The phone on the desk after the work; empty until it was looked at. */
    public Observed<Optional<AftercareView>> view() {
        return view;
    }

    /** Works everything out for the phone on the desk, quietly. */
    public void look() {
        workers.quietly(this::showOrTell);
    }

    /** An empty page would not say why it is empty. */
    private void showOrTell() {
        try {
            show();
        } catch (IOException | Refusal unreadable) {
            workers.draw(
                    () -> workers.notice.set(Optional.of(new Notice(true, String.valueOf(unreadable.getMessage())))));
        }
    }

    /** On the worker thread. */
    private void show() throws IOException, Refusal {
        Workbench open = bench.get();
        Optional<AftercareView> now = open == null ? Optional.empty() : open.lookAfter();
        workers.draw(() -> {
            // A command shows what came of it, and the snapshot after it the same: nothing is drawn twice.
            if (!view.get().equals(now)) {
                view.set(now);
            }
        });
    }

    private void change(String what, Change change) {
        workers.ask(what, () -> {
            Outcome told = change.make(bench.get().aftercare());
            show();
            return told;
        });
    }

    public void saw(Seen what) {
        change("Noting what was seen", aftercare -> {
            aftercare.saw(what);
            return Outcome.NOTHING;
        });
    }

    /** Takes what a manager or a proof app says, copied off its screen. */
    public void heard(String text) {
        change("Reading what it says", aftercare -> {
            aftercare.heard(text);
            return Outcome.NOTHING;
        });
    }

    /** Asks the shell of a phone on the cable who its highest user is. */
    public void askForRoot(String phone) {
        climb("Asking " + phone, () -> CableProof.ofShell(link, phone));
    }

    /** Restarts a phone on the cable, so that what is asked after it shows whether root lasts. */
    public void restart(String phone) {
        climb("Restarting " + phone, () -> CableProof.ofRestart(link, phone));
    }

    private void climb(String what, Callable<CableProof> asking) {
        workers.askPhone(what, asking, proof -> {
            bench.get().intakes().mustBeOnDesk(proof.who());
            if (proof.seen().isPresent()) {
                bench.get().aftercare().saw(proof.seen().get());
            }
            show();
            return Outcome.told(proof.words());
        });
    }

    public void judgeBy(Strictness strictness) {
        change("Judging proof", aftercare -> {
            aftercare.judgeBy(strictness);
            return Outcome.NOTHING;
        });
    }

    /** Notes what may be claimed of root as a reading. */
    public void noteClaim(String state) {
        workers.ask("Noting root", () -> {
            Notice noted = bench.get().readings().takeTyped(Fact.ROOT, state);
            show();
            return new Outcome.Told(noted);
        });
    }

    public void turn(String symptom) {
        change("Noting a symptom", aftercare -> {
            aftercare.turn(symptom);
            return Outcome.NOTHING;
        });
    }

    public void answer(String question, String answer) {
        change("Noting an answer", aftercare -> {
            aftercare.answer(question, answer);
            return Outcome.NOTHING;
        });
    }

    public void takeBackAnswer(String question) {
        change("Taking an answer back", aftercare -> {
            aftercare.takeBackAnswer(question);
            return Outcome.NOTHING;
        });
    }

    /** Makes it the goal that a trouble is gone, and notes that it is there, so that ways are weighed. */
    public void mend(String symptom, Optional<School> school, Limits limits) {
        workers.ask("Weighing what mends it", () -> {
            Workbench open = bench.get();
            open.readings().takeTyped(Fact.TROUBLE, symptom);
            Goal goal = Goal.ofKey("mend:" + symptom)
                    .orElseThrow(() -> new Refusal("No plan mends this; go by the advice."));
            Wishes.keep(open.logbook(), open.picked().get().orElseThrow(), new Wish(goal, school, limits));
            return Outcome.NOTHING;
        });
    }

    /** Saves how the routes of an ended job went, for others. */
    public void saveReport(Job job, Path out) {
        workers.ask("Saving the report", () -> {
            List<OutcomeReport> reports = OutcomeReport.of(job);
            if (reports.isEmpty()) {
                throw new Refusal(
                        "Model or build number were not known when this job began, so it tells others nothing.");
            }
            Output.write(out, OutcomeReport.csv(reports));
            return Outcome.told("Saved: " + out + ". Nothing of you or of this single phone is in it.");
        });
    }

    /** Takes other people's reports in as evidence. */
    public void takeReports(Path file) {
        workers.tell("Reading reports", () -> bench.get().takeReports(file));
    }

    public void openProperties(Path file) {
        change("Opening " + file.getFileName(), aftercare -> {
            aftercare.open(file);
            return Outcome.NOTHING;
        });
    }

    public void openPasted(String text) {
        change("Opening the text", aftercare -> {
            aftercare.openPasted(text);
            return Outcome.NOTHING;
        });
    }

    /** Takes the property file off a phone on the cable. */
    public void pull(String seen) {
        workers.askPhone(
                "Taking the file off " + seen,
                () -> new Pulled(CableProof.who(link, seen), new CablePatch(link, seen).pull()),
                pulled -> {
                    bench.get().intakes().mustBeOnDesk(pulled.who());
                    bench.get().aftercare().openPulled(seen, pulled.content());
                    show();
                    return Outcome.NOTHING;
                });
    }

    /** A file, and the property list of the phone it lay on. */
    private record Pulled(RawText who, byte[] content) {}

    /** Brings the changed file back to the phone it was taken off, restarts that, and asks what it says now. */
    public void bringBack() {
        workers.askPhone("Bringing the file back", this::bring, said -> {
            bench.get().aftercare().brought();
            show();
            return Outcome.told(said);
        });
    }

    private String bring() throws Exception {
        Aftercare.Pulled pulled =
                workers.fromWorker(() -> bench.get().aftercare().pulled());
        PropertyPatch patch = pulled.edit().patch().orElseThrow();
        return new CablePatch(link, pulled.phone())
                .bring(pulled.edit().bytes(), patch.bytes().orElseThrow(), patch.change());
    }

    public void putFileAway() {
        change("Putting the file away", aftercare -> {
            aftercare.putFileAway();
            return Outcome.NOTHING;
        });
    }

    public void change(String key, String value, String expected) {
        change("Trying the change", aftercare -> {
            aftercare.change(key, value, expected);
            return Outcome.NOTHING;
        });
    }

    public void save(Path out) {
        change(
                "Saving the changed file",
                aftercare -> Outcome.told("Saved: " + aftercare.save(out) + ". It is kept with the phone."));
    }

    public void saveDiff(Path out) {
        change("Saving the difference", aftercare -> {
            aftercare.saveDiff(out);
            return Outcome.told("Saved: " + out);
        });
    }

    public void appsBefore(Path list) {
        change("Reading the apps", aftercare -> {
            aftercare.appsBefore(list);
            return Outcome.NOTHING;
        });
    }

    public void appsAfter(Path list) {
        change("Reading the apps", aftercare -> {
            aftercare.appsAfter(list);
            return Outcome.NOTHING;
        });
    }
}
