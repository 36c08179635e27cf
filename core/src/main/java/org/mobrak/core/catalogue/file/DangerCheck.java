package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Set;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.identity.Fact;

/** Whether a danger can ever be met, and whether it stops more than its author may have meant. */
final class DangerCheck {
    private DangerCheck() {}

    static List<Fault> of(Entry<Danger> entry, Set<String> holes) {
        FaultList faults = new FaultList(entry);
        Danger danger = entry.value();
        danger.when().leaves().forEach(leaf -> {
            if (leaf instanceof Condition.HoleOpen hole && !holes.contains(hole.id())) {
                faults.fault("/when", hole.id() + " is in no file under holes.", "Add it there, or mend the number.");
            }
        });
        boolean ofOnePhone = danger.when().facts().anyMatch(fact -> fact.group() == Fact.Group.NAME);
        if (danger.asks() && danger.ifUnknown().isEmpty() && !ofOnePhone) {
            faults.warning(
                    "/when",
                    "Every phone of which this is not known needs a reading first.",
                    "Say for which phones it holds, or say under ifUnknown: ask, tell or pass.");
        }
        return faults.all();
    }
}
