package org.mobrak.core.catalogue.trouble;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/**
 * A question that tells causes apart.
 *
 * @param question as it is asked
 * @param how how to find the answer on the phone
 * @param answers the words that answer it
 * @param fact the fact that answers it where it is known
 * @param stop whether it is asked before all others, because an answer may forbid the rest
 */
@JsonIgnoreProperties("origin")
public record Question(
        String id, String question, String how, List<String> answers, Optional<Fact> fact, boolean stop) {
    public Question {
        answers = List.copyOf(answers);
    }
}
