package org.mobrak.link;

import java.util.List;

/** The simulated bench: the stand-in for a cable, with invented phones on it. */
public record Bench(List<BenchPhone> phones) implements PhoneLink {
    public Bench {
        phones = List.copyOf(phones);
    }

    @Override
    public List<String> seen() {
        return phones.stream().map(BenchPhone::name).toList();
    }

    @Override
    public Answer ask(String phone, Question question) {
        return phones.stream()
                .filter(candidate -> candidate.name().equals(phone))
                .findFirst()
                .map(found -> found.answer(question))
                .orElse(new Answer.Silence("It is no longer on the cable.", "Plug it in again."));
    }
}
