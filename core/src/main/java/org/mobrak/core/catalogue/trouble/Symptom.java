package org.mobrak.core.catalogue.trouble;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.List;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.identity.Fact;

/**
 * What a person sees.
 *
 * @param name in a few words
 * @param words how people say it, for whoever looks for it
 * @param shows what of the facts shows it without anybody saying so; all must hold, and nothing shows it where there is none
 * @param changed what between before and after a job shows it; any of them
 */
@JsonIgnoreProperties("origin")
public record Symptom(String id, String name, List<String> words, List<Condition> shows, List<Changed> changed) {
    public Symptom {
        words = words == null ? List.of() : List.copyOf(words);
        shows = shows == null ? List.of() : List.copyOf(shows);
        changed = changed == null ? List.of() : List.copyOf(changed);
    }

    /**
     * A fact that came out so.
     *
     * @param outcome a word of {@code compare}: unexpected or not-changed
     */
    public record Changed(Fact fact, String outcome) {}
}
