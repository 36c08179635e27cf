package org.mobrak.app;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.identity.check.PhoneSorting.Heap;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * Something the user must decide before anything is kept: readings came in that are not of the phone on the desk.
 *
 * @param phone the phone that lay on the desk when it was asked
 * @param text what came, in a sentence or two
 * @param heaps the readings, one heap for each phone
 */
public record Question(PhoneRecord phone, String text, List<Heap> heaps) {
    public Question {
        heaps = List.copyOf(heaps);
    }

    /** Asks about readings that are not all of the phone on the desk. */
    static Question about(List<Heap> heaps, PhoneRecord phone, Optional<String> model) {
        String names = heaps.stream().map(Question::nameOf).collect(Collectors.joining(", "));
        String here = model.map(known -> ", " + known).orElse("");
        String what = heaps.size() == 1
                ? "This is of another phone: %s.".formatted(names)
                : "This is of %d phones: %s.".formatted(heaps.size(), names);
        return new Question(phone, "%s On the desk lies “%s”%s.".formatted(what, phone.nickname(), here), heaps);
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
