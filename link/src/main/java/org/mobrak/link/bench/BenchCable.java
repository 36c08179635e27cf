package org.mobrak.link.bench;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.function.Consumer;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Reply;
import org.mobrak.link.Request;

/** A cable with phones of the bench on it: the stand-in for a real one. Each answers in its own time. */
public final class BenchCable implements PhoneLink {
    private final List<CablePhone> phones;

    public BenchCable(List<CablePhone> phones) {
        this.phones = List.copyOf(phones);
    }

    @Override
    public List<String> seen() {
        return phones.stream()
                .filter(CablePhone::isOnTheCable)
                .map(CablePhone::name)
                .toList();
    }

    private Optional<CablePhone> find(String phone) {
        return phones.stream()
                .filter(one -> one.name().equals(phone) && one.isOnTheCable())
                .findFirst();
    }

    @Override
    public <T> CompletionStage<Reply<T>> send(String phone, Request<T> request, Consumer<Progress> told) {
        return CompletableFuture.supplyAsync(
                () -> find(phone).map(found -> found.answer(request, told)).orElseGet(BenchCable::gone));
    }

    static <T> Reply<T> gone() {
        return new Reply.Failed<>(Reply.Kind.NOT_SEEN, "It is no longer on the cable.", "Plug it in again.");
    }
}
