package org.mobrak.link;

/**
 * A simulated phone and its hidden truth.
 *
 * @param name what a person sees of it, since the cable shows no model
 * @param properties what it answers when asked for its properties
 * @param banner its kernel's banner
 */
public record BenchPhone(String name, Mode mode, String properties, String banner) {

    /** What the phone is doing. */
    public enum Mode {
        OFF,
        OS
    }

    Answer answer(PhoneLink.Question question) {
        if (mode == Mode.OFF) {
            return new Answer.Silence("It is switched off.", "Switch it on, wait for its start screen and ask again.");
        }
        return new Answer.Text(
                switch (question) {
                    case PROPERTIES -> properties;
                    case KERNEL_BANNER -> banner;
                });
    }
}
