package org.mobrak.core.catalogue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;

/** A variant and where in the catalogue it stands. */
public record KnownPhone(PhoneFamily family, PhoneFamily.Variant variant, String file, int line) {
    /** What stands for a name that nobody has given yet. */
    public static final String UNKNOWN = "not known";

    public String model() {
        return variant.model();
    }

    /** What the catalogue says of a phone with this model number, as readings like any other. */
    List<Reading> readings(Instant at) {
        List<Reading> said = new ArrayList<>();
        // Who added the phone may not have known what it is sold as.
        if (!family.maker().equals(UNKNOWN)) {
            said.add(reading(Fact.MAKER, family.maker(), at));
        }
        if (!family.shopName().equals(UNKNOWN)) {
            said.add(reading(Fact.SHOP_NAME, family.shopName(), at));
        }
        variant.marks().forEach((fact, value) -> {
            // The model number is where this comes from, and of the baseband only the beginning is known.
            if (fact != Fact.MODEL && fact != Fact.BASEBAND) {
                said.add(reading(fact, value, at));
            }
        });
        variant.rollbackFuse().ifPresent(fuse -> said.add(reading(Fact.ROLLBACK_FUSE, fuse, at)));
        return said;
    }

    /** The class of each of its partitions, by name. */
    public Map<String, PartitionClass> partitionClasses() {
        return family.partitions().stream()
                .collect(
                        Collectors.toMap(PhoneFamily.Partition::name, PhoneFamily.Partition::kind, (one, same) -> one));
    }

    private Reading reading(Fact fact, String value, Instant at) {
        return new Reading(fact, value, new Origin.Text(Source.CATALOGUE, file, line), at);
    }
}
