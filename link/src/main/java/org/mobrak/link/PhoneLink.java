package org.mobrak.link;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CompletionStage;

/** A cable with phones on it. */
public interface PhoneLink {

    /** The names of the phones on the cable, in whatever mode they are; a cable that cannot be asked says why. */
    List<String> seen() throws IOException;

    /**
     * Asks one phone; takes as long as the phone takes, so never on the thread that draws. An interrupt ends the waiting.
     */
    Answer ask(String phone, Question question) throws InterruptedException;

    /** Does something with one phone, as long as that takes, and never on the thread that asks. */
    <T> CompletionStage<Reply<T>> send(String phone, Request<T> request);

    /** What can be asked of a phone whose OS runs. */
    enum Question {
        PROPERTIES("property list"),
        KERNEL_BANNER("kernel banner");

        private final String label;

        Question(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
