package org.mobrak.app;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;

/** What is wanted of each phone, kept in the workspace: {@code goal;school;limits}. On the worker thread only. */
final class Wishes {
    private static final int PARTS = 3;

    private Wishes() {}

    /** What was wished last; the usual where nothing was, or what is kept cannot be read. */
    static Wish of(Logbook logbook, Optional<PhoneRecord> phone) {
        return phone.flatMap(one -> logbook.setting(name(one)))
                .flatMap(Wishes::read)
                .orElseGet(Wish::usual);
    }

    static void keep(Logbook logbook, PhoneRecord phone, Wish wish) {
        String school = wish.school().map(Wishes::word).orElse("");
        logbook.putSetting(
                name(phone),
                Stream.of(
                                wish.goal().key(),
                                school,
                                String.join(" ", wish.limits().words()))
                        .collect(Collectors.joining(";")));
    }

    private static String name(PhoneRecord phone) {
        return "wish." + phone.id();
    }

    private static String word(School school) {
        return school.name().toLowerCase(Locale.ROOT);
    }

    private static Optional<Wish> read(String kept) {
        List<String> parts = List.of(kept.split(";", -1));
        if (parts.size() != PARTS) {
            return Optional.empty();
        }
        Optional<School> school = Stream.of(School.values())
                .filter(one -> word(one).equals(parts.get(1)))
                .findFirst();
        try {
            Limits limits = Limits.none();
            for (String word : parts.get(2).isEmpty()
                    ? List.<String>of()
                    : List.of(parts.get(2).split(" "))) {
                limits = limits.with(word);
            }
            Limits all = limits;
            return Goal.ofKey(parts.get(0)).map(goal -> new Wish(goal, school, all));
        } catch (Refusal | IllegalArgumentException unknown) {
            return Optional.empty();
        }
    }
}
