package org.mobrak.app.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.app.Outlook;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.Cable;
import org.mobrak.link.bench.Stimulus;
import org.mobrak.link.bench.Stimulus.Image;
import org.mobrak.link.bench.Turn;

/**
 * What can go wrong with a sheet, as questions with the choices people really have. Which mishaps are asked about, and what tempts in
 * them, is common practice (no published source); what comes of each choice is played on the bench.
 */
public final class Mishaps {
    private static final double UNTIL_OFF_SECONDS = 9;
    private static final double AN_HOUR = 3600;
    private static final double WRITE_SECONDS = 60;
    private static final Stimulus TO_OS = new Stimulus.Restart(Mode.OS);
    private static final Stimulus TO_RECOVERY = new Stimulus.Restart(Mode.RECOVERY);
    /** What holding the power key does, whatever the phone does. */
    private static final List<Stimulus> FORCED_OFF = List.of(
            new Stimulus.Press(Key.POWER), new Stimulus.Pass(UNTIL_OFF_SECONDS), new Stimulus.Release(Key.POWER));

    private final BenchTruth phone;

    private Mishaps(BenchTruth phone) {
        this.phone = phone;
    }

    /** The first step of a sheet by which a computer writes to a partition. */
    private record Writing(String title, PartitionClass where, Mode mode) {
        static Optional<Writing> of(RunSheet sheet) {
            return sheet.steps().stream().flatMap(step -> of(step).stream()).findFirst();
        }

        private static Optional<Writing> of(Step step) {
            Optional<Mode> mode = step.how()
                    .flatMap(Step.Doing::mode)
                    .flatMap(Mode::ofWord)
                    .filter(one -> one == Mode.DOWNLOAD || one == Mode.FLASH_CONSOLE);
            return mode.filter(one -> step instanceof Step.Act)
                    .flatMap(one -> ((Step.Act) step)
                            .writes().stream()
                                    .filter(where -> where != PartitionClass.DATA && where != PartitionClass.APP)
                                    .findFirst()
                                    .map(where -> new Writing(step.title(), where, one)));
        }

        /** What tells that it was done. */
        Map<Fact, String> done() {
            return where == PartitionClass.RECOVERY
                    ? Map.of(Fact.RECOVERY, "custom")
                    : Map.of(Fact.KERNEL_KIND, "custom");
        }

        Stimulus.Task task(Image image) {
            return new Stimulus.Task(
                    Set.of(mode),
                    true,
                    Map.of(where, image),
                    done(),
                    false,
                    Truth.YES,
                    WRITE_SECONDS,
                    OptionalDouble.empty(),
                    true);
        }

        Stimulus write() {
            return new Stimulus.Work(task(Image.RIGHT));
        }

        Stimulus write(Image image) {
            return new Stimulus.Work(task(image));
        }

        Stimulus brokenOff() {
            return new Stimulus.Work(task(Image.RIGHT).brokenAt(0.5));
        }

        Stimulus begin() {
            return new Stimulus.Restart(mode);
        }
    }

    /** All that can be asked about a sheet on a phone as it is known; none where no computer writes anything. */
    public static List<WhatNow> of(Outlook outlook, RunSheet sheet) {
        BenchTruth known = BenchWays.of(OnBench.of("drill", outlook, 0), outlook.catalogue(), 0);
        // As before the work, so that what was done tells itself apart.
        Mishaps all = new Mishaps(known.knowing(Map.of(Fact.RECOVERY, "stock", Fact.KERNEL_KIND, "stock")));
        List<WhatNow> questions = new ArrayList<>();
        Writing.of(sheet).ifPresent(writing -> {
            questions.addAll(all.atTheCable(writing));
            questions.addAll(all.withTheFile(writing));
            questions.addAll(all.afterwards(writing));
        });
        return questions;
    }

    private List<WhatNow> atTheCable(Writing writing) {
        return List.of(
                new Asking("cable-drop", "Amid “%s” the cable slips out.".formatted(writing.title()), writing)
                        .when(writing.begin(), writing.brokenOff())
                        .choice(
                                "Plug it in again and write the same file once more, before it starts.",
                                new Stimulus.Plug(Cable.DATA),
                                writing.write(),
                                TO_OS)
                        .choice("Switch it off and see whether it starts.", new Stimulus.SwitchOff(), TO_OS)
                        .choice("Charge it to the full first, then start it.", new Stimulus.Charge(100), TO_OS)
                        .ask(),
                new Asking(
                                "driver-missing",
                                "Before “%s” the computer shows no port, with the right cable in."
                                        .formatted(writing.title()),
                                writing)
                        .when(writing.begin(), new Stimulus.Driver(false))
                        .choice(
                                "Install the driver, then unplug the phone and plug it in.",
                                new Stimulus.Driver(true),
                                writing.write(),
                                TO_OS)
                        .choice("Begin all the same; the tool will find it.", writing.write(), TO_OS)
                        .choice(
                                "Restart the phone into the same mode and begin.",
                                writing.begin(),
                                writing.write(),
                                TO_OS)
                        .ask(),
                new Asking(
                                "charging-cable",
                                "Before “%s” the phone charges and the computer shows no port."
                                        .formatted(writing.title()),
                                writing)
                        .when(writing.begin(), new Stimulus.Plug(Cable.CHARGING))
                        .choice(
                                "Take the cable that came with the phone.",
                                new Stimulus.Plug(Cable.DATA),
                                writing.write(),
                                TO_OS)
                        .choice("Install the driver anew and begin.", new Stimulus.Driver(true), writing.write(), TO_OS)
                        .choice(
                                "Take another socket of the computer and begin.",
                                new Stimulus.Plug(Cable.CHARGING),
                                writing.write(),
                                TO_OS)
                        .ask());
    }

    private List<WhatNow> withTheFile(Writing writing) {
        return List.of(
                new Asking(
                                "wrong-variant-file",
                                "The file for “%s” names the sister of this model.".formatted(writing.title()),
                                writing)
                        .when(writing.begin())
                        .choice(
                                "Look for the one that names this model, and compare its checksum.",
                                writing.write(),
                                TO_OS)
                        .choice("Write it: the two look the same.", writing.write(Image.FOREIGN), TO_OS)
                        .choice(
                                "Rename it to what the guide calls it, and write it.",
                                writing.write(Image.FOREIGN),
                                TO_OS)
                        .ask(),
                new Asking(
                                "damaged-file",
                                "The checksum of the file for “%s” is not the one beside it."
                                        .formatted(writing.title()),
                                writing)
                        .when(writing.begin())
                        .choice("Fetch it anew, and compare once more.", writing.write(), TO_OS)
                        .choice("Write it: the tool would tell if it were bad.", writing.write(Image.DAMAGED), TO_OS)
                        .choice("Try the same file with another tool.", writing.write(Image.DAMAGED), TO_OS)
                        .ask());
    }

    private List<WhatNow> afterwards(Writing writing) {
        List<WhatNow> all = new ArrayList<>(List.of(
                new Asking("black-screen", "After “%s” the screen stays black.".formatted(writing.title()), writing)
                        .when(writing.begin(), writing.write(), new Stimulus.Upset(false, true, false))
                        .choice("Hold the power key for about ten seconds, then start it.", forcedOff(TO_OS))
                        .choice("Give it an hour.", new Stimulus.Pass(AN_HOUR))
                        .choice("Write the file once more.", writing.write())
                        .ask(),
                new Asking(
                                "loops-at-logo",
                                "After “%s” it shows its logo again and again.".formatted(writing.title()),
                                writing)
                        .when(writing.begin(), writing.write(), new Stimulus.Upset(true, false, false), TO_OS)
                        .choice(
                                "Hold power until it is off, start the recovery, wipe only the compiled apps.",
                                forcedOff(TO_RECOVERY, new Stimulus.LightWipe(), TO_OS))
                        .choice(
                                "Start the recovery and wipe everything.",
                                forcedOff(TO_RECOVERY, new Stimulus.FormatData(), TO_OS))
                        .choice("Leave it alone for an hour; a first start is long.", new Stimulus.Pass(AN_HOUR))
                        .ask()));
        if (writing.where() == PartitionClass.RECOVERY) {
            all.add(stockAgain(writing));
        }
        return all;
    }

    private WhatNow stockAgain(Writing writing) {
        return new Asking(
                        "stock-recovery-returns",
                        "“%s” went well, the phone started, and the recovery that comes up now is the stock one."
                                .formatted(writing.title()),
                        writing)
                .when(new Stimulus.Upset(false, false, true), writing.begin(), writing.write(), TO_OS, TO_RECOVERY)
                .choice(
                        "Write it once more, and go straight into it before the OS can start.",
                        writing.begin(),
                        writing.write(),
                        TO_RECOVERY,
                        TO_OS)
                .choice("Write it once more and let the phone start.", writing.begin(), writing.write(), TO_OS)
                .choice("Go on from the stock recovery.", TO_OS)
                .ask();
    }

    private static Stimulus[] forcedOff(Stimulus... then) {
        List<Stimulus> all = new ArrayList<>(FORCED_OFF);
        all.addAll(List.of(then));
        return all.toArray(Stimulus[]::new);
    }

    /** A question while it is put together. */
    private final class Asking {
        private final String key;
        private final String what;
        private final Writing writing;
        private final List<WhatNow.Answer> answers = new ArrayList<>();
        private BenchState before = BenchState.of(phone);
        private String seen = "";

        Asking(String key, String what, Writing writing) {
            this.key = key;
            this.what = what;
            this.writing = writing;
        }

        /** What has happened when it is asked. */
        Asking when(Stimulus... happened) {
            for (Stimulus one : happened) {
                Turn turn = one.on(phone, before);
                before = turn.state();
                seen = turn.seen().isEmpty() ? seen : last(turn);
            }
            return this;
        }

        private String last(Turn turn) {
            return turn.seen().get(turn.seen().size() - 1).text();
        }

        Asking choice(String words, Stimulus... done) {
            BenchState state = before;
            String comes = "nothing happens";
            for (Stimulus one : done) {
                Turn turn = one.on(phone, state);
                state = turn.state();
                comes = turn.seen().isEmpty() ? comes : last(turn);
            }
            boolean emptied = Stream.of(done).anyMatch(Stimulus.FormatData.class::isInstance);
            answers.add(new WhatNow.Answer(words, worth(state, emptied), comes));
            return this;
        }

        private Worth worth(BenchState state, boolean emptied) {
            if (state.mode() == Mode.DEAD) {
                return Worth.LOST;
            }
            if (state.mode() != Mode.OS) {
                return Worth.STUCK;
            }
            boolean done = writing.done().entrySet().stream()
                    .allMatch(one -> one.getValue().equals(state.facts().get(one.getKey())));
            if (!done) {
                return Worth.NOT_DONE;
            }
            return emptied ? Worth.LOSES_DATA : Worth.GOES_ON;
        }

        WhatNow ask() {
            return new WhatNow(key, seen.isEmpty() ? what : what + " Seen last: " + seen + ".", answers);
        }
    }
}
