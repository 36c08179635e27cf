package org.mobrak.app.rehearsal;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;

/** Which fault happens at which step. */
record Faults(Map<String, Set<Fault>> byStep) {

    /** Puts each where it was asked for, or at the first step at which it can matter. */
    static Faults placed(List<Fault.At> faults, RunSheet sheet) {
        Map<String, Set<Fault>> byStep = new HashMap<>();
        for (Fault.At one : faults) {
            one.step()
                    .or(() -> usual(one.fault(), sheet))
                    .ifPresent(id -> byStep.computeIfAbsent(id, fresh -> EnumSet.noneOf(Fault.class))
                            .add(one.fault()));
        }
        return new Faults(Map.copyOf(byStep));
    }

    Set<Fault> at(Step step) {
        return byStep.getOrDefault(step.id(), Set.of());
    }

    /** As they are written on the command line, with their steps. */
    List<String> words() {
        return byStep.entrySet().stream()
                .flatMap(one -> one.getValue().stream().map(fault -> fault.word() + "@" + one.getKey()))
                .sorted()
                .toList();
    }

    private static Optional<String> usual(Fault fault, RunSheet sheet) {
        return switch (fault) {
            case WRONG_VARIANT_FILE, DAMAGED_FILE ->
                first(sheet, Faults::isWritten)
                        .or(() -> first(sheet, step -> step.file().isPresent()));
            case LOW_BATTERY, CHARGING_CABLE, DRIVER_MISSING, NO_INTERNET, CARD_MISSING -> first(sheet, step -> true);
            case KEYS_WRONG ->
                first(sheet, step -> step.how().flatMap(Step.Doing::keys).isPresent());
            default ->
                first(
                                sheet,
                                step -> step instanceof Step.Act act
                                        && !act.writes().isEmpty())
                        .or(() -> first(sheet, step -> step instanceof Step.Act));
        };
    }

    private static boolean isWritten(Step step) {
        return step.file().flatMap(file -> file.partition()).isPresent();
    }

    private static Optional<String> first(RunSheet sheet, Predicate<Step> wanted) {
        return sheet.steps().stream().filter(wanted).map(Step::id).findFirst();
    }
}
