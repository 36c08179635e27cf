package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Increase;
import org.mobrak.core.catalogue.Mark;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/** Whether a route says what it does to a phone: versions it leaves, marks, wipes, and no more than its family may. */
final class ChangeChecks {
    private final Route route;
    private final Route.Changes changes;
    private final FaultList faults;

    ChangeChecks(Route route, FaultList faults) {
        this.route = route;
        this.changes = route.changes();
        this.faults = faults;
    }

    void check() {
        changes.effects().forEach(this::effect);
        wipes();
        keeps();
        files();
        marks();
        battery();
        if (route.isHousekeeping()) {
            housekeeping();
        } else {
            versions();
        }
    }

    private void effect(Fact fact, String value) {
        if (fact == Fact.CUSTOM_WRITES && Increase.is(value)) {
            return;
        }
        Optional<String> objection = fact.domain().objection(value);
        if (!fact.canBeGiven() || objection.isPresent()) {
            faults.fault(
                    "/changes/effects/" + fact.key(),
                    fact.label() + " " + objection.orElse("is nothing that a route changes") + ".",
                    "docs/schema/facts.md lists what a route may change, and the words.");
        }
    }

    private void wipes() {
        if (changes.lightWipe() && !changes.wipesData()) {
            faults.fault(
                    "/changes/lightWipe",
                    "There is no wipe to choose a lighter one for.",
                    "Say wipesData: true, or leave lightWipe out.");
        }
    }

    private void keeps() {
        changes.keeps().stream()
                .filter(kept -> !changes.writes().contains(kept))
                .forEach(kept -> faults.fault(
                        "/changes/keeps",
                        "%s is not written, so there is nothing to keep.".formatted(kept.word()),
                        "Name only what stands under “writes”."));
    }

    /** A route must own up to what its files can do. */
    private void files() {
        List<NeededFile> files = route.work().files();
        for (int i = 0; i < files.size(); i++) {
            String pointer = "/work/files/" + i;
            String name = files.get(i).name();
            files.get(i)
                    .partition()
                    .filter(written -> !changes.writes().contains(written))
                    .ifPresent(written -> {
                        String what = "%s is for %s, which the route does not say it writes."
                                .formatted(name, written.named());
                        String remedy = "Add it under “writes”.";
                        if (written.canBrickForGood()) {
                            faults.fault(pointer, what, remedy);
                        } else {
                            faults.warning(pointer, what, remedy);
                        }
                    });
        }
    }

    /** A mark without its fact could not be told from one that the phone bears already. */
    private void marks() {
        changes.marks().stream()
                .map(Mark::of)
                .flatMap(mark -> mark.fact().stream())
                .filter(fact -> !changes.effects().containsKey(fact))
                .forEach(fact -> faults.warning(
                        "/changes/marks",
                        "A mark speaks of %s, and the effects do not.".formatted(fact.inSentence()),
                        fact == Fact.WARRANTY_FUSE ? "Add warrantyFuse: blown." : "Add customWrites: \"+1\"."));
    }

    private void battery() {
        Optional<Gate> asked = Gate.battery(changes.writes(), route.name());
        List<Gate> gates = route.work().gates();
        for (int i = 0; i < gates.size(); i++) {
            Gate own = gates.get(i);
            if (asked.isPresent()
                    && own.fact() == Fact.BATTERY_PERCENT
                    && !asked.get().isWithin(own)) {
                faults.warning(
                        "/work/gates/" + i,
                        "%d %% is less than what it writes asks for, which is %d %%."
                                .formatted(
                                        own.atLeast().orElse(0),
                                        asked.get().atLeast().orElse(0)),
                        "Raise it; the higher one is asked for anyway.");
            }
        }
    }

    private void housekeeping() {
        changes.effects().keySet().stream()
                .filter(fact -> fact.group() != Fact.Group.BENCH && fact != Fact.BATTERY_PERCENT)
                .forEach(fact -> faults.warning(
                        "/changes/effects/" + fact.key(),
                        "Housekeeping makes the bench ready, and this changes " + fact.inSentence() + ".",
                        "Give it another family."));
        if (!changes.writes().isEmpty()) {
            faults.warning("/changes/writes", "Housekeeping writes nothing.", "Give it another family.");
        }
    }

    /** After a new system or kernel nobody knows which it is, unless the route says so. */
    private void versions() {
        if (restores()) {
            return;
        }
        unsaid(PartitionClass.SYSTEM, Fact.OS_VERSION);
        unsaid(PartitionClass.KERNEL, Fact.KERNEL_RELEASE);
        unsaid(PartitionClass.RADIO, Fact.BASEBAND);
        unsaid(PartitionClass.BOOTLOADER, Fact.BOOTLOADER);
    }

    /** Who brings a backup back has the versions of that day, which no catalogue knows. */
    private boolean restores() {
        return route.fits().requires().stream().flatMap(Condition::facts).anyMatch(fact -> fact == Fact.IMAGE_BACKUP);
    }

    private void unsaid(PartitionClass written, Fact version) {
        boolean replaced =
                changes.writes().contains(written) && !changes.keeps().contains(written);
        if (replaced && !changes.effects().containsKey(version)) {
            faults.warning(
                    "/changes/effects",
                    "It writes %s and does not say which %s it leaves, so nothing that asks for it can follow."
                            .formatted(written.named(), version.label().toLowerCase(Locale.ROOT)),
                    "Add %s, or keeps: [%s] if files are only added to it.".formatted(version.key(), written.word()));
        }
    }
}
