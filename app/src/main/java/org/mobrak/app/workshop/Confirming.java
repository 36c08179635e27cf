package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.Trial;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.Questions;

/** Whether a draft may be planned with. */
final class Confirming {
    private static final Set<String> DEADLY = Set.of("bootloader", "radio", "partition-table");

    private Confirming() {}

    /**
     * The draft as one that is none any more; refused while something is open, unsound or deadly.
     *
     * @param open what is still to be answered
     */
    static Draft sound(Draft draft, List<Questions.Question> open, Catalogue catalogue) throws Refusal {
        refuseIfOpen(draft, open);
        Trial trial = Trial.of(draft.route(), draft.family(catalogue).stream().toList(), catalogue);
        Optional<Trial.Found> fault =
                trial.found().stream().filter(one -> !one.fault().isWarning()).findFirst();
        if (fault.isPresent()) {
            throw new Refusal("“%s” is not sound yet: %s %s"
                    .formatted(
                            draft.name(),
                            fault.get().fault().what(),
                            fault.get().fault().remedy()));
        }
        ObjectNode route = draft.route().deepCopy();
        route.remove("draft");
        return draft.with(route);
    }

    /** What looks like an order or a condition and was not understood is looked at by a person first. */
    static void refuseUnplaced(Table table) throws Refusal {
        List<Table.Place> unplaced = table.unplaced();
        if (!unplaced.isEmpty()) {
            throw new Refusal(
                    "%d lines of the guide look like orders or conditions and were not understood. Say what each is, or that it says nothing. The first: line %d."
                            .formatted(unplaced.size(), unplaced.get(0).line()));
        }
    }

    private static void refuseIfOpen(Draft draft, List<Questions.Question> open) throws Refusal {
        if (!open.isEmpty()) {
            throw new Refusal("“%s” has %d open questions. Answer them, or say that you leave them open. The first: %s"
                    .formatted(draft.name(), open.size(), open.get(0).ask()));
        }
        boolean deadly = draft.left().contains("file:0:sha256")
                && draft.route()
                        .at("/changes/writes")
                        .toString()
                        .matches(".*\"(?:" + String.join("|", DEADLY) + ")\".*");
        if (deadly) {
            throw new Refusal(
                    "“%s” writes what a phone does not survive a wrong file of. Without a checksum it stays a draft."
                            .formatted(draft.name()));
        }
    }
}
