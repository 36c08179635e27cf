package org.mobrak.app;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.link.Answer;
import org.mobrak.link.PhoneLink;

/** Asks a phone on the cable for everything it can say. Takes as long as the phone takes; an interrupt ends it. */
final class CableReading {
    private CableReading() {}

    /** All its answers, or a {@link Refusal} with the remedy at the first silence. */
    static List<RawText> of(PhoneLink link, String seen) throws InterruptedException, UnreadableInput, Refusal {
        List<RawText> texts = new ArrayList<>();
        for (PhoneLink.Question question : PhoneLink.Question.values()) {
            Answer answer = link.ask(seen, question);
            if (answer instanceof Answer.Silence silence) {
                throw new Refusal(silence.why() + " " + silence.remedy());
            }
            RawText text = TextIntake.pasted(((Answer.Text) answer).text());
            texts.add(new RawText(seen + ", " + question.label(), text.text(), text.findings()));
        }
        return texts;
    }
}
