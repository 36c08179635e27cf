package org.mobrak.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;

/** What a route asks of a phone, as data; the fit package judges it. */
public sealed interface Condition {

    /** The fact has one of these values, compared exactly. */
    record OneOf(Fact fact, List<String> values, Optional<String> because) implements Condition {}

    /** The fact, read as a version, lies between two bounds, both included; at least one is there. */
    record Between(Fact fact, Optional<String> atLeast, Optional<String> atMost, Optional<String> because)
            implements Condition {}

    record AllOf(List<Condition> parts) implements Condition {}

    record AnyOf(List<Condition> parts) implements Condition {}

    record Not(Condition part, Optional<String> because) implements Condition {}

    /** Every fact the condition speaks of, once for each time. */
    default Stream<Fact> facts() {
        return leaves().map(leaf -> leaf instanceof OneOf some ? some.fact() : ((Between) leaf).fact());
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
