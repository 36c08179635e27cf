package org.mobrak.core.mend;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.proof.Comparison;

/**
 * What is wrong with a phone, as far as it was told.
 *
 * @param symptoms the ids of what is seen, several at once
 * @param answers to questions, by the question's id
 * @param did routes and families of routes that were done
 * @param compared how the phone came out of the last job
 */
public record Complaint(
        List<String> symptoms,
        Map<String, String> answers,
        List<String> did,
        Facts facts,
        Optional<Comparison> compared) {
    public Complaint {
        symptoms = symptoms.stream().distinct().toList();
        answers = Map.copyOf(answers);
        did = List.copyOf(did);
    }
}
