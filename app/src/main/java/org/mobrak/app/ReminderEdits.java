package org.mobrak.app;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.remind.OwnReminder;
import org.mobrak.core.logbook.remind.Reminder;
import org.mobrak.core.logbook.remind.Reminders;

/** What is to be done again, and what a person wants to be reminded of; changes can be taken back. */
final class ReminderEdits {
    private final Logbook logbook;
    private final UndoStack undo;
    private final PickedPhone picked;
    private final ZoneId zone;

    ReminderEdits(Logbook logbook, UndoStack undo, PickedPhone picked, ZoneId zone) {
        this.logbook = logbook;
        this.undo = undo;
        this.picked = picked;
        this.zone = zone;
    }

    /** With every phone of the drawer. */
    List<Reminder> all() {
        return new Reminders(zone).all(logbook);
    }

    /** Keeps something of its own to be reminded of, for the phone on the desk. */
    void remind(LocalDate due, String what) throws Refusal {
        if (what.isBlank()) {
            throw new Refusal("Say what you want to be reminded of.");
        }
        PhoneRecord on = picked.orRefuse();
        List<OwnReminder> now = new ArrayList<>(OwnReminder.of(logbook, on));
        now.add(new OwnReminder(due, what));
        keep("noting a reminder", on, now);
    }

    /** Something of one's own is done, or no longer wanted. */
    void forget(Reminder reminder) {
        logbook.phones().stream()
                .filter(one -> one.nickname().equals(reminder.phone()))
                .forEach(one -> {
                    List<OwnReminder> now = new ArrayList<>(OwnReminder.of(logbook, one));
                    if (now.remove(new OwnReminder(reminder.due(), reminder.what()))) {
                        keep("taking a reminder off", one, now);
                    }
                });
    }

    private void keep(String what, PhoneRecord on, List<OwnReminder> now) {
        List<OwnReminder> before = OwnReminder.of(logbook, on);
        OwnReminder.keep(logbook, on, now);
        undo.did(new UndoStack.Step(
                what, () -> OwnReminder.keep(logbook, on, before), () -> OwnReminder.keep(logbook, on, now)));
    }
}
