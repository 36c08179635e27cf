package org.mobrak.desktop.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Fault;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * Everything the window shows, as it stands on disk.
 *
 * @param desk the phone that is picked; empty while the drawer is
 * @param past the jobs that have ended, the newest first
 * @param undo what can be undone, in a few words
 * @param redo what can be done again, in a few words
 */
public record Snapshot(
        Path folder,
        List<DrawerEntry> drawer,
        Optional<Desk> desk,
        List<PastJob> past,
        List<String> bench,
        List<Fault> faults,
        Optional<String> undo,
        Optional<String> redo) {

    /** A job that has ended, and whose it was. */
    public record PastJob(PhoneRecord phone, Job job) {}
}
