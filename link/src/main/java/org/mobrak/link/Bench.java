package org.mobrak.link;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;

/** The simulated bench: the stand-in for a cable, with invented phones on it. */
public record Bench(List<BenchPhone> phones) implements PhoneLink {
    public Bench {
        phones = List.copyOf(phones);
    }

    @Override
    public List<String> seen() {
        return phones.stream().map(BenchPhone::name).toList();
    }

    private Optional<BenchPhone> find(String phone) {
        return phones.stream()
                .filter(candidate -> candidate.name().equals(phone))
                .findFirst();
    }

    @Override
    public Answer ask(String phone, Question question) {
        return find(phone)
                .map(found -> found.answer(question))
                .orElse(new Answer.Silence("It is no longer on the cable.", "Plug it in again."));
    }

    @Override
    public <T> CompletionStage<Reply<T>> send(String phone, Request<T> request) {
        return CompletableFuture.supplyAsync(() -> find(phone)
                .map(found -> found.reply(request))
                .orElseGet(() ->
                        new Reply.Failed<>(Reply.Kind.NOT_SEEN, "It is no longer on the cable.", "Plug it in again.")));
    }
}
