package org.mobrak.core.identity.check;

import java.util.stream.Stream;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** Readings of two phones in one heap: model number and serial number both differ. */
final class MixedPhonesCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        if (!(phone.facts().belief(Fact.MODEL) instanceof Belief.Conflicting models)
                || !(phone.facts().belief(Fact.SERIAL) instanceof Belief.Conflicting)) {
            return Stream.empty();
        }
        return Stream.of(Finding.stop(
                "another-phone",
                "These readings are of two phones: model and serial number both differ (%s). Set those of the other phone aside."
                        .formatted(ConflictCheck.sides(models))));
    }
}
