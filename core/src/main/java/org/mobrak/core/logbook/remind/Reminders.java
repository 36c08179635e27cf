package org.mobrak.core.logbook.remind;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.remind.Reminder.Kind;

/**
 * When things are to be looked at again. A lithium cell that lies about is kept at about half and looked at every few months
 * (common practice, no published source); how many months is our own choice.
 */
public final class Reminders {
    private static final int BATTERY_MONTHS = 3;
    private static final int PATCH_MONTHS = 6;
    private static final int COPY_MONTHS = 6;

    private final ZoneId zone;

    public Reminders(ZoneId zone) {
        this.zone = zone;
    }

    /** Everything that is to be done again with every phone, the earliest first. */
    public List<Reminder> all(Logbook logbook) {
        List<Reminder> all = new ArrayList<>();
        for (PhoneRecord phone : logbook.phones()) {
            all.addAll(of(logbook.dossier(phone), logbook.materials().copies(phone)));
            OwnReminder.of(logbook, phone).forEach(own -> all.add(own(phone, own)));
        }
        all.sort(Comparator.comparing(Reminder::due));
        return List.copyOf(all);
    }

    private static Reminder own(PhoneRecord phone, OwnReminder own) {
        return new Reminder(own.due(), phone.nickname(), Kind.OWN, own.what(), own.what(), "noted by yourself");
    }

    /** Everything that is to be done again with a phone, the earliest first. */
    public List<Reminder> of(Dossier dossier, List<StockCopy> copies) {
        List<Reminder> all = new ArrayList<>();
        Facts facts = dossier.ledger().facts();
        String phone = dossier.phone().nickname();
        danger(dossier, facts, phone).or(() -> battery(dossier, phone)).ifPresent(all::add);
        facts.value(Fact.PATCH_LEVEL).flatMap(level -> patch(phone, level)).ifPresent(all::add);
        copies.forEach(copy -> all.add(copy(phone, copy)));
        all.sort(Comparator.comparing(Reminder::due));
        return List.copyOf(all);
    }

    private LocalDate day(Instant at) {
        return at.atZone(zone).toLocalDate();
    }

    /** A cell that may burn is not cared for but taken away. */
    private Optional<Reminder> danger(Dossier dossier, Facts facts, String phone) {
        Optional<String> body = facts.value(Fact.BATTERY_BODY).filter(seen -> !seen.equals("flat"));
        return body.flatMap(seen -> dossier.ledger().of(Fact.BATTERY_BODY).stream()
                .map(Reading::takenAt)
                .max(Comparator.naturalOrder())
                .map(at -> new Reminder(
                        day(at),
                        phone,
                        Kind.BATTERY,
                        "",
                        "Do not charge it; take the battery to a recycler or a repair professional",
                        "it was seen %s on %s".formatted(seen, day(at)))));
    }

    private Optional<Reminder> battery(Dossier dossier, String phone) {
        return dossier.ledger().of(Fact.BATTERY_PERCENT).stream()
                .filter(reading -> reading.source() != Source.PROVED)
                .max(Comparator.comparing(Reading::takenAt))
                .map(last -> new Reminder(
                        day(last.takenAt()).plusMonths(BATTERY_MONTHS),
                        phone,
                        Kind.BATTERY,
                        "",
                        "Bring the battery to about half, and look whether it lies flat",
                        "%s %% on %s".formatted(last.value(), day(last.takenAt()))));
    }

    private static Optional<Reminder> patch(String phone, String level) {
        try {
            return Optional.of(new Reminder(
                    LocalDate.parse(level).plusMonths(PATCH_MONTHS),
                    phone,
                    Kind.PATCH_LEVEL,
                    "",
                    "Look whether there is a newer build, and what it would do to root",
                    "its patches are of " + level));
        } catch (DateTimeParseException noDay) {
            return Optional.empty();
        }
    }

    private Reminder copy(String phone, StockCopy copy) {
        Instant last = copy.check().map(StockCopy.Check::at).orElse(copy.file().seenAt());
        String name = copy.file().material().name();
        return new Reminder(
                day(last).plusMonths(COPY_MONTHS),
                phone,
                Kind.COPY,
                name,
                "Verify the copy “%s” again".formatted(name),
                (copy.check().isPresent() ? "last verified on " : "never verified, registered on ") + day(last));
    }
}
