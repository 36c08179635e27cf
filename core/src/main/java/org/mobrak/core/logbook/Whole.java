package org.mobrak.core.logbook;

import java.lang.reflect.RecordComponent;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Values that were read from elsewhere have every part of them. A part that is nothing would fail whoever looks at it first, far from
 * where it was read.
 */
final class Whole {
    private Whole() {}

    /** The value; a {@link Legible.BadRow} tells that some part of it is missing. */
    static <T> T checked(@Nullable T value) {
        if (value == null) {
            throw new Legible.BadRow(new IllegalArgumentException("nothing"));
        }
        if (value instanceof Collection<?> all) {
            all.forEach(Whole::checked);
        } else if (value instanceof Map<?, ?> all) {
            all.keySet().forEach(Whole::checked);
            all.values().forEach(Whole::checked);
        } else if (value instanceof Optional<?> maybe) {
            maybe.ifPresent(Whole::checked);
        } else if (value instanceof Record) {
            parts(value);
        }
        return value;
    }

    private static void parts(Object value) {
        for (RecordComponent part : value.getClass().getRecordComponents()) {
            try {
                part.getAccessor().setAccessible(true);
                Object inside = part.getAccessor().invoke(value);
                if (inside != null || !part.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    checked(inside);
                }
            } catch (ReflectiveOperationException hidden) {
                throw new Legible.BadRow(hidden);
            }
        }
    }
}
