package org.mobrak.core.learn;

import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;

/** Keys are held to come somewhere: to the mode in which the next step that names one is done. A guess, and told as one. */
record ModesOfKeys(List<Heard.Task> steps) {
    private static final List<String> HELD_FOR = List.of("download", "recovery", "flash-console");

    /** Gives each step of keys without a mode, by its index, and the mode. */
    void forEach(BiConsumer<Integer, String> taker) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).keys.isPresent() && steps.get(i).mode.isEmpty()) {
                int index = i;
                next(i + 1).filter(HELD_FOR::contains).ifPresent(mode -> taker.accept(index, mode));
            }
        }
    }

    private Optional<String> next(int from) {
        return steps.subList(from, steps.size()).stream()
                .flatMap(task -> task.mode.stream())
                .findFirst();
    }
}
