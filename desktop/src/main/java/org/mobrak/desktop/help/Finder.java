package org.mobrak.desktop.help;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import org.mobrak.desktop.parts.Sought;

/** Which commands are meant by what was typed: the nearest first, of equally near ones those that were used most. */
final class Finder {
    private static final int MOST = 200;

    private Finder() {}

    private record Near(Command command, int distance) {}

    static List<Command> find(List<Command> all, Sought sought, Used used) {
        return all.stream()
                .map(command -> near(command, sought))
                .filter(near -> near.distance >= 0)
                .sorted(Comparator.comparingInt(Near::distance).thenComparing(near -> -used.count(near.command)))
                .limit(MOST)
                .map(Near::command)
                .toList();
    }

    private static Near near(Command command, Sought sought) {
        OptionalInt distance = sought.distance(command.name(), command.kind() + " " + command.words());
        return new Near(command, distance.orElse(-1));
    }
}
