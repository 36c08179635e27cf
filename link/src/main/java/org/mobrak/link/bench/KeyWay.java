package org.mobrak.link.bench;

import java.util.Set;
import org.mobrak.core.catalogue.KeyChord;

/**
 * Where keys lead.
 *
 * @param from the modes in which the phone listens to them
 * @param to the mode they lead to
 */
public record KeyWay(KeyChord chord, Set<Mode> from, Mode to) {
    public KeyWay {
        from = Set.copyOf(from);
    }
}
