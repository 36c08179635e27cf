package org.mobrak.core.identity.check;

import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** A phone that is locked to an account is somebody's; nothing is done to it. */
final class AccountCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        return phone.facts().said(Fact.ACCOUNT_LOCK).contains("on")
                ? Stream.of(
                        Finding.stop(
                                "account-locked",
                                "The phone is locked to somebody’s account. If it is your own, end the lock with your own password on the phone. If not, give it back, or take it to its maker’s service with the receipt."))
                : Stream.empty();
    }
}
