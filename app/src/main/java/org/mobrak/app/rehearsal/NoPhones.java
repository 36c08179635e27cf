package org.mobrak.app.rehearsal;

import java.util.List;
import org.mobrak.link.Answer;
import org.mobrak.link.PhoneLink;

/** No real phone hangs on the cable of a rehearsal. */
final class NoPhones implements PhoneLink {
    @Override
    public List<String> seen() {
        return List.of();
    }

    @Override
    public Answer ask(String phone, Question question) {
        return new Answer.Silence("This is a rehearsal.", "Read it off the phone on the bench.");
    }
}
