package org.mobrak.core.identity.check;

import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;
import org.mobrak.core.identity.build.Fingerprint;

/** The fingerprint against the facts that it repeats. */
final class FingerprintCheck implements Check {
    /** These differ on some honest phones: carriers rename products, and developers' builds shorten the incremental. */
    private static final Set<Fact> OFTEN_DIFFERENT = EnumSet.of(Fact.PRODUCT, Fact.DEVICE, Fact.INCREMENTAL);

    @Override
    public Stream<Finding> of(Case phone) {
        return phone.value(Fact.FINGERPRINT)
                .flatMap(Fingerprint::of)
                .map(print -> print.parts().entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .flatMap(part -> phone
                                .value(part.getKey())
                                .filter(value -> !value.equals(part.getValue()))
                                .map(value -> differs(part.getKey(), part.getValue(), value))
                                .stream()))
                .orElse(Stream.empty());
    }

    private static Finding differs(Fact fact, String printed, String value) {
        String what = "%s is %s, but the fingerprint says %s".formatted(fact.label(), value, printed);
        return OFTEN_DIFFERENT.contains(fact)
                ? Finding.note("fingerprint-part", what + "; that happens on honest phones too.")
                        .but(Sureness.HINT)
                : Finding.caution("fingerprint-part", what + "; the properties were edited or come from two builds.")
                        .but(Sureness.LIKELY);
    }
}
