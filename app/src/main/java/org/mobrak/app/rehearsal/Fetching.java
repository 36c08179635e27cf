package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Finding;

/** Fetches the files of a sheet for the phone of a setting, rightly or with a fault in them. */
final class Fetching {
    private final Setting setting;
    private final BenchFiles files;

    Fetching(Setting setting, BenchFiles files) {
        this.setting = setting;
        this.files = files;
    }

    /**
     * A file as it came.
     *
     * @param right what should have come
     * @param objection what the checks say against it
     */
    record Taken(BenchFiles.Fetched came, BenchFiles.Fetched right, Optional<Finding> objection) {}

    Taken take(NeededFile wanted, Route route, Set<Fault> faults) throws IOException {
        Setting.Device device = setting.device();
        BenchFiles.Fetched right = files.right(wanted, device.code(), device.bench());
        BenchFiles.Fetched came = right;
        if (faults.contains(Fault.WRONG_VARIANT_FILE)) {
            came = files.foreign(wanted, other(device.code()), device.bench());
        } else if (faults.contains(Fault.DAMAGED_FILE)) {
            came = files.damaged(wanted, device.code(), device.bench());
        }
        return new Taken(
                came,
                right,
                files.objection(came, right, route, setting.outlook().against()));
    }

    /** The device of another phone of the catalogue: the sister variant, as far as there is one. */
    private String other(String device) {
        return setting.outlook().catalogue().phones().stream()
                .flatMap(known -> known.variant().device().stream())
                .filter(code -> !code.equals(device))
                .findFirst()
                .orElse("another");
    }
}
