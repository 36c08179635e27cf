package org.mobrak.app.rehearsal;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import org.mobrak.link.Answer;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Reply;
import org.mobrak.link.Request;

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

    @Override
    public <T> CompletionStage<Reply<T>> send(String phone, Request<T> request) {
        return CompletableFuture.completedFuture(new Reply.Failed<>(
                Reply.Kind.NOT_SEEN, "No phone is on this cable.", "The one that is rehearsed lies on the bench."));
    }
}
