package org.mobrak.desktop.session;

import java.util.List;
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
