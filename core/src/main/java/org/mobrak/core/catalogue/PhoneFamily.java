package org.mobrak.core.catalogue;

import java.util.List;
import java.util.Optional;

/** One shop name and the variants sold under it. */
public record PhoneFamily(String id, String maker, String shopName, List<Variant> variants) {

    /** One model number, exactly as the phone reports it. */
    public record Variant(String model, Optional<String> carrier, Optional<String> region, Optional<String> chipset) {}
}
