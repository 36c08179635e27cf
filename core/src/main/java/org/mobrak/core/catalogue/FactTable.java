package org.mobrak.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.Domain;
import org.mobrak.core.identity.Fact;

/** The list of all facts for those who write a catalogue, as Markdown; {@code docs/schema/facts.md} is this and nothing else. */
public final class FactTable {
    private static final String HEAD = """
            # All facts

            Written by the code (`./mobrak facts`), and held against it in the build. A fact’s key is what stands in catalogue files,
            on the command line and in JSON.

            *Order* says what a bound in a condition or gate means: **number**; **version**, by the leading numbers, whatever follows
            them; **day**, ISO 8601, with `notBefore` and `notAfter`; **grammar**, only where a maker’s grammar has dates or serials,
            and `revisionAtLeast`/`revisionAtMost` where it has a bootloader revision; nothing, where there is none. *A route* says
            whether it may stand under `effects`, and *usual* what it is on a phone that nobody has touched (common practice, no published
            source; never taken for known). `like` takes patterns of any fact: a star for any text, a question mark for one character.

            | key | what it is | words or unit | order | a route may change it | usual | where it is read |
            |---|---|---|---|---|---|---|
            """;

    private FactTable() {}

    /** The whole page. */
    public static String markdown() {
        StringBuilder text = new StringBuilder(HEAD);
        for (Fact fact : Fact.values()) {
            List<String> cells = new ArrayList<>();
            cells.add("`" + fact.key() + "`");
            cells.add(fact.label());
            cells.add(words(fact));
            cells.add(order(fact));
            cells.add(fact == Fact.CUSTOM_WRITES ? "yes, also `+1`" : fact.canBeGiven() ? "yes" : "");
            cells.add(fact.usual().orElse(""));
            cells.add(fact.whereToRead());
            text.append("| ").append(String.join(" | ", cells)).append(" |\n");
        }
        return text.toString();
    }

    private static String words(Fact fact) {
        Domain domain = fact.domain();
        if (domain instanceof Domain.OneOf some) {
            return "`" + String.join("` `", some.words()) + "`";
        }
        if (domain instanceof Domain.WholeNumber whole) {
            String most = whole.most() == Long.MAX_VALUE ? " up" : " to " + whole.most();
            return "a whole number from " + whole.least() + most + unit(fact);
        }
        if (domain instanceof Domain.Decimal number) {
            return "a number from " + number.least() + " to " + number.most() + unit(fact);
        }
        return fact.isDay() ? "a day" : "text";
    }

    private static String unit(Fact fact) {
        return switch (fact) {
            case BATTERY_PERCENT -> ", percent";
            case BATTERY_TEMPERATURE -> ", °C";
            case BATTERY_VOLTAGE -> ", V";
            case DATA_FREE, CARD_FREE -> ", bytes";
            default -> "";
        };
    }

    private static String order(Fact fact) {
        if (fact.isNumber()) {
            return "number";
        }
        if (fact.isDay()) {
            return "day";
        }
        return switch (fact) {
            case OS_VERSION, KERNEL_RELEASE -> "version";
            case BUILD_NUMBER, INCREMENTAL, BASEBAND, BOOTLOADER -> "grammar";
            default -> "";
        };
    }
}
