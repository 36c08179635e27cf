package org.mobrak.core.mend;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Finding;

/**
 * What a phone may suffer from.
 *
 * @param symptoms what is seen, said or shown by the facts
 * @param causes the likeliest first; the probabilities sum up to 1 where there are any
 * @param next the question worth most now; empty where none tells anything apart
 * @param mends routes that mend a likely cause, in the order of the causes
 */
public record Diagnosis(
        List<Symptom> symptoms, List<Likely> causes, Optional<Next> next, List<Mend> mends, List<Finding> findings) {
    public Diagnosis {
        symptoms = List.copyOf(symptoms);
        causes = List.copyOf(causes);
        mends = List.copyOf(mends);
        findings = List.copyOf(findings);
    }

    /** A cause and how likely it is, from 0 to 1, with reasons. */
    public record Likely(Cause cause, double probability, List<String> because) {
        public Likely {
            because = List.copyOf(because);
        }
    }

    /** A question and by how many bits its answer is expected to narrow the causes down. */
    public record Next(Question question, double bits) {}

    /** A route that mends, held against the phone, and why it is offered. */
    public record Mend(RouteFit fit, Cause cause, String why) {}
}
