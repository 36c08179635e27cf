package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;

/** Whether hands can do what the steps say: files and their slots have names, and no remedy makes it worse. */
final class HandChecks {
    private static final Pattern POWER = Pattern.compile("\\b(hold|press)\\w* (the )?power\\b");
    private static final Pattern SENTENCES = Pattern.compile("[.;!]");
    private static final Pattern FORBIDS = Pattern.compile("\\b(not|never|nothing|leave)\\b");

    private static final String LIGHT_WIPE = "light wipe";

    private final Route route;
    private final FaultList faults;
    private final Set<String> named;

    HandChecks(Route route, FaultList faults) {
        this.route = route;
        this.faults = faults;
        this.named = route.work().files().stream().map(NeededFile::name).collect(Collectors.toSet());
    }

    void check() {
        boolean wiped = false;
        for (int i = 0; i < route.work().steps().size(); i++) {
            RouteStep step = route.work().steps().get(i);
            String pointer = "/work/steps/" + i;
            files(step, pointer);
            remedies(step, pointer, wiped);
            wiped |= step.wipe().filter(Route.Wipe.FULL::equals).isPresent()
                    || step.writes().contains(PartitionClass.DATA);
        }
        slots();
    }

    private void files(RouteStep step, String pointer) {
        step.handling().files().stream()
                .filter(file -> !named.contains(file))
                .forEach(file -> faults.fault(
                        pointer + "/with",
                        "“%s” takes %s, which the route does not need.".formatted(step.title(), file),
                        "Name it under work: files, or mend the name."));
        if (step.handling().paid() && route.costs().money().isEmpty()) {
            faults.fault(
                    pointer + "/with",
                    "“%s” is paid and the route costs nothing.".formatted(step.title()),
                    "Say what it costs under costs: money.");
        }
    }

    /** Whoever follows a remedy must not end a write that still runs, nor do what has just been done to the full. */
    private void remedies(RouteStep step, String pointer, boolean wiped) {
        for (RouteStep.Remedy remedy : step.allRemedies()) {
            String what = remedy.what().toLowerCase(Locale.ROOT);
            boolean writes = step.writes().stream().anyMatch(where -> where != PartitionClass.APP);
            if (writes && SENTENCES.splitAsStream(what).anyMatch(HandChecks::holdsPower)) {
                faults.warning(
                        pointer,
                        "A remedy of “%s” holds power, though it may still write.".formatted(step.title()),
                        "Say how long to wait; what ends a black screen is a step of its own.");
            }
            if (wiped && what.contains(LIGHT_WIPE)) {
                faults.warning(
                        pointer,
                        "A remedy of “%s” wipes lightly what has just been wiped wholly.".formatted(step.title()),
                        "Say what else helps, such as another start.");
            }
        }
    }

    /** A sentence elsewhere that forbids something does not take this one back. */
    private static boolean holdsPower(String sentence) {
        return POWER.matcher(sentence).find() && !FORBIDS.matcher(sentence).find();
    }

    /** In download mode a file has one place in the flasher. */
    private void slots() {
        List<PartitionClass> written = route.work().steps().stream()
                .filter(step -> step.mode().filter("download"::equals).isPresent())
                .flatMap(step -> step.writes().stream())
                .toList();
        for (int i = 0; i < route.work().files().size(); i++) {
            NeededFile file = route.work().files().get(i);
            boolean placed = file.slot().isPresent()
                    || file.partition().filter(written::contains).isEmpty();
            if (!placed) {
                faults.warning(
                        "/work/files/" + i,
                        "Nobody is told into which slot %s goes.".formatted(file.name()),
                        "Say slot: %s area."
                                .formatted(file.partition().orElseThrow().label()));
            }
        }
    }
}
