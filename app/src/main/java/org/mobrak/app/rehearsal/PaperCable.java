package org.mobrak.app.rehearsal;

import java.util.Locale;
import java.util.function.BooleanSupplier;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.Cable;
import org.mobrak.link.bench.Stimulus;

/** The cable that lies beside the phone, and whether the phone has let the computer in. */
final class PaperCable {
    private final Hands hands;
    private Cable atHand;
    private boolean letIn;

    /** @param hands at a phone whose cable is pulled now */
    PaperCable(Hands hands) {
        this.hands = hands;
        this.atHand = hands.state().wire().cable() == Cable.FACTORY ? Cable.FACTORY : Cable.DATA;
        hands.does(new Stimulus.Plug(Cable.NONE));
    }

    void plugIn() {
        hands.does(new Stimulus.Plug(atHand));
    }

    /** Whether it is the one that is asked for; it goes in where the card says so, and not before. */
    boolean suits(Gate gate) {
        return gate.is().contains(atHand == Cable.FACTORY ? "factory" : "data");
    }

    void fetch(Gate gate) {
        atHand = gate.is().contains("data") ? Cable.DATA : Cable.FACTORY;
    }

    /** What is done may fetch another one; it does not go in by that. */
    boolean around(BooleanSupplier doing) {
        Cable before = hands.state().wire().cable();
        boolean went = doing.getAsBoolean();
        Cable now = hands.state().wire().cable();
        if (now != before) {
            atHand = now;
            hands.does(new Stimulus.Plug(before));
        }
        return went;
    }

    boolean carriesData() {
        return hands.state().wire().cable().carriesData();
    }

    /** The computer's key is asked for, and accepted, only with debugging on and the cable in. */
    boolean isBridged() {
        return hands.state().mode() == Mode.OS
                && hands.state().hasPort()
                && "on".equals(hands.state().facts().get(Fact.USB_DEBUGGING));
    }

    /** Whether these words order to accept the computer's key. */
    static boolean isAboutTheKey(String words) {
        String said = words.toLowerCase(Locale.ROOT);
        return said.contains("accept") && said.contains("key");
    }

    /** Lets the computer in where the words say so and the phone asks. */
    void note(String words) {
        letIn |= isAboutTheKey(words) && isBridged();
    }

    boolean isLetIn() {
        return letIn;
    }

    /** A phone that was wiped knows no computer. */
    void forget() {
        letIn = false;
    }
}
