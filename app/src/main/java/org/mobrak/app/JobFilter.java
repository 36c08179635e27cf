package org.mobrak.app;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import org.mobrak.core.job.Event;
import org.mobrak.core.logbook.search.Hit;

/**
 * Which of the past is to be seen; what is empty does not matter.
 *
 * @param phone the number of a phone
 * @param state in which the phone is now
 * @param family of one of the job's routes
 * @param end how the job ended
 * @param from the first day
 * @param until the last day
 */
public record JobFilter(
        Optional<Long> phone,
        Optional<DrawerEntry.Mark> state,
        Optional<String> family,
        Optional<Event.End> end,
        Optional<LocalDate> from,
        Optional<LocalDate> until) {

    /** Everything is to be seen. */
    public static JobFilter none() {
        return new JobFilter(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    public boolean isNone() {
        return equals(none());
    }

    /** Whether a job is to be seen. */
    public boolean shows(Snapshot.PastJob past, Snapshot snapshot, ZoneId zone) {
        Event.Ended ended = past.job().end().orElseThrow();
        return showsPhone(past.phone().id(), snapshot)
                && family.filter(wanted -> !past.families().contains(wanted)).isEmpty()
                && end.filter(wanted -> wanted != ended.end()).isEmpty()
                && isIn(ended.at().atZone(zone).toLocalDate());
    }

    /** Whether something that was found is to be seen; where jobs are chosen by kind or result, what lies on their phones. */
    public boolean shows(Hit hit, Snapshot snapshot, ZoneId zone) {
        boolean jobsMatter = family.isPresent() || end.isPresent();
        JobFilter ofJobs = new JobFilter(phone, state, family, end, Optional.empty(), Optional.empty());
        return showsPhone(hit.phone(), snapshot)
                && hit.day(zone).map(this::isIn).orElse(true)
                && (!jobsMatter
                        || snapshot.past().stream()
                                .anyMatch(past ->
                                        past.phone().id() == hit.phone() && ofJobs.shows(past, snapshot, zone)));
    }

    /** Whether a phone is to be seen. */
    public boolean showsPhone(long id, Snapshot snapshot) {
        boolean stands = state.isEmpty()
                || snapshot.drawer().stream()
                        .anyMatch(entry ->
                                entry.phone().id() == id && entry.marks().contains(state.get()));
        return stands && phone.filter(wanted -> wanted != id).isEmpty();
    }

    private boolean isIn(LocalDate day) {
        return from.filter(day::isBefore).isEmpty()
                && until.filter(day::isAfter).isEmpty();
    }
}
