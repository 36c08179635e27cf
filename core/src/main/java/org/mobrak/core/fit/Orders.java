package org.mobrak.core.fit;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.OptionalInt;

/** Values against bounds. */
final class Orders {
    private Orders() {}

    /** An order of a value against a limit; empty where none can be told. */
    interface Order {
        OptionalInt compare(String value, String limit);
    }

    /** Whether a value lies between two bounds, both included; an absent bound holds for everything. */
    static Truth within(Optional<String> least, String value, Optional<String> most, Order order) {
        Truth above = least.map(low -> order.compare(value, low))
                .map(told -> holds(told, 1))
                .orElse(Truth.YES);
        return above.and(most.map(high -> order.compare(value, high))
                .map(told -> holds(told, -1))
                .orElse(Truth.YES));
    }

    private static Truth holds(OptionalInt order, int side) {
        return order.isEmpty() ? Truth.UNKNOWN : Truth.of(Integer.signum(order.getAsInt()) != -side);
    }

    static OptionalInt numbers(String number, String limit) {
        try {
            return OptionalInt.of(new BigDecimal(number).compareTo(new BigDecimal(limit)));
        } catch (NumberFormatException none) {
            return OptionalInt.empty();
        }
    }
}
