package org.mobrak.core.learn.reading;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What something costs that is needed for the work; other sums of money are talk. */
final class Money {
    private static final Map<String, String> CURRENCIES = Map.ofEntries(
            Map.entry("$", "USD"),
            Map.entry("usd", "USD"),
            Map.entry("dollar", "USD"),
            Map.entry("dollars", "USD"),
            Map.entry("bucks", "USD"),
            Map.entry("€", "EUR"),
            Map.entry("eur", "EUR"),
            Map.entry("euro", "EUR"),
            Map.entry("euros", "EUR"),
            Map.entry("£", "GBP"),
            Map.entry("gbp", "GBP"),
            Map.entry("pound", "GBP"),
            Map.entry("pounds", "GBP"),
            Map.entry("quid", "GBP"));
    private static final Pattern SUM = Pattern.compile(
            "([$€£])\\s?(\\d{1,4}(?:[.,]\\d{2})?)(?!\\d)|(?<![\\d.,])(\\d{1,4}(?:[.,]\\d{2})?)\\s?(dollars?|usd|eur(?:os?)?|€|pounds?|gbp|quid|bucks)(?![a-z])");
    private static final Cue COSTS = Cues.of("money.costs");
    private static final Cue OTHER = Cues.of("money.other");
    private static final Cue PAID_THING = Cues.of("money.paidThing");

    private Money() {}

    /** An amount in a currency (ISO 4217). */
    record Price(BigDecimal amount, String currency) {}

    static Optional<Read<Price>> in(List<Sentence> sentences) {
        for (Sentence sentence : sentences) {
            String lower = sentence.lower();
            Matcher sums = SUM.matcher(lower);
            while (sums.find()) {
                String amount = (sums.group(2) == null ? sums.group(3) : sums.group(2)).replace(',', '.');
                String currency = sums.group(1) == null ? sums.group(4) : sums.group(1);
                if (COSTS.in(lower)
                        && (lower.startsWith("price") || PAID_THING.in(lower + context(sentences, sentence)))
                        && !OTHER.in(lower)
                        && new BigDecimal(amount).signum() > 0) {
                    return Optional.of(Read.of(
                            new Price(new BigDecimal(amount), CURRENCIES.getOrDefault(currency, "USD")),
                            sentence,
                            sums.start(),
                            Sure.LIKELY));
                }
            }
        }
        return Optional.empty();
    }

    private static String context(List<Sentence> sentences, Sentence sentence) {
        return sentence.index() == 0
                ? ""
                : " " + sentences.get(sentence.index() - 1).lower();
    }
}
