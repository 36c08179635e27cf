package org.mobrak.core.catalogue.trouble;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.identity.Fact;

/**
 * Why something goes wrong. All numbers are rough (common practice, no published source) and only order what is likely.
 *
 * @param weight how often it is met, against other causes
 * @param explains how likely each symptom is where this is the cause, from 0 to 1
 * @param when what of the facts makes it more or less likely
 * @param after by what factor it is more likely after a route or a family of routes
 * @param changed what of before and after makes it more likely
 * @param answers how likely each answer to a question is where this is the cause, from 0 to 1
 * @param mends routes that mend it
 * @param advice what to do where no route does, or besides; also: leave it alone
 * @param stop whether nothing else may be done before
 */
@JsonIgnoreProperties("origin")
public record Cause(
        String id,
        String name,
        double weight,
        Map<String, Double> explains,
        List<When> when,
        Map<String, Double> after,
        List<Changed> changed,
        Map<String, Map<String, Double>> answers,
        List<String> mends,
        Optional<String> advice,
        boolean stop) {
    public Cause {
        explains = explains == null ? Map.of() : Map.copyOf(explains);
        when = when == null ? List.of() : List.copyOf(when);
        after = after == null ? Map.of() : Map.copyOf(after);
        changed = changed == null ? List.of() : List.copyOf(changed);
        answers = answers == null ? Map.of() : Map.copyOf(answers);
        mends = mends == null ? List.of() : List.copyOf(mends);
    }

    /** A condition over the facts: by what factor the cause is more likely where it holds, and where it does not. */
    public record When(
            @JsonProperty("if") Condition condition,
            double times,
            Optional<Double> otherwise,
            Optional<String> because) {}

    /**
     * A fact that came out so between before and after makes the cause more likely.
     *
     * @param outcome a word of {@code compare}: unexpected, not-changed, as-planned, unchanged
     */
    public record Changed(Fact fact, String outcome, double times) {}
}
