package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/** One shop name and the variants sold under it. */
@JsonIgnoreProperties("origin")
public record PhoneFamily(String id, String maker, String shopName, List<Variant> variants) {

    /**
     * One model number, exactly as the phone reports it, and by what else it is known.
     *
     * @param baseband what its baseband version begins with
     */
    public record Variant(
            String model,
            Optional<String> carrier,
            Optional<String> region,
            Optional<String> chipset,
            Optional<String> device,
            Optional<String> baseband) {

        /** What tells this variant from its sisters, by fact; the baseband only by its beginning. */
        Map<Fact, String> marks() {
            Map<Fact, String> marks = new LinkedHashMap<>();
            marks.put(Fact.MODEL, model);
            carrier.ifPresent(value -> marks.put(Fact.CARRIER, value));
            region.ifPresent(value -> marks.put(Fact.REGION, value));
            chipset.ifPresent(value -> marks.put(Fact.CHIPSET, value));
            device.ifPresent(value -> marks.put(Fact.DEVICE, value));
            baseband.ifPresent(value -> marks.put(Fact.BASEBAND, value));
            return marks;
        }
    }
}
