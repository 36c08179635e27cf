package org.mobrak.core.logbook;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.Finding;

/**
 * A workspace looked through from end to end.
 *
 * @param entries texts, events and journal lines, those that were taken back with them
 * @param problems what is wrong, each in a sentence with what follows
 */
public record WorkspaceCheck(long phones, long jobs, long entries, List<String> problems) {
    public WorkspaceCheck {
        problems = List.copyOf(problems);
    }

    /** The first tells where it began; a hundred are enough to see how far it goes. */
    private static final int MOST_NAMED = 100;

    /** Looks at every row, page and index, and at every entry of the catalogue. */
    public static WorkspaceCheck of(Workspace workspace) throws IOException {
        Logbook logbook = workspace.logbook();
        List<String> problems = new ArrayList<>(messages(logbook.unread()));
        long jobs = 0;
        long entries = 0;
        List<PhoneRecord> phones = logbook.phones();
        for (PhoneRecord phone : phones) {
            Dossier dossier = logbook.dossier(phone);
            jobs += dossier.jobs().size();
            entries += dossier.intakes().size();
            entries += dossier.jobs().stream()
                    .mapToLong(job -> job.events().size())
                    .sum();
            messages(dossier.unread().findings()).forEach(message -> problems.add(phone.nickname() + ": " + message));
        }
        workspace.damage().ifPresent(damage -> {
            problems.add(damage.told().message());
            damage.changed().stream()
                    .limit(MOST_NAMED)
                    .map(changed -> "In the logbook " + changed + ".")
                    .forEach(problems::add);
        });
        workspace.catalogue().faults().stream()
                .filter(fault -> !fault.isWarning())
                .forEach(fault -> problems.add(fault.text()));
        return new WorkspaceCheck(phones.size(), jobs, entries, problems);
    }

    private static List<String> messages(List<Finding> findings) {
        return findings.stream().map(Finding::message).toList();
    }
}
