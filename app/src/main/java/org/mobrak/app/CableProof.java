package org.mobrak.app;

import java.util.Optional;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.proof.Seen;
import org.mobrak.link.Mode;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Request;

/**
 * What a phone on the cable shows of root, and who it is.
 *
 * @param who its property list, since what one phone shows proves nothing of another
 * @param seen empty where it shows nothing: without a root binary nobody was asked, so nobody has denied anything
 */
record CableProof(RawText who, Optional<Seen> seen) {
    private static final String HIGHEST_USER = "uid=0(";

    /** Asks its shell who its highest user is; takes as long as the phone takes. */
    static CableProof ofShell(PhoneLink link, String phone) throws InterruptedException, UnreadableInput, Refusal {
        RawText who = who(link, phone);
        Request.Said said = CableReading.done(link, phone, new Request.Run("id", true));
        if (said.status() == Request.Said.NOT_FOUND) {
            return new CableProof(who, Optional.empty());
        }
        boolean highest = said.status() == 0 && said.text().startsWith(HIGHEST_USER);
        return new CableProof(who, Optional.of(highest ? Seen.UID0 : Seen.DENIED));
    }

    /** Restarts it. */
    static CableProof ofRestart(PhoneLink link, String phone) throws InterruptedException, UnreadableInput, Refusal {
        RawText who = who(link, phone);
        CableReading.done(link, phone, new Request.Restart(Mode.OS));
        return new CableProof(who, Optional.of(Seen.RESTART));
    }

    static RawText who(PhoneLink link, String phone) throws InterruptedException, UnreadableInput, Refusal {
        return TextIntake.pasted(CableReading.done(link, phone, new Request.Properties()));
    }

    String words() {
        return seen.map(CableProof::words)
                .orElse("Its shell has no way to its highest user: there is no root binary. Nothing was noted.");
    }

    private static String words(Seen seen) {
        return switch (seen) {
            case UID0 -> "Its shell has its highest user, uid 0.";
            case DENIED -> "Its shell was denied its highest user.";
            default -> "It was restarted.";
        };
    }
}
