package org.mobrak.core.fit;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Spelling;
import org.mobrak.core.identity.build.VersionOrder;

/** How far the entries of a route are one phone's, by a school; only yes, no and unknown, without a word. */
final class EntryJudge {
    private final Facts facts;
    private final BuildNames names;
    private final School school;

    EntryJudge(Facts facts, BuildNames names, School school) {
        this.facts = facts;
        this.names = names;
        this.school = school;
    }

    /** How far an entry is this phone's. */
    record Match(Route.Target entry, Software software, Truth bootloader, Truth carrier) {
        Truth whole() {
            return software.holds().and(bootloader).and(carrier);
        }

        /** How many of its parts do not hold. */
        int noes() {
            return (int) Stream.of(software.holds(), bootloader, carrier)
                    .filter(part -> part == Truth.NO)
                    .count();
        }
    }

    /** Whether the software of an entry is the phone's, and how much that is to be doubted: 0 not, 1 somewhat, 2 strongly. */
    record Software(Truth holds, int doubt) {
        static Software sure(Truth holds) {
            return new Software(holds, 0);
        }
    }

    /**
     * The entry that comes nearest: one that holds before one that may, and with the least doubt.
     *
     * @param small whether the route is a small package that only adds to what is there
     */
    Match nearest(List<Route.Target> entries, boolean small) {
        return entries.stream()
                .map(entry -> new Match(entry, software(entry, small), bootloader(entry), carrier(entry)))
                .min(Comparator.comparing(Match::whole, Comparator.reverseOrder())
                        .thenComparingInt(match -> match.software().doubt())
                        .thenComparingInt(Match::noes))
                .orElseThrow();
    }

    private Software software(Route.Target entry, boolean small) {
        if (school == School.EXACT) {
            return Software.sure(listed(entry).and(version(entry, Truth.YES)).or(everyBuild(entry)));
        }
        return entry.osVersion().isPresent() ? ofVersion(entry, small) : ofAnyVersion(entry);
    }

    /** Whether somebody says that every build of this version will do. */
    Truth everyBuild(Route.Target entry) {
        return entry.anyBuild().isPresent() ? version(entry, Truth.UNKNOWN) : Truth.NO;
    }

    /** Whether the phone has an entry's OS version, by its numbers. */
    private Truth version(Route.Target entry, Truth ifNotRead) {
        Optional<String> known = facts.value(Fact.OS_VERSION);
        if (entry.osVersion().isEmpty() || known.isEmpty()) {
            return entry.osVersion().isEmpty() ? Truth.YES : ifNotRead;
        }
        String wanted = entry.osVersion().get();
        OptionalInt order = VersionOrder.compare(known.get(), wanted);
        if (wanted.equals(known.get()) || VersionOrder.isOfAnotherSystem(known.get())) {
            return Truth.of(wanted.equals(known.get()));
        }
        return order.isEmpty() ? Truth.UNKNOWN : Truth.of(order.getAsInt() == 0);
    }

    /** Whether one of an entry's builds is the phone's. */
    private Truth listed(Route.Target entry) {
        if (entry.builds().stream().anyMatch(build -> names.hit(build).isPresent())) {
            return Truth.YES;
        }
        boolean open = entry.builds().stream()
                .anyMatch(build ->
                        names.isWrittenOtherwise(build) || !names.open(build).isEmpty());
        return open ? Truth.UNKNOWN : Truth.NO;
    }

    private Software ofVersion(Route.Target entry, boolean small) {
        Optional<String> known = facts.value(Fact.OS_VERSION);
        String wanted = entry.osVersion().orElseThrow();
        if (known.isEmpty()) {
            return Software.sure(Truth.UNKNOWN);
        }
        OptionalInt order = VersionOrder.againstLimit(known.get(), wanted);
        boolean same = wanted.equals(known.get())
                || order.equals(OptionalInt.of(0)) && !VersionOrder.isOfAnotherSystem(known.get());
        if (same) {
            return Software.sure(Truth.YES);
        }
        if (VersionOrder.isOfAnotherSystem(known.get())) {
            return Software.sure(Truth.NO);
        }
        return order.isEmpty()
                ? Software.sure(Truth.UNKNOWN)
                : new Software(Truth.YES, order.getAsInt() < 0 && small ? 1 : 2);
    }

    /** A list of builds that names no version does not say that every version will do. */
    private Software ofAnyVersion(Route.Target entry) {
        if (entry.builds().isEmpty() || entry.anyBuild().isPresent()) {
            return Software.sure(Truth.YES);
        }
        return switch (listed(entry)) {
            case YES -> Software.sure(Truth.YES);
            case UNKNOWN -> Software.sure(Truth.UNKNOWN);
            case NO -> new Software(Truth.YES, 2);
        };
    }

    private Truth bootloader(Route.Target entry) {
        return entry.bootloader()
                .map(wanted -> isNamed(Fact.BOOTLOADER, wanted))
                .orElse(Truth.YES);
    }

    private Truth carrier(Route.Target entry) {
        return entry.carrier().map(wanted -> isNamed(Fact.CARRIER, wanted)).orElse(Truth.YES);
    }

    private Truth isNamed(Fact fact, String wanted) {
        Optional<String> known = facts.value(fact);
        if (known.isEmpty() || wanted.equals(known.get())) {
            return known.isEmpty() ? Truth.UNKNOWN : Truth.YES;
        }
        boolean perhaps = fact == Fact.CARRIER
                ? Spelling.mayBeCarrier(wanted, known.get())
                : Spelling.isWrittenOtherwise(wanted, known.get());
        return perhaps ? Truth.UNKNOWN : Truth.NO;
    }
}
