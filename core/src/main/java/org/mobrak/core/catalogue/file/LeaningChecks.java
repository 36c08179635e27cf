package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/** Where a route leans on what nobody has said: it is judged more carefully then, and its author is told. */
final class LeaningChecks {
    private final Route route;
    private final FaultList faults;

    LeaningChecks(Route route, FaultList faults) {
        this.route = route;
        this.faults = faults;
    }

    void check() {
        buildsOfNoVersion();
        limitWithoutBuild();
        lightWipe();
        written(PartitionClass.BOOTLOADER, Fact.BOOTLOADER, "how old the bootloader is that it writes");
        written(PartitionClass.SYSTEM, Fact.OS_VERSION, "how old the firmware is that it writes");
        manager();
        trouble();
    }

    private void buildsOfNoVersion() {
        List<Route.Target> phones = route.fits().phones();
        for (int i = 0; i < phones.size(); i++) {
            Route.Target entry = phones.get(i);
            boolean leans = !entry.builds().isEmpty()
                    && entry.osVersion().isEmpty()
                    && entry.anyBuild().isEmpty();
            if (leans && !route.canBrickForGood()) {
                faults.warning(
                        "/fits/phones/" + i,
                        "It names builds and no OS version, so on any other build it is a strong caution.",
                        "Name the OS version, or write under “anyBuild” who says that every build will do.");
            }
        }
    }

    /** A maintenance build of the same version may have closed what an exploit uses. */
    private void limitWithoutBuild() {
        boolean byBuild = !route.fits().excludedBuilds().isEmpty()
                || route.fits().phones().stream()
                        .anyMatch(entry -> !entry.builds().isEmpty())
                || leaves().stream().anyMatch(leaf -> leaf instanceof Condition.HoleOpen || isDated(leaf));
        boolean byVersion = leaves().stream()
                .anyMatch(leaf -> leaf instanceof Condition.Between range
                        && range.fact() == Fact.OS_VERSION
                        && range.atMost().isPresent());
        if (route.family().contains("exploit") && byVersion && !byBuild) {
            faults.warning(
                    "/fits/requires",
                    "Only an OS version limits this exploit, and a later build of that version may have it closed.",
                    "Name the hole, the builds, the builds that are excluded, or a day.");
        }
    }

    private static boolean isDated(Condition leaf) {
        return leaf instanceof Condition.Dated;
    }

    private List<Condition> leaves() {
        return route.fits().requires().stream().flatMap(Condition::leaves).toList();
    }

    private void lightWipe() {
        if (route.changes().lightWipe() && !route.changes().effects().containsKey(Fact.OS_KIND)) {
            faults.warning(
                    "/changes/lightWipe",
                    "A light wipe will do only between builds of one system, and the route does not say which system it brings.",
                    "Say osKind under effects, and osVersion if it changes.");
        }
    }

    private void written(PartitionClass partition, Fact fact, String what) {
        Route.Changes changes = route.changes();
        boolean replaced =
                changes.writes().contains(partition) && !changes.keeps().contains(partition);
        if (replaced
                && !changes.effects().containsKey(fact)
                && !route.fits().phones().isEmpty()) {
            faults.warning(
                    "/changes/effects",
                    "Nobody can tell " + what + ", so a rollback fuse cannot be judged.",
                    "Say " + fact.key() + " under effects.");
        }
    }

    private void manager() {
        boolean roots = "permanent".equals(route.changes().effects().get(Fact.ROOT));
        if (roots && !route.changes().effects().containsKey(Fact.ROOT_MANAGER)) {
            faults.warning(
                    "/changes/effects",
                    "It brings root and does not say whether a root manager is there then.",
                    "Say rootManager under effects: present or none.");
        }
    }

    private void trouble() {
        Optional.ofNullable(route.changes().effects().get(Fact.TROUBLE))
                .filter(word -> !word.equals("none"))
                .ifPresent(word -> faults.warning(
                        "/changes/effects/trouble",
                        "A route that brings a trouble about is in no plan.",
                        "Tell it under notes as a hazard."));
    }
}
