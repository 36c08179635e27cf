package org.mobrak.core.catalogue.file;

import java.util.ArrayList;
import java.util.List;

/** What is found wrong in one entry, each with its line. */
final class FaultList {
    private final Entry<?> entry;
    private final List<Fault> faults = new ArrayList<>();

    FaultList(Entry<?> entry) {
        this.entry = entry;
    }

    void fault(String pointer, String what, String remedy) {
        faults.add(new Fault(entry.file(), entry.line(pointer), what, remedy));
    }

    void warning(String pointer, String what, String remedy) {
        faults.add(Fault.warning(entry.file(), entry.line(pointer), what, remedy));
    }

    List<Fault> all() {
        return List.copyOf(faults);
    }
}
