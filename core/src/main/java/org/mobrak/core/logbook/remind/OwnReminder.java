package org.mobrak.core.logbook.remind;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;

/** What a person wants to be reminded of: a licence that ends, a driver to be renewed. */
public record OwnReminder(LocalDate due, String what) {
    private static final int DAY = 10;
    private static final String SETTING = "reminders.";

    public OwnReminder {
        what = what.strip().replaceAll("\\s+", " ");
    }

    /** Those of a phone, in the order in which they were noted. */
    public static List<OwnReminder> of(Logbook logbook, PhoneRecord phone) {
        return logbook.setting(SETTING + phone.id()).stream()
                .flatMap(String::lines)
                .flatMap(line -> read(line).stream())
                .toList();
    }

    /** Keeps those of a phone, and no others. */
    public static void keep(Logbook logbook, PhoneRecord phone, List<OwnReminder> all) {
        logbook.putSetting(
                SETTING + phone.id(),
                all.stream().map(one -> one.due + " " + one.what).collect(Collectors.joining("\n")));
    }

    /** A line that somebody else wrote wrongly is passed over. */
    private static Optional<OwnReminder> read(String line) {
        try {
            return line.length() <= DAY
                    ? Optional.empty()
                    : Optional.of(new OwnReminder(LocalDate.parse(line.substring(0, DAY)), line.substring(DAY)));
        } catch (DateTimeParseException noDay) {
            return Optional.empty();
        }
    }
}
