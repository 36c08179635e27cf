package org.mobrak.app;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;

/** What is on disk of each phone. Only the phone on the desk changes; the others are as they were when they last lay there. */
final class Dossiers {
    private final Logbook logbook;
    private final PickedPhone picked;
    private final Map<Long, Dossier> read = new HashMap<>();
    private final Map<Long, DrawerEntry> entries = new HashMap<>();
    /** The phones of which nothing has changed since their entries were made. */
    private final Set<Long> lookedAt = new HashSet<>();

    Dossiers(Logbook logbook, PickedPhone picked) {
        this.logbook = logbook;
        this.picked = picked;
    }

    Dossier of(PhoneRecord phone) {
        if (picked.is(phone) || !read.containsKey(phone.id())) {
            read.put(phone.id(), logbook.dossier(phone));
            lookedAt.remove(phone.id());
        }
        return Objects.requireNonNull(read.get(phone.id()));
    }

    List<Dossier> all() {
        return logbook.phones().stream().map(this::of).toList();
    }

    /**
     * How a phone lies in the drawer.
     *
     * @param who works out who a phone is; asked only where something has changed since
     */
    DrawerEntry entry(Dossier dossier, Function<Dossier, Identity> who) {
        long phone = dossier.phone().id();
        if (lookedAt.add(phone)) {
            DrawerEntry told = DrawerEntry.of(dossier, who.apply(dossier));
            // The same object for the same words: a list of a thousand is not listed anew for one that is as it was.
            entries.merge(phone, told, (before, now) -> now.equals(before) ? before : now);
        }
        return Objects.requireNonNull(entries.get(phone));
    }

    /** Everything is read anew, as after rows came in from elsewhere. */
    void forget() {
        read.clear();
    }
}
