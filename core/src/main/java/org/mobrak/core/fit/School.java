package org.mobrak.core.fit;

import java.util.Optional;
import org.mobrak.core.catalogue.Route;

/**
 * How exactly a route must match the phone; people disagree, so both are there. The model number and the bootloader are
 * exact in either.
 */
public enum School {
    /** The build number must be listed. */
    EXACT,
    /** The OS version decides: equal fits, an older phone is a caution, a newer one a strong caution. */
    PRACTICAL;

    /** The user's choice; else exact for whatever can brick for good, and practical for the rest. */
    public static School forRoute(Route route, Optional<School> choice) {
        return choice.orElseGet(() -> route.canBrickForGood() ? EXACT : PRACTICAL);
    }
}
