package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.identity.build.VersionOrder;

/** Whether the bounds of a hole are versions: with others no phone could ever be held against it. */
final class HoleCheck {
    private HoleCheck() {}

    static List<Fault> of(Entry<Hole> entry) {
        FaultList faults = new FaultList(entry);
        check("/kernel", entry.value().kernel(), faults);
        check("/osVersion", entry.value().osVersion(), faults);
        return faults.all();
    }

    private static void check(String pointer, Optional<Hole.Range> range, FaultList faults) {
        range.stream()
                .flatMap(versions -> Stream.of(versions.atLeast(), versions.atMost()))
                .flatMap(Optional::stream)
                .filter(bound -> !VersionOrder.isVersion(bound))
                .forEach(bound -> faults.fault(
                        pointer, "“%s” is no version.".formatted(bound), "A version begins with a number."));
    }
}
