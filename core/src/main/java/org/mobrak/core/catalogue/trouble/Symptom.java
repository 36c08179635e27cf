package org.mobrak.core.catalogue.trouble;

import java.util.List;
import org.mobrak.core.catalogue.Condition;

/**
 * What a person sees.
 *
 * @param name in a few words
 * @param words how people say it, for whoever looks for it
 * @param shows what of the facts shows it without anybody saying so; all must hold, and nothing shows it where there is none
 */
public record Symptom(String id, String name, List<String> words, List<Condition> shows) {
    public Symptom {
        words = words == null ? List.of() : List.copyOf(words);
        shows = shows == null ? List.of() : List.copyOf(shows);
    }
}
