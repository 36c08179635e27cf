package org.mobrak.link.bench;

import java.util.List;
import java.util.Set;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.link.Mode;

/**
 * Where keys lead.
 *
 * @param from the modes in which the phone listens to them
 * @param to the mode they lead to
 * @param turn 1, or more where other ways begin with the same keys and take less holding
 * @param unplugged whether it goes this way only with the cable out; with it in, it starts into charging
 * @param goesOn whether holding on would mean another way
 */
public record KeyWay(KeyChord chord, Set<Mode> from, Mode to, int turn, boolean goesOn, boolean unplugged) {
    public KeyWay {
        from = Set.copyOf(from);
    }

    /** A way among others; where it stands among them is worked out when they are put together. */
    public KeyWay(KeyChord chord, Set<Mode> from, Mode to) {
        this(chord, from, to, false);
    }

    /** A way that may want the cable out. */
    public KeyWay(KeyChord chord, Set<Mode> from, Mode to, boolean unplugged) {
        this(chord, from, to, 1, false, unplugged);
    }

    /** The same ways, each with its turn. */
    static List<KeyWay> inTurn(List<KeyWay> ways) {
        return ways.stream()
                .map(way -> {
                    long before = ways.stream()
                            .filter(other -> other.comesBefore(way))
                            .count();
                    boolean more = ways.stream().anyMatch(way::comesBefore);
                    return new KeyWay(way.chord(), way.from(), way.to(), (int) before + 1, more, way.unplugged());
                })
                .toList();
    }

    private boolean comesBefore(KeyWay longer) {
        boolean sameKeys = Set.copyOf(chord.strokes().get(0).keys())
                .equals(Set.copyOf(longer.chord().strokes().get(0).keys()));
        return sameKeys
                && chord.strokes().size() < longer.chord().strokes().size()
                && from.stream().anyMatch(longer.from()::contains);
    }
}
