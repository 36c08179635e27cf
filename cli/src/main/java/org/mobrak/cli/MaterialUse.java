package org.mobrak.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Identity;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.NeededFile;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.material.check.MaterialCheck;
import org.mobrak.core.material.check.Use;

/** The phone and the route that files are held against. */
record MaterialUse(Catalogue catalogue, Facts facts, Optional<Route> route, Optional<String> needed) {

    /** Reads what is known of the phone; an {@link IOException} tells in one line why it cannot be read. */
    static MaterialUse of(Mobrak mobrak, List<String> readings, Optional<String> routeId, Optional<String> needed)
            throws IOException {
        Catalogue catalogue = mobrak.load(mobrak.catalogue(List.of())).catalogue();
        List<Reading> read = new ArrayList<>();
        for (String name : readings) {
            read.addAll(ReadingParser.parse(
                            TextIntake.of(Path.of(name)), mobrak.clock().instant())
                    .readings());
        }
        Facts facts = Identity.of(catalogue, new Ledger(read), List.of()).facts();
        Optional<Route> route = routeId.flatMap(id ->
                catalogue.routes().stream().filter(one -> one.id().equals(id)).findFirst());
        return new MaterialUse(catalogue, facts, route, needed);
    }

    /** What the phone's partitions are called. */
    PartitionNames partitions() {
        return PartitionNames.of(facts.value(Fact.MODEL).flatMap(catalogue::phone));
    }

    /** An inspection with what there is to say of the file for this use. */
    Inspection judge(Inspection found) {
        Optional<NeededFile> file = route.flatMap(one -> one.work().files().stream()
                .filter(wanted -> wanted.name().equals(needed.orElse(found.name())))
                .findFirst());
        return found.with(MaterialCheck.of(
                new Use(Material.of(found), new CheckContext(facts, catalogue, Optional.empty()), route, file)));
    }
}
