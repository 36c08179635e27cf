package org.mobrak.app;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Reply;
import org.mobrak.link.Request;

/** Asks a phone on the cable for everything it can say. Takes as long as the phone takes; an interrupt ends it. */
final class CableReading {
    private CableReading() {}

    /** All its answers, or a {@link Refusal} with the remedy at the first that does not come. */
    static List<RawText> of(PhoneLink link, String seen) throws InterruptedException, UnreadableInput, Refusal {
        Map<String, Request<String>> asked = new LinkedHashMap<>();
        asked.put("property list", new Request.Properties());
        asked.put("kernel banner", new Request.KernelBanner());
        asked.put("battery", new Request.Battery());
        List<RawText> texts = new ArrayList<>();
        for (Map.Entry<String, Request<String>> one : asked.entrySet()) {
            RawText text = TextIntake.pasted(done(link, seen, one.getValue()));
            texts.add(new RawText(seen + ", " + one.getKey(), text.text(), text.findings()));
        }
        return texts;
    }

    /** What a phone gives; a {@link Refusal} says why it does not, and what to do about it. */
    static <T> T done(PhoneLink link, String phone, Request<T> request) throws InterruptedException, Refusal {
        try {
            Reply<T> reply = link.send(phone, request).toCompletableFuture().get();
            if (reply instanceof Reply.Failed<T> failed) {
                throw new Refusal(failed.why() + " " + failed.remedy());
            }
            return ((Reply.Done<T>) reply).value();
        } catch (ExecutionException broken) {
            throw new IllegalStateException(broken.getCause());
        }
    }
}
