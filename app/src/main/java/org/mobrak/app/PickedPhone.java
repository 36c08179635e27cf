package org.mobrak.app;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;

/** Which phone lies on the desk; kept in the workspace, so that the same one lies there the next time. */
final class PickedPhone {
    private static final String LAST_PHONE = "phone";

    private final Logbook logbook;
    private final UndoStack undo;
    private Optional<PhoneRecord> phone;

    PickedPhone(Logbook logbook, UndoStack undo) {
        this.logbook = logbook;
        this.undo = undo;
        String last = logbook.setting(LAST_PHONE).orElse("");
        List<PhoneRecord> phones = logbook.phones();
        phone = phones.stream()
                .filter(one -> String.valueOf(one.id()).equals(last))
                .findFirst()
                .or(() -> phones.stream().findFirst());
    }

    Optional<PhoneRecord> get() {
        return phone;
    }

    PhoneRecord orRefuse() throws Refusal {
        return phone.orElseThrow(() -> new Refusal("Add a phone to the drawer first."));
    }

    boolean is(PhoneRecord other) {
        return phone.filter(here -> here.id() == other.id()).isPresent();
    }

    /** Lays another phone on the desk; what was done before to the one that lay there can no longer be undone from here. */
    void lay(PhoneRecord next) {
        put(Optional.of(next));
        undo.forget();
    }

    /** Keeps which phone lies here for the next time; a disk takes its time for it, so it is not done while somebody waits. */
    void keep() {
        phone.ifPresent(one -> logbook.putSetting(LAST_PHONE, String.valueOf(one.id())));
    }

    /** For undo and for what failed: nothing is kept, and nothing forgotten. */
    void put(Optional<PhoneRecord> next) {
        phone = next;
    }
}
