package org.mobrak.app;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.function.UnaryOperator;
import org.mobrak.app.aftercare.Place;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.proof.Strictness;

/** What aftercare may know of the phone on the desk, and where it keeps what it is told. */
final class AfterAtDesk implements Place {
    private final Workspace workspace;
    private final FileRegister files;
    private final UndoStack undo;
    private final PickedPhone picked;
    private final Identities phones;
    private final Clock clock;

    AfterAtDesk(
            Workspace workspace,
            FileRegister files,
            UndoStack undo,
            PickedPhone picked,
            Identities phones,
            Clock clock) {
        this.workspace = workspace;
        this.files = files;
        this.undo = undo;
        this.picked = picked;
        this.phones = phones;
        this.clock = clock;
    }

    @Override
    public Dossier dossier() throws Refusal {
        return phones.dossier();
    }

    @Override
    public Facts facts() throws Refusal {
        return phones.identity().facts();
    }

    @Override
    public Catalogue catalogue() {
        return phones.catalogue();
    }

    @Override
    public Troubles troubles() throws IOException {
        return workspace.troubles();
    }

    @Override
    public List<StockCopy> copies() throws Refusal {
        return files.copies(picked.orRefuse());
    }

    @Override
    public String kept() throws Refusal {
        return workspace.logbook().setting(name(picked.orRefuse())).orElse("");
    }

    @Override
    public void keep(String what, UnaryOperator<String> change) throws Refusal {
        String name = name(picked.orRefuse());
        String before = kept();
        String after = change.apply(before);
        workspace.logbook().putSetting(name, after);
        undo.did(new UndoStack.Step(
                what,
                () -> workspace.logbook().putSetting(name, before),
                () -> workspace.logbook().putSetting(name, after)));
    }

    private static String name(PhoneRecord phone) {
        return "aftercare." + phone.id();
    }

    @Override
    public Strictness usualProof() {
        return Preferences.proof(workspace.logbook().setting(Preferences.PROOF));
    }

    @Override
    public Instant now() {
        return clock.instant();
    }
}
