package org.mobrak.core.catalogue;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * An amount of money.
 *
 * @param amount not below nought
 * @param currency its ISO 4217 code, such as {@code USD}
 */
public record Money(BigDecimal amount, String currency) {
    public Money {
        if (amount.signum() < 0) {
            throw new IllegalArgumentException("Nothing costs less than nothing: " + amount + " " + currency);
        }
    }

    /** An amount worked out while plans were weighed. */
    public static Money of(double amount, String currency) {
        return new Money(BigDecimal.valueOf(amount), currency);
    }

    public boolean isNothing() {
        return amount.signum() == 0;
    }

    /** For a person: {@code 25.00 USD}. */
    public String text() {
        return amount.setScale(2, RoundingMode.HALF_UP).toPlainString() + " " + currency;
    }
}
