package org.mobrak.app.aftercare;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.function.UnaryOperator;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.proof.Strictness;

/** The phone on the desk and what is known for it; on the worker thread only. */
public interface Place {
    Dossier dossier() throws Refusal;

    Facts facts() throws Refusal;

    Catalogue catalogue();

    Troubles troubles() throws IOException;

    /** What is registered of this phone and of its model, to be put back one day. */
    List<StockCopy> copies() throws Refusal;

    /** What counts as proof where nothing was said for a phone. */
    Strictness usualProof();

    String kept() throws Refusal;

    /**
     * Keeps a text with the phone in place of the one before, undoably.
     *
     * @param what is done, in a few words
     */
    void keep(String what, UnaryOperator<String> change) throws Refusal;

    Instant now();
}
