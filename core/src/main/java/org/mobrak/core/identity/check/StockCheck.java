package org.mobrak.core.identity.check;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;

/** Marks that no build has which a maker sold: other keys, a developers' type, an open debugger. */
final class StockCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        List<String> marks = new ArrayList<>();
        phone.value(Fact.BUILD_TAGS)
                .filter(tags -> tags.contains("test-keys") || tags.contains("dev-keys"))
                .ifPresent(tags -> marks.add("signed with " + tags));
        phone.value(Fact.BUILD_TYPE)
                .filter(type -> type.equals("userdebug") || type.equals("eng"))
                .ifPresent(type -> marks.add("of type " + type));
        phone.value(Fact.DEBUGGABLE).filter("yes"::equals).ifPresent(yes -> marks.add("open to debuggers"));
        return marks.isEmpty()
                ? Stream.empty()
                : Stream.of(Finding.caution(
                                "not-stock",
                                "This is no stock OS: it is %s. Routes made for the maker's build may not hold."
                                        .formatted(String.join(", ", marks)))
                        .but(Sureness.LIKELY));
    }
}
