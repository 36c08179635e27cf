package org.mobrak.app;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;

/**
 * Everything the window shows, as it stands on disk.
 *
 * @param unread what of the logbook cannot be read
 * @param desk the phone that is picked; empty while the drawer is
 * @param past the jobs that have ended, the newest first
 * @param table the file that lies open; empty while none does
 * @param undo what can be undone, in a few words
 * @param redo what can be done again, in a few words
 */
public record Snapshot(
        Path folder,
        List<DrawerEntry> drawer,
        List<Finding> unread,
        Optional<Desk> desk,
        List<PastJob> past,
        List<String> bench,
        CatalogueState catalogue,
        Optional<Table> table,
        Optional<String> undo,
        Optional<String> redo) {

    /**
     * The workspace's catalogue, and another that is held against it.
     *
     * @param faults in its own files
     * @param other the other one, while it is open
     * @param differences between the two
     * @param otherFaults in the other's files; such entries cannot be taken
     */
    public record CatalogueState(
            int phones,
            int routes,
            int holes,
            List<Fault> faults,
            Optional<Path> other,
            List<Difference> differences,
            List<Fault> otherFaults) {}

    /**
     * The file that lies open.
     *
     * @param beside another that is held against it
     */
    public record Table(Kept kept, Inspection inspection, Optional<Inspection> beside) {
        /** The same for a phone whose partitions are called so. */
        Table by(PartitionNames names) {
            return new Table(kept.by(names), inspection.by(names), beside.map(other -> other.by(names)));
        }
    }

    /**
     * A job that has ended, and whose it was.
     *
     * @param families of its routes, as far as they are in the catalogue
     */
    public record PastJob(PhoneRecord phone, Job job, Set<String> families) {
        public PastJob {
            families = Set.copyOf(families);
        }
    }

    /** Who is there, without what follows from it. */
    public Glance glance() {
        return new Glance(drawer, desk.map(one -> new Glance.Phone(one.dossier(), one.identity())));
    }

    /** The phone on the desk. */
    public Optional<PhoneRecord> phone() {
        return desk.map(one -> one.dossier().phone());
    }
}
