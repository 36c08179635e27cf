package org.mobrak.app;

import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.material.check.MaterialCheck;
import org.mobrak.core.material.check.Use;

/**
 * The phone and the route that files are held against.
 *
 * @param needed which of the route's files is meant, by its name there; empty where the file's own name says it
 */
public record FileUse(Catalogue catalogue, Facts facts, Optional<Route> route, Optional<String> needed) {
    /** What the phone's partitions are called. */
    public PartitionNames partitions() {
        return PartitionNames.of(facts.value(Fact.MODEL).flatMap(catalogue::phone));
    }

    /** An inspection with what there is to say of the file for this use. */
    public Inspection judge(Inspection found) {
        Optional<NeededFile> file = route.flatMap(one -> one.work().files().stream()
                .filter(wanted -> wanted.name().equals(needed.orElse(found.name())))
                .findFirst());
        return found.with(MaterialCheck.of(
                new Use(Material.of(found), new CheckContext(facts, catalogue, Optional.empty()), route, file)));
    }
}
