package org.mobrak.app;

import java.util.Arrays;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.mend.patch.PropertyChange;
import org.mobrak.link.Mode;
import org.mobrak.link.PhoneFile;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Request;

/**
 * A property file taken off a phone on the cable, and brought back changed. Takes as long as the phone takes; an interrupt ends
 * the waiting.
 */
final class CablePatch {
    /** Where the platform keeps the properties of the system. */
    static final String PATH = "/system/build.prop";

    private final PhoneLink link;
    private final String phone;

    CablePatch(PhoneLink link, String phone) {
        this.link = link;
        this.phone = phone;
    }

    byte[] pull() throws InterruptedException, Refusal {
        return done(new Request.Pull(PATH)).content();
    }

    /**
     * Puts the changed file in its place with the rights of the one before, unless those were wrong, restarts the phone, and asks
     * it what the property is now.
     *
     * @param before the file as it was taken off; another one there now is not overwritten
     * @return what the phone said, as a sentence
     */
    String bring(byte[] before, byte[] changed, PropertyChange change) throws InterruptedException, Refusal {
        if (!Arrays.equals(pull(), before)) {
            throw new Refusal("The file on the phone is another one by now; take it off again.");
        }
        done(new Request.Push(PATH, PhoneFile.ofSystem(changed)));
        done(new Request.Restart(Mode.OS));
        if (!says(change)) {
            throw new Refusal(
                    "The file is on the phone, and after its restart it does not say %s=%s. Look at rights and owner of the file."
                            .formatted(change.key(), change.value()));
        }
        return "Brought back as 0644 of root, restarted, and proved: the phone says %s=%s."
                .formatted(change.key(), change.value());
    }

    private boolean says(PropertyChange change) throws InterruptedException, Refusal {
        String line = "[%s]: [%s]".formatted(change.key(), change.value());
        return done(new Request.Properties()).lines().anyMatch(line::equals);
    }

    private <T> T done(Request<T> request) throws InterruptedException, Refusal {
        return CableReading.done(link, phone, request);
    }
}
