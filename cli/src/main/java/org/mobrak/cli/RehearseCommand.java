package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.mobrak.app.Outlook;
import org.mobrak.app.rehearsal.BenchFiles;
import org.mobrak.app.rehearsal.Fault;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Rehearsals;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.app.rehearsal.Setting;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** How does the job go on the bench phone? */
@Command(
        name = "rehearse",
        mixinStandardHelpOptions = true,
        description = "Plays a plan on a simulated phone; nothing of it is a real job.")
final class RehearseCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Wanted wanted;

    @Option(names = "--phone", paramLabel = "BENCH", description = "A bench phone's id, or a file that describes one.")
    private Optional<String> asked = Optional.empty();

    @Option(names = "--all", description = "Every phone with every goal, plan and fault.")
    private boolean all;

    @Option(
            names = "--seed",
            paramLabel = "N",
            description = "Draws what no description says; the same gives the same.")
    private long seed = 1;

    @Option(
            names = "--fault",
            paramLabel = "NAME[@STEP]",
            description = "What goes wrong, and at which step; without one, where it first matters. May be repeated.")
    private List<String> wrongs = new ArrayList<>();

    @Option(
            names = "--set",
            paramLabel = "KEY=VALUE",
            description = "What is so of the phone when it begins; may be repeated.")
    private List<String> from = new ArrayList<>();

    @Option(
            names = "--person",
            paramLabel = "WHO",
            description = "careful, hasty, or literal: has the printed card alone.")
    private String person = "careful";

    @Option(names = "--plan", paramLabel = "N", description = "Which of the plans, from 1.")
    private int number = 1;

    @Option(
            names = "--catalogue",
            paramLabel = "DIR",
            description = "Another catalogue; its folder bench has the phones.")
    private List<Path> folders = new ArrayList<>();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        Person who = who();
        if (all == asked.isPresent()) {
            throw wrong("Give --phone BENCH with --goal GOAL, or --all.");
        }
        if (!all) {
            wanted.check();
        }
        try (BenchFiles files = new BenchFiles()) {
            Rehearsals rehearsals =
                    new Rehearsals(mobrak.catalogues().load(folders).catalogue(), files);
            List<BenchTruth> phones = mobrak.catalogues().bench(folders);
            return all ? tellAll(rehearsals.all(phones, seed, who)) : one(rehearsals, phones, who);
        }
    }

    private int one(Rehearsals rehearsals, List<BenchTruth> phones, Person who) throws IOException {
        BenchTruth phone = phone(phones).knowing(from());
        Outlook all = rehearsals.outlook(phone, wanted.wish());
        Outlook outlook = all.choosing(wanted.chosen(all.catalogue()));
        List<Plan> plans = outlook.answer().plans();
        if (plans.isEmpty()) {
            tellNone(outlook);
            return Mobrak.ANSWER_IS_NO;
        }
        if (number < 1 || number > plans.size()) {
            throw wrong("There is no plan %d; the plans are 1 to %d.".formatted(number, plans.size()));
        }
        Plan plan = plans.get(number - 1);
        Report report = rehearsals.rehearse(new Setting(outlook, plan, phone), seed, faults(outlook, plan), who);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(RehearsalJson.of(report), out);
        } else {
            print(report, out);
        }
        return report.reached() ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    private BenchTruth phone(List<BenchTruth> phones) throws IOException {
        String named = asked.orElseThrow();
        Optional<BenchTruth> known =
                phones.stream().filter(one -> one.id().equals(named)).findFirst();
        if (known.isEmpty() && Files.exists(Path.of(named))) {
            return mobrak.catalogues().benchPhone(Path.of(named));
        }
        String ids = phones.stream().map(BenchTruth::id).collect(Collectors.joining(", "));
        return known.orElseThrow(() -> wrong("“" + named + "” lies on no bench; there are: "
                + (ids.isEmpty() ? "none in this catalogue" : ids) + "."));
    }

    private Map<Fact, String> from() {
        Map<Fact, String> facts = new EnumMap<>(Fact.class);
        for (String word : from) {
            try {
                Reading said = TypedReading.parse(word, Instant.EPOCH);
                facts.put(said.fact(), said.value());
            } catch (Refusal refused) {
                throw wrong(refused.getMessage());
            }
        }
        return facts;
    }

    private List<Fault.At> faults(Outlook outlook, Plan plan) {
        List<Fault.At> faults = new ArrayList<>();
        List<String> ids = outlook.sheet(plan).steps().stream().map(Step::id).toList();
        for (String word : wrongs) {
            String[] parts = word.split("@", 2);
            Fault fault = Fault.ofWord(parts[0])
                    .orElseThrow(() -> wrong("“" + parts[0] + "” is no fault; there are: "
                            + Arrays.stream(Fault.values()).map(Fault::word).collect(Collectors.joining(", ")) + "."));
            Optional<String> step = parts.length > 1 ? Optional.of(parts[1]) : Optional.empty();
            if (step.filter(id -> !ids.contains(id)).isPresent()) {
                throw wrong("The sheet has no step “" + parts[1] + "”; its steps are: " + String.join(", ", ids) + ".");
            }
            faults.add(new Fault.At(fault, step));
        }
        return faults;
    }

    private Person who() {
        return Person.ofWord(person)
                .orElseThrow(() -> wrong("“" + person + "” is nobody; use careful, hasty or literal."));
    }

    private void tellNone(Outlook outlook) {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(RehearsalJson.none(asked.orElseThrow(), outlook), out);
        } else {
            outlook.answer().blockers().forEach(out::println);
            out.println("There is no plan, so there is nothing to rehearse.");
        }
    }

    private static void print(Report report, PrintWriter out) {
        out.println("A rehearsal, no real job. Phone: " + report.phone() + ", goal: " + report.goal() + ".");
        for (Report.Happened one : report.events()) {
            out.printf(
                    Locale.ROOT, "%7.1f min  %-10s %-8s %s%n", one.seconds() / 60, one.step(), one.kind(), one.text());
        }
        out.printf(
                Locale.ROOT,
                "End: %s, after %.0f minutes of virtual time.%n",
                report.end().word(),
                report.minutes());
        report.caught().forEach(by -> out.println("Caught, or would have been, by " + by));
    }

    private int tellAll(List<Report> reports) {
        PrintWriter out = spec.commandLine().getOut();
        long dead = reports.stream().filter(one -> one.end() == Report.End.DEAD).count();
        if (json) {
            JsonAnswer.write(RehearsalJson.of(reports), out);
        } else {
            Map<String, Map<String, Long>> table = new TreeMap<>(reports.stream()
                    .collect(Collectors.groupingBy(
                            one -> one.phone() + " " + one.goal(),
                            Collectors.groupingBy(one -> one.end().word(), TreeMap::new, Collectors.counting()))));
            table.forEach((row, ends) -> out.printf(Locale.ROOT, "%-36s %s%n", row, ends));
            out.printf(Locale.ROOT, "%d rehearsals, %d dead%n", reports.size(), dead);
        }
        return dead == 0 ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    private CommandLine.ParameterException wrong(String message) {
        return new CommandLine.ParameterException(spec.commandLine(), message);
    }
}
