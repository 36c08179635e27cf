package org.mobrak.link;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CompletionStage;
import java.util.function.Consumer;

/** A cable with phones on it. Nobody who asks knows what kind of phones they are, nor waits for them. */
public interface PhoneLink {

    /** The names of the phones on the cable, in whatever mode they are; a cable that cannot be asked says why. */
    List<String> seen() throws IOException;

    /**
     * Asks something of one phone, or does something with it; that takes as long as the phone takes, and never on the thread
     * that asks.
     *
     * @param told is told how far it has come, on a thread of the link's
     * @return what became of it, also where that is a failure
     */
    <T> CompletionStage<Reply<T>> send(String phone, Request<T> request, Consumer<Progress> told);

    /** The same for what is done in no time. */
    default <T> CompletionStage<Reply<T>> send(String phone, Request<T> request) {
        return send(phone, request, progress -> {});
    }

    /**
     * How far something has come.
     *
     * @param done bytes of it
     * @param whole bytes in all
     */
    record Progress(long done, long whole) {}
}
