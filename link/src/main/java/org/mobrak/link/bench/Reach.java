package org.mobrak.link.bench;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.Reply.Failed;
import org.mobrak.link.Reply.Kind;

/** Whether a computer reaches a phone through its cable; if not, what is in the way and what helps, the nearest first. */
final class Reach {
    private Reach() {}

    /**
     * Why a computer does not reach it for something; empty where it does.
     *
     * @param wanted the modes in which it can be done
     */
    static <T> Optional<Failed<T>> shut(BenchState state, Set<Mode> wanted) {
        if (!state.wire().cable().carriesData()) {
            return Optional.of(new Failed<>(
                    Kind.NOT_SEEN, "The cable in it only charges.", "Take the cable that came with the phone."));
        }
        if (state.mode() == Mode.OFF) {
            return Optional.of(new Failed<>(
                    Kind.WRONG_MODE, "It is switched off.", "Switch it on, wait for its start screen and ask again."));
        }
        if (!wanted.contains(state.mode())) {
            String words = wanted.stream().map(Mode::screen).sorted().collect(Collectors.joining(", or "));
            return Optional.of(new Failed<>(
                    Kind.WRONG_MODE,
                    "It shows " + state.mode().screen() + ".",
                    "Bring it where it shows " + words + "."));
        }
        if (!state.wire().driver()) {
            return Optional.of(new Failed<>(
                    Kind.NOT_SEEN,
                    "The computer knows no port of it.",
                    "Install its driver, unplug it and plug it in."));
        }
        if (state.mode() == Mode.OS && !state.inside().is(Fact.USB_DEBUGGING, "on")) {
            return Optional.of(new Failed<>(
                    Kind.NOT_LET_IN,
                    "It lets no computer in.",
                    "Switch USB debugging on in its developer options, and allow this computer's key."));
        }
        return Optional.empty();
    }
}
