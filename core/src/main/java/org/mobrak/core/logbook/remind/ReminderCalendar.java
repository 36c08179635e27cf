package org.mobrak.core.logbook.remind;

import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.io.text.ICalWriter;
import biweekly.util.DateTimeComponents;
import biweekly.util.ICalDate;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.UUID;
import org.mobrak.core.identity.VisibleText;

/** Reminders as an iCalendar file (RFC 5545): an event of a whole day each, the same one in every file written later. */
public final class ReminderCalendar {
    /** The library counts letters and the standard octets, of which a letter has at most three. */
    private static final int LINE = 25;

    private ReminderCalendar() {}

    /**
     * The file's text.
     *
     * @param at when it is written
     */
    public static String of(List<Reminder> reminders, Instant at) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Mobrak//Reminders//EN");
        for (Reminder reminder : reminders) {
            VEvent event = new VEvent();
            event.setUid(uid(reminder));
            event.setDateTimeStamp(Date.from(at));
            event.setDateStart(new ICalDate(
                    new DateTimeComponents(
                            reminder.due().getYear(),
                            reminder.due().getMonthValue(),
                            reminder.due().getDayOfMonth()),
                    false));
            event.setSummary(VisibleText.oneLine(reminder.phone() + ": " + reminder.what()));
            event.setDescription(VisibleText.oneLine(reminder.why()));
            event.addCategories(reminder.kind().word());
            calendar.addEvent(event);
        }
        return written(calendar);
    }

    private static String written(ICalendar calendar) {
        StringWriter text = new StringWriter();
        try (ICalWriter writer = new ICalWriter(text, ICalVersion.V2_0)) {
            writer.getVObjectWriter().getFoldedLineWriter().setLineLength(LINE);
            writer.write(calendar);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    private static String uid(Reminder reminder) {
        String name = String.join("\n", reminder.phone(), reminder.kind().word(), reminder.about());
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8)) + "@mobrak";
    }
}
