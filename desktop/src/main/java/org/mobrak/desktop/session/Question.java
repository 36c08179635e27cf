package org.mobrak.desktop.session;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.identity.check.PhoneSorting.Heap;

/**
 * Something the user must decide before anything is kept: readings came in that are not of the phone on the desk.
 *
 * @param text what came, in a sentence or two
 * @param heaps the readings, one heap for each phone
 */
public record Question(String text, List<Heap> heaps) {
    public Question {
        heaps = List.copyOf(heaps);
    }

    /** Asks about readings that are not all of the phone on the desk. */
    static Question about(List<Heap> heaps, String nickname, Optional<String> model) {
        String names = heaps.stream().map(Question::nameOf).collect(Collectors.joining(", "));
        String here = model.map(known -> ", " + known).orElse("");
        String what = heaps.size() == 1
                ? "This is of another phone: %s.".formatted(names)
                : "This is of %d phones: %s.".formatted(heaps.size(), names);
        return new Question("%s On the desk lies “%s”%s.".formatted(what, nickname, here), heaps);
    }

    static String nameOf(Heap heap) {
        return heap.name().isEmpty() ? "model not known" : heap.name();
    }

    /** What the user can answer. */
    public enum Answer {
        /** Each heap becomes a phone of its own in the drawer. */
        NEW_PHONES,
        /** All of it is of the phone on the desk, whatever it looks like. */
        SAME_PHONE,
        /** Nothing is kept. */
        LEAVE
    }
}
