package org.mobrak.core.catalogue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.io.FilenameUtils;

/** The model numbers a catalogue knows. */
record Models(Set<String> exact) {

    static Models of(List<KnownPhone> phones) {
        return new Models(phones.stream().map(KnownPhone::model).collect(Collectors.toSet()));
    }

    /** Whether a model number, or a pattern of them, is that of a known phone. */
    boolean hold(String model) {
        boolean pattern = model.indexOf('*') >= 0 || model.indexOf('?') >= 0;
        return exact.contains(model)
                || pattern && exact.stream().anyMatch(known -> FilenameUtils.wildcardMatch(known, model));
    }
}
