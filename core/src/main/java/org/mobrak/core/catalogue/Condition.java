package org.mobrak.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;

/** What a route asks of a phone, as data; the fit package judges it. */
public sealed interface Condition {

    /** The fact has one of these values, compared exactly. */
    record OneOf(Fact fact, List<String> values, Optional<String> because) implements Condition {}

    /** The fact is like one of these patterns, in which a star stands for any text and a question mark for one character. */
    record Like(Fact fact, List<String> patterns, Optional<String> because) implements Condition {}

    /** The fact, read as a version, lies between two bounds, both included; at least one is there. */
    record Between(Fact fact, Optional<String> atLeast, Optional<String> atMost, Optional<String> because)
            implements Condition {}

    /** The fact, read as a day (ISO 8601), lies between two days, both included; at least one is there. */
    record Dated(Fact fact, Optional<String> notBefore, Optional<String> notAfter, Optional<String> because)
            implements Condition {}

    /** The bootloader revision that the maker's grammar finds in the fact lies between two bounds, both included. */
    record Revision(Fact fact, Optional<String> atLeast, Optional<String> atMost, Optional<String> because)
            implements Condition {}

    /** A hole, by its public identifier, is still open on the phone. */
    record HoleOpen(String id, Optional<String> because) implements Condition {}

    record AllOf(List<Condition> parts) implements Condition {}

    record AnyOf(List<Condition> parts) implements Condition {}

    record Not(Condition part, Optional<String> because) implements Condition {}

    /** Every fact the condition speaks of, once for each time. */
    default Stream<Fact> facts() {
        return leaves().flatMap(Condition::ownFacts);
    }

    private Stream<Fact> ownFacts() {
        if (this instanceof OneOf some) {
            return Stream.of(some.fact());
        }
        if (this instanceof Like like) {
            return Stream.of(like.fact());
        }
        if (this instanceof Between range) {
            return Stream.of(range.fact());
        }
        if (this instanceof Dated dated) {
            return Stream.of(dated.fact());
        }
        return this instanceof Revision revision
                ? Stream.of(revision.fact())
                : Stream.of(
                        Fact.KERNEL_RELEASE,
                        Fact.KERNEL_BUILT,
                        Fact.KERNEL_KIND,
                        Fact.OS_VERSION,
                        Fact.PATCH_LEVEL,
                        Fact.BUILD_DATE);
    }

    /** The parts that are not made of parts. */
    default Stream<Condition> leaves() {
        if (this instanceof AllOf all) {
            return all.parts().stream().flatMap(Condition::leaves);
        }
        if (this instanceof AnyOf any) {
            return any.parts().stream().flatMap(Condition::leaves);
        }
        return this instanceof Not not ? not.part().leaves() : Stream.of(this);
    }
}
