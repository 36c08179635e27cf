package org.mobrak.core.material.check;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Write;

/**
 * What can brick for good must be made for the exact build, and what is in the file decides whether it can: a route that says it
 * writes the system only was judged by the OS version, and its file may hold more.
 */
final class SchoolRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        return use
                .route()
                .filter(route -> School.forRoute(route, use.against().school()) == School.PRACTICAL)
                .flatMap(route -> use.file().writes().stream()
                        .filter(write -> write.kind().canBrickForGood())
                        .max(Comparator.comparing(SchoolRule::isKnown))
                        .map(write -> finding(use, route, write)))
                .stream();
    }

    private static boolean isKnown(Write write) {
        return write.kind() != PartitionClass.UNKNOWN;
    }

    private static Finding finding(Use use, Route route, Write write) {
        Optional<Clause> listed = FitCheck.listedBuild(use.against().catalogue(), route, use.facts());
        String rule = "It would write %s “%s”, so the phone's exact build must be listed. "
                .formatted(write.kind().named(), write.partition());
        if (listed.isEmpty()) {
            return Finding.caution("build-not-listed", rule + "The route is for any phone and lists none.");
        }
        String reason = listed.get().reason();
        if (listed.get().result() == Truth.YES) {
            return Finding.note("build-listed", rule + reason);
        }
        boolean chosen = use.against().school().isPresent();
        return listed.get().result() == Truth.NO && isKnown(write) && !chosen
                ? Finding.stop("build-not-listed", rule + reason)
                : Finding.caution("build-not-listed", rule + reason);
    }
}
