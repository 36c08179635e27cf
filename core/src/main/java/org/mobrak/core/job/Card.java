package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.catalogue.ToolSetting;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Step.Place;

/**
 * The job card as it is printed: for each step what hands are told to do, in order, what must then be seen, and what helps where
 * it is not. Whoever has only the card knows nothing else.
 */
public record Card(List<Entry> entries) {
    public Card {
        entries = List.copyOf(entries);
    }

    /**
     * One box of the card.
     *
     * @param id of the step it stands for
     * @param orders what is done, in order
     * @param sign what is seen when it went well
     * @param patience minutes after which the sign will not come any more; empty where it comes at once
     */
    public record Entry(
            String id,
            Phase phase,
            String title,
            String text,
            List<Order> orders,
            Optional<String> sign,
            Optional<Integer> patience,
            List<Remedy> remedies) {
        public Entry {
            orders = List.copyOf(orders);
            remedies = List.copyOf(remedies);
        }

        /** The same with other orders. */
        public Entry ordering(List<Order> others) {
            return new Entry(id, phase, title, text, others, sign, patience, remedies);
        }

        /** The same with other remedies. */
        public Entry helping(List<Remedy> others) {
            return new Entry(id, phase, title, text, orders, sign, patience, others);
        }

        /** The same with another time to wait. */
        public Entry waiting(Optional<Integer> minutes) {
            return new Entry(id, phase, title, text, orders, sign, minutes, remedies);
        }

        /** The same without what must be seen. */
        public Entry unseen() {
            return new Entry(id, phase, title, text, orders, Optional.empty(), patience, remedies);
        }
    }

    /** One thing that hands are told to do. */
    public sealed interface Order {}

    /** A file or a tool is laid ready on the computer. */
    public record Lay(String what) implements Order {}

    /** A file goes from the computer to the phone. */
    public record Put(String file, Place to) implements Order {}

    /** The cable goes in. */
    public record PlugIn() implements Order {}

    /** What stands before keys are held. */
    public record Before(Step.First what) implements Order {}

    /** Keys are held. */
    public record Hold(KeyChord keys) implements Order {}

    /** The keys of this phone are not known; the card says so. */
    public record Unknown(String mode) implements Order {}

    /**
     * A value on the phone is compared with the one on the card.
     *
     * @param opener what is done where it is another; empty where the card does not say
     */
    public record Compare(Gate wanted, Optional<String> opener) implements Order {}

    /**
     * The text of the box is done.
     *
     * @param mode what the phone must show; empty where that does not matter
     * @param files what it takes, by name, with the slot of the flasher that each goes into; without one an empty text
     * @param settings what is chosen in the program
     * @param expects what must be read there
     */
    public record Work(
            Optional<String> mode,
            Map<String, String> files,
            Map<ToolSetting, Boolean> settings,
            Map<Fact, String> expects)
            implements Order {
        public Work {
            files = Collections.unmodifiableMap(new LinkedHashMap<>(files));
            settings = Map.copyOf(settings);
            expects = Map.copyOf(expects);
        }
    }

    /** What is on a sheet, as it is printed. */
    public static Card of(RunSheet sheet) {
        return new Card(sheet.steps().stream().map(step -> entry(step, sheet)).toList());
    }

    private static Entry entry(Step step, RunSheet sheet) {
        Optional<Step.Doing> how = step.how();
        return new Entry(
                step.id(),
                step.phase(),
                step.title(),
                step.text(),
                orders(step, sheet),
                how.flatMap(Step.Doing::sign),
                how.flatMap(one -> one.worryMinutes().or(one::normalMinutes)),
                how.map(Step.Doing::remedies).orElse(List.of()));
    }

    private static List<Order> orders(Step step, RunSheet sheet) {
        List<Order> orders = new ArrayList<>();
        if (step instanceof Step.Fetch fetch) {
            orders.add(new Lay(fetch.needed().map(NeededFile::name).orElse(fetch.title())));
        } else if (step instanceof Step.Copy copy) {
            orders.add(new Put(copy.what().name(), copy.to()));
        } else if (step instanceof Step.Plug) {
            orders.add(new PlugIn());
        } else if (step instanceof Step.Ready ready) {
            orders.add(new Compare(ready.askGate(), opener(ready)));
        } else if (step instanceof Step.Move move) {
            move.first().forEach(first -> orders.add(new Before(first)));
            move.doing().keys().map(Hold::new).ifPresent(orders::add);
            move.doing()
                    .mode()
                    .filter(mode -> move.doing().keys().isEmpty()
                            && !Passage.needsNoKeys(mode)
                            && !move.first().contains(Step.First.BY_ITSELF))
                    .map(Unknown::new)
                    .ifPresent(orders::add);
        } else {
            step.how().flatMap(Step.Doing::keys).map(Hold::new).ifPresent(orders::add);
            Map<String, String> files = new LinkedHashMap<>();
            files(step, sheet)
                    .forEach(file -> files.put(file.name(), file.slot().orElse("")));
            orders.add(new Work(
                    step.how().flatMap(Step.Doing::mode),
                    files,
                    step instanceof Step.Act act ? act.with().settings() : Map.of(),
                    step.expected()));
        }
        return orders;
    }

    private static Optional<String> opener(Step.Ready ready) {
        int at = ready.text().indexOf(SheetGates.IF_NOT);
        return at < 0 ? Optional.empty() : Optional.of(ready.text().substring(at + SheetGates.IF_NOT.length()));
    }

    /** The files that a step takes: those its author names, else those of its route that go where it writes. */
    public static List<NeededFile> files(Step step, RunSheet sheet) {
        if (step instanceof Step.Act one && !one.with().files().isEmpty()) {
            return needed(sheet.steps().stream())
                    .filter(file -> one.with().files().contains(file.name()))
                    .toList();
        }
        boolean writes =
                step instanceof Step.Act one && one.writes().stream().anyMatch(where -> where != PartitionClass.DATA);
        if (!(step instanceof Step.Act act) || !writes) {
            return List.of();
        }
        List<NeededFile> all = ofRoute(step, sheet);
        List<NeededFile> meant = all.stream()
                .filter(file -> file.partition().filter(act.writes()::contains).isPresent())
                .toList();
        return meant.isEmpty()
                ? all.stream()
                        .filter(NeededFile::goesToPhone)
                        .filter(file -> file.partition().isEmpty())
                        .toList()
                : meant;
    }

    private static List<NeededFile> ofRoute(Step step, RunSheet sheet) {
        return needed(sheet.steps().stream().filter(other -> other.route().equals(step.route())))
                .toList();
    }

    private static Stream<NeededFile> needed(Stream<Step> steps) {
        return steps.flatMap(step -> step instanceof Step.Copy copy ? Stream.of(copy.what()) : step.file().stream())
                .distinct();
    }
}
