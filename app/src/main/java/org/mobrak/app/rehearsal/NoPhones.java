package org.mobrak.app.rehearsal;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.function.Consumer;
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
    public <T> CompletionStage<Reply<T>> send(String phone, Request<T> request, Consumer<Progress> told) {
        return CompletableFuture.completedFuture(new Reply.Failed<>(
                Reply.Kind.NOT_SEEN, "No phone is on this cable.", "The one that is rehearsed lies on the bench."));
    }
}
