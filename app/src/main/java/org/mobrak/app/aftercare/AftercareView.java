package org.mobrak.app.aftercare;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.gather.RestoreCheck;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.job.Job;
import org.mobrak.core.mend.Diagnosis;
import org.mobrak.core.mend.SymptomSearch;
import org.mobrak.core.mend.patch.PropertyLine;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Takeback;
import org.mobrak.core.proof.AppChanges;
import org.mobrak.core.proof.Comparison;
import org.mobrak.core.proof.RootProof;
import org.mobrak.core.proof.Seen;

/**
 * The phone on the desk after the work.
 *
 * @param timeline what was seen of root, in order of time, by jobs and by the person
 * @param said what the readings say of root, whether it was proved or not
 * @param jobs ended jobs held against what was read since, the newest first
 * @param known every symptom of the catalogue
 * @param takingBack how the phone can be brought back to how it was before its last job
 */
public record AftercareView(
        long phone,
        Notes notes,
        List<Seen> timeline,
        RootProof proof,
        Optional<String> said,
        List<JobOutcome> jobs,
        List<Symptom> known,
        Diagnosis diagnosis,
        Optional<OpenFile> file,
        Optional<Inventory> apps,
        Optional<TakingBack> takingBack) {
    public AftercareView {
        timeline = List.copyOf(timeline);
        jobs = List.copyOf(jobs);
        known = List.copyOf(known);
    }

    /** An ended job and how the phone came out of it. */
    public record JobOutcome(Job job, Comparison comparison) {}

    /**
     * The way back from the last job whose plan is known.
     *
     * @param all what is otherwise than it was
     * @param copies what it wrote, and whether a copy of it is there to be put back
     * @param goal that brings back what can be brought back; empty where nothing can or need be
     */
    public record TakingBack(Job job, List<Takeback> all, List<RestoreCheck> copies, Optional<Goal> goal) {
        public TakingBack {
            all = List.copyOf(all);
            copies = List.copyOf(copies);
        }
    }

    /**
     * A property file that lies open.
     *
     * @param name as the user knows it
     * @param phone the one on the cable that it was taken off
     * @param lines its lines, the first few thousand
     * @param patch what would come of the change that was asked for; empty until one was
     * @param recognised a change of this phone that the file already has, or that an update took back
     */
    public record OpenFile(
            String name,
            Optional<String> phone,
            List<PropertyLine> lines,
            Optional<PropertyPatch> patch,
            Optional<Recognised> recognised) {
        public OpenFile {
            lines = List.copyOf(lines);
        }
    }

    /** An earlier change, and whether the file has it. */
    public record Recognised(Notes.Patched patch, boolean applied) {}

    /**
     * Two listings of apps held against each other.
     *
     * @param changes empty until both are there
     * @param relied of each that is gone, what relied on it
     */
    public record Inventory(
            Optional<String> before, Optional<String> after, Optional<AppChanges> changes, List<Gone> relied) {
        public Inventory {
            relied = List.copyOf(relied);
        }
    }

    /** An app that is gone. */
    public record Gone(String app, List<String> reliedOnBy) {}

    /** The symptoms that are said so, the likeliest first; all of them where nothing is typed. */
    public List<Symptom> find(String words) {
        return SymptomSearch.find(known, words);
    }

    /** What is to be told before anything else. */
    public List<Finding> findings() {
        return diagnosis.findings();
    }
}
