package org.mobrak.core.identity.check;

import java.util.List;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.build.Rulers;

/** Facts held against each other: what cannot both be true is told, and nothing is changed. */
public final class CrossChecks {
    private static final List<Check> ALL = List.of(
            new BatteryCheck(),
            new AccountCheck(),
            new MixedPhonesCheck(),
            new ConflictCheck(),
            new BuildIdCheck(),
            new FingerprintCheck(),
            new ReleaseCheck(),
            new DateCheck(),
            new KernelCheck(),
            new StockCheck(),
            new BootloaderCheck(),
            new ScriptCheck(),
            new HistoryCheck());

    private CrossChecks() {}

    /** Every finding about these readings and the facts they add up to. */
    public static List<Finding> of(Ledger ledger, Facts facts, Rulers rulers) {
        Case phone = new Case(ledger, facts, rulers);
        return ALL.stream().flatMap(check -> check.of(phone)).toList();
    }
}
