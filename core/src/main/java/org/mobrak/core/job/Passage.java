package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Handling;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.PhoneFamily.ModeKeys;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Leads the phone from step to step: where the next one happens in another mode than the last one left the phone in, a step
 * of its own brings it there by the phone's own keys, and the cable is put in where the computer works and it is out.
 *
 * @param family of the phone; empty where no catalogue knows it
 * @param model of the phone
 * @param noted the keys that a person has tried and noted, or that a step of the sheet tells, by the mode they lead into
 */
record Passage(Optional<PhoneFamily> family, String model, Map<String, KeyChord> noted) {
    private static final Map<String, Fact> NOTED =
            Map.of("recovery", Fact.RECOVERY_KEYS, "download", Fact.DOWNLOAD_KEYS, "flash-console", Fact.CONSOLE_KEYS);

    static final String OS = "os";
    private static final String OFF = "off";
    /** Where only a computer does anything. */
    private static final Set<String> BY_COMPUTER = Set.of("download", "flash-console");

    private static final Map<String, String> TITLES = Map.of(
            OS,
            "Start the system",
            OFF,
            "Switch the phone off",
            "recovery",
            "Into the recovery",
            "download",
            "Into download mode",
            "flash-console",
            "Into the flash console");

    private static final Map<String, String> SIGNS = Map.of(
            OS,
            "The usual start screen.",
            OFF,
            "The screen is dark.",
            "recovery",
            "The recovery's menu.",
            "download",
            "The download screen.",
            "flash-console",
            "The console's screen.");

    private static final String DONE_AT_ALL = "It says that it is done, and names no error.";
    private static final Map<String, String> DONE = Map.of(
            "download",
            "The program on the computer says that it is done, and names no error.",
            "flash-console",
            "The computer answers that it was sent and written, without an error.",
            "recovery",
            "The recovery says that it is done, and names no error.");

    private static final Pattern ABOUT_THE_KEY = Pattern.compile("(?i)accept\\b[^.]*\\bkey\\b|\\bkey\\b[^.]*\\baccept");

    /** Words that order to go there; others only speak of it. */
    private static final Pattern INTO_RECOVERY = Pattern.compile("into (the )?(custom )?recovery");

    private static final Remedy LOOPS = new Remedy(
            "The logo, again and again",
            "Hold power for ten seconds until it is dark, start into recovery and do a light wipe; then this step once more.");

    private static final Remedy ELSEWHERE = new Remedy(
            "Another screen, or none", "Hold power for ten seconds until it is dark, and do this step once more.");

    static Passage of(Optional<PhoneFamily> family, Facts facts) {
        Map<String, KeyChord> noted = new HashMap<>();
        NOTED.forEach(
                (mode, fact) -> facts.value(fact).flatMap(KeyChord::read).ifPresent(keys -> noted.put(mode, keys)));
        return new Passage(family, facts.value(Fact.MODEL).orElse(""), Map.copyOf(noted));
    }

    /** All steps, with those between that lead there. Keys that one of them tells serve all. */
    List<Step> through(List<Step> steps) {
        Map<String, KeyChord> told = new HashMap<>();
        for (Step step : steps) {
            step.how()
                    .ifPresent(how -> how.mode()
                            .flatMap(mode ->
                                    how.keys().filter(keys -> !isAsItIs(keys)).map(keys -> Map.entry(mode, keys)))
                            .ifPresent(one -> told.putIfAbsent(one.getKey(), one.getValue())));
        }
        told.putAll(noted);
        return new Passage(family, model, Map.copyOf(told)).new Walk().through(steps);
    }

    /** One walk along a sheet: where it left the phone, and whether the cable is in. */
    private final class Walk {
        private final List<Step> walked = new ArrayList<>();
        private String mode = OS;
        private boolean plugged;
        /** The way into the mode in which the recovery was written last. */
        private Optional<String> entry = Optional.empty();

        private Optional<String> rewrites = Optional.empty();
        /** Whether some step says that the computer's key is accepted. */
        private boolean keyTold;

        private List<Step> through(List<Step> steps) {
            keyTold = steps.stream()
                    .anyMatch(step -> ABOUT_THE_KEY.matcher(step.text()).find() && !(step instanceof Step.Ready));
            steps.forEach(this::next);
            // Nobody is left with a phone in a recovery.
            if (!mode.equals(OS) && !walked.isEmpty()) {
                bring(OS, walked.get(walked.size() - 1));
            }
            return walked;
        }

        private void next(Step step) {
            Optional<String> wanted = step.how().flatMap(Step.Doing::mode);
            if (step instanceof Step.Plug) {
                plugged = true;
            }
            if (step instanceof Step.Copy && !plugged) {
                walked.add(Passage.plug(step.route(), step.phase()));
                plugged = true;
            }
            if (wanted.isEmpty()) {
                walked.add(told(step));
                if (step instanceof Step.Ready ready && asksForABridge(ready.askGate()) && !keyTold) {
                    walked.add(letIn(step.route(), step.phase()));
                    plugged = true;
                }
                return;
            }
            String to = wanted.get();
            boolean turns = step.how().flatMap(Step.Doing::keys).isPresent() && to.equals(OS);
            if (step instanceof Step.Act act && act.with().byItself()) {
                byItself(act, to);
            } else if (turns) {
                bring(to, step);
                walked.add(told(step));
            } else if (isWay(step) && !(to.equals(mode) && to.equals(OS))) {
                move(step, to);
            } else {
                bring(to, step);
                if (step instanceof Step.Act) {
                    plug(to, step);
                }
                walked.add(told(withoutKeys(step)));
                if (step instanceof Step.Act act && act.writes().contains(PartitionClass.RECOVERY)) {
                    rewrites = entry;
                }
            }
        }

        /** What was done before leads there; hands only wait for it. */
        private void byItself(Step.Act step, String to) {
            Step.Line line = step.line();
            String words = Stream.of(Step.First.BY_ITSELF.words(), line.text())
                    .filter(part -> !part.isEmpty())
                    .collect(Collectors.joining(" "));
            walked.add(new Step.Move(
                    SheetWriter.line(line.route(), line.phase(), line.title(), words),
                    step.doing()
                            .withoutKeys()
                            .remedied(step.doing().remedies().stream()
                                    .map(Passage.this::withKeys)
                                    .toList()),
                    List.of(Step.First.BY_ITSELF),
                    step.change(),
                    step.noReturn()));
            mode = to;
        }

        /** Nothing is done in it but to go there; what is believed once one is there does not matter for that. */
        private boolean isWay(Step step) {
            if (!(step instanceof Step.Act act)) {
                return false;
            }
            boolean works = !act.writes().isEmpty()
                    || act.change().wipes()
                    || !act.with().equals(Handling.NONE);
            boolean goes = act.doing().keys().isPresent()
                    || act.doing().mode().filter(mode::equals).isEmpty();
            return !works && goes && !isDone(act);
        }

        /** Something is done there besides: an author who says what a step brings about says that it is no mere way. */
        private boolean isDone(Step.Act act) {
            return act.doing().keys().isEmpty()
                    && !act.change().effects().isEmpty()
                    && !act.doing().mode().filter(OS::equals).isPresent();
        }

        private void bring(String to, Step before) {
            if (!mode.equals(to)) {
                Step.Line line = SheetWriter.line(
                        before.route(),
                        before.phase() == Phase.PROVE ? Phase.DO : before.phase(),
                        TITLES.getOrDefault(to, to),
                        "");
                Step.Doing doing = new Step.Doing(
                        Optional.empty(),
                        Optional.of(to),
                        Optional.empty(),
                        Optional.ofNullable(SIGNS.get(to)),
                        Optional.empty(),
                        Optional.empty(),
                        List.of(to.equals(OS) ? LOOPS : ELSEWHERE));
                move(new Step.Act(line, doing, List.of(), false, Step.Change.none()), to);
            }
        }

        private void move(Step way, String to) {
            Step.Doing said = way.how().orElseThrow();
            Optional<ModeKeys> known = keysTo(to);
            // What the author holds while the phone runs or hangs is a way of its own, and no chord of a phone that is
            // off.
            boolean asItIs =
                    known.isEmpty() && said.keys().filter(Passage::isAsItIs).isPresent();
            Optional<KeyChord> held = needsNoKeys(to)
                    ? Optional.empty()
                    : known.map(ModeKeys::keys).or(said::keys);
            List<Step.First> first = new ArrayList<>();
            if (known.filter(ModeKeys::isUnplugged).isPresent()) {
                first.add(Step.First.UNPLUG);
                plugged = false;
            }
            plugged |= held.filter(KeyChord::isEndedByTheCable).isPresent();
            if (!asItIs) {
                first.addAll(leaving(to));
            }
            Step.Doing doing = new Step.Doing(
                    said.from(),
                    Optional.of(to),
                    held,
                    said.sign().or(() -> known.flatMap(ModeKeys::sign)).or(() -> Optional.ofNullable(SIGNS.get(to))),
                    said.normalMinutes(),
                    said.worryMinutes(),
                    helps(said.remedies(), to),
                    said.by(),
                    said.or());
            boolean silent = held.isEmpty() && !needsNoKeys(to);
            walked.add(
                    new Step.Move(asking(way.line(), first, silent), doing, first, way.changes(), way.hasNoReturn()));
            mode = to;
            entry = Optional.of(way.title());
        }

        /** How the mode is left that the phone is in. */
        private List<Step.First> leaving(String to) {
            if (!to.equals(OS)) {
                return offFrom(mode).stream().toList();
            }
            // The first start of the maker's system would undo what was written.
            boolean keeps = rewrites.isPresent() && mode.equals("recovery");
            return keeps ? List.of(Step.First.KEEP_RECOVERY, Step.First.RESTART) : List.of(Step.First.RESTART);
        }

        /** Remedies that lead somewhere say by which keys; and where a recovery must show that may have been put back, what then. */
        private Step told(Step step) {
            List<Remedy> remedies = new ArrayList<>();
            step.how()
                    .ifPresent(how ->
                            how.remedies().stream().map(Passage.this::withKeys).forEach(remedies::add));
            boolean recovery = step instanceof Step.Prove
                    && step.how()
                            .flatMap(Step.Doing::mode)
                            .filter("recovery"::equals)
                            .isPresent();
            rewrites.filter(title -> recovery)
                    .map(title -> new Remedy(
                            "The maker's recovery",
                            "The maker's system has started and put it back. Do the steps from “%s” once more, and go straight on."
                                    .formatted(title)))
                    .ifPresent(remedies::add);
            if (step instanceof Step.Act act && remedies.isEmpty() && isWork(act)) {
                remedies.add(again());
            }
            return step.how()
                    .map(how -> with(step, signed(step, how).remedied(remedies)))
                    .orElse(step);
        }

        /** What helps wherever something was to be done and was not, where the author says nothing. */
        private Remedy again() {
            String back = mode.equals(OS)
                    ? "Close what is open, and do this step once more. If it is the same again, stop here."
                    : entry.map(title ->
                                    "Another port and cable. Hold power for ten seconds until it is dark, and do the steps from “%s” once more."
                                            .formatted(title))
                            .orElse("Hold power for ten seconds until it is dark, and do this step once more.");
            return new Remedy("Something else, or an error", back);
        }

        private void plug(String to, Step before) {
            if (BY_COMPUTER.contains(to) && !plugged) {
                walked.add(Passage.plug(before.route(), before.phase() == Phase.PROVE ? Phase.DO : before.phase()));
                plugged = true;
            }
        }
    }

    /** What the author says helps; where he says nothing, what always does. */
    private List<Remedy> helps(List<Remedy> said, String to) {
        List<Remedy> usual = List.of(to.equals(OS) ? LOOPS : ELSEWHERE);
        return (said.isEmpty() ? usual : said).stream().map(this::withKeys).toList();
    }

    private Remedy withKeys(Remedy remedy) {
        boolean leads =
                INTO_RECOVERY.matcher(remedy.what()).find() && !remedy.what().contains("Keys into the recovery");
        return keysTo("recovery")
                .filter(keys -> leads)
                .map(keys -> new Remedy(
                        remedy.seen(),
                        remedy.what() + " Keys into the recovery: "
                                + keys.keys().text() + "."))
                .orElse(remedy);
    }

    private static boolean isWork(Step.Act act) {
        return !act.writes().isEmpty()
                || act.change().wipes()
                || !act.change().effects().isEmpty()
                || !act.with().files().isEmpty();
    }

    /** Where the author says nothing, what is usually seen once something was written. */
    private static Step.Doing signed(Step step, Step.Doing how) {
        boolean silent = step instanceof Step.Act act && how.sign().isEmpty() && isWork(act);
        return silent ? how.signed(DONE.getOrDefault(how.mode().orElse(OS), DONE_AT_ALL)) : how;
    }

    private static Step with(Step step, Step.Doing doing) {
        if (step instanceof Step.Act act) {
            return new Step.Act(act.line(), doing, act.writes(), act.noReturn(), act.change(), act.with());
        }
        return step instanceof Step.Prove prove
                ? new Step.Prove(prove.line(), doing, prove.rung(), prove.change(), prove.expects())
                : step;
    }

    /** Whether the phone gets there by its own menu, or by being switched off. */
    static boolean needsNoKeys(String mode) {
        return mode.equals(OS) || mode.equals(OFF);
    }

    private Optional<ModeKeys> keysTo(String mode) {
        return family.flatMap(known -> known.keys(model, mode))
                .or(() -> Optional.ofNullable(noted.get(mode))
                        .map(keys -> new ModeKeys(mode, keys, Optional.empty(), Optional.empty(), List.of())));
    }

    /** How it is switched off from where it is. */
    private static Optional<Step.First> offFrom(String mode) {
        if (mode.equals(OFF)) {
            return Optional.empty();
        }
        return Optional.of(mode.equals(OS) ? Step.First.SWITCH_OFF : Step.First.FORCE_OFF);
    }

    private static boolean isAsItIs(KeyChord keys) {
        return keys.keys().contains(Key.ALL);
    }

    private static Step.Line asking(Step.Line line, List<Step.First> first, boolean unknown) {
        String before = first.stream().map(Step.First::words).collect(Collectors.joining(" "));
        String more = unknown
                ? "Nobody has written down the keys of this phone. Usual are volume-up or volume-down held with power, on phones with a home key with that one too: try them, and note under Readings what they do."
                : "";
        String text = Stream.of(before, line.text(), more)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(" "));
        return SheetWriter.line(line.route(), line.phase(), line.title(), text);
    }

    private static Step withoutKeys(Step step) {
        return step.how().map(how -> with(step, how.withoutKeys())).orElse(step);
    }

    /** The cable is put in, and the computer sees the phone. */
    /** The computer works on the running phone only once the phone has let it in. */
    private static Step letIn(String route, Phase phase) {
        Step.Plug plug = (Step.Plug) plug(route, phase);
        return plug.with(SheetWriter.line(
                route,
                phase,
                "Put the cable in",
                "The data cable, straight into the computer. Accept the computer's key when the phone asks."));
    }

    static Step plug(String route, Phase phase) {
        Step.Doing doing = new Step.Doing(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of("The computer shows the phone."),
                Optional.of(1),
                Optional.of(3),
                List.of(new Remedy(
                        "The computer shows nothing",
                        "Install the driver, pull the cable, and put it straight into another port of the computer.")));
        return new Step.Plug(
                SheetWriter.line(route, phase, "Put the cable in", "The data cable, straight into the computer."),
                doing);
    }

    /** Whether a route has the computer work on the phone while its system runs. */
    static boolean asksForABridge(Gate gate) {
        return gate.fact() == Fact.USB_DEBUGGING && gate.is().contains("on");
    }
}
