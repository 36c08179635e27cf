package org.mobrak.app.aftercare;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.Strictness;

/**
 * What a person noted of one phone after the work; kept with it.
 *
 * @param seen of root, in the order in which it was noted
 * @param strictness what counts as proof
 * @param symptoms what is wrong
 * @param answers to questions, by the question's id
 * @param patches property files that were changed
 */
public record Notes(
        List<Sighting> seen,
        Strictness strictness,
        List<String> symptoms,
        Map<String, String> answers,
        List<Patched> patches) {
    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addModule(new JavaTimeModule())
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    public Notes {
        seen = seen == null ? List.of() : List.copyOf(seen);
        strictness = strictness == null ? Strictness.STRICT : strictness;
        symptoms = symptoms == null ? List.of() : List.copyOf(symptoms);
        answers = answers == null ? Map.of() : Map.copyOf(answers);
        patches = patches == null ? List.of() : List.copyOf(patches);
    }

    /** Something that was seen, and when. */
    public record Sighting(Seen what, Instant at) {}

    /** A change that was made to a file, by what is needed to know it again and to take it back. */
    public record Patched(
            String file,
            String key,
            String before,
            String after,
            String sha256Before,
            String sha256After,
            Instant at) {}

    public static Notes none() {
        return none(Strictness.STRICT);
    }

    static Notes none(Strictness usual) {
        return new Notes(List.of(), usual, List.of(), Map.of(), List.of());
    }

    /**
     * What was kept; nothing where that cannot be read.
     *
     * @param usual what counts as proof where nothing was said for this phone
     */
    static Notes parse(String text, Strictness usual) {
        try {
            return text.isBlank() ? none(usual) : MAPPER.readValue(text, Notes.class);
        } catch (JsonProcessingException unknown) {
            return none(usual);
        }
    }

    String text() {
        try {
            return MAPPER.writeValueAsString(this);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    Notes saw(Seen what, Instant at) {
        List<Sighting> more = new ArrayList<>(seen);
        more.add(new Sighting(what, at));
        return new Notes(more, strictness, symptoms, answers, patches);
    }

    Notes by(Strictness other) {
        return new Notes(seen, other, symptoms, answers, patches);
    }

    /** With a symptom that was not there, or without one that was. */
    Notes turned(String symptom) {
        List<String> now = new ArrayList<>(symptoms);
        if (!now.remove(symptom)) {
            now.add(symptom);
        }
        // Without any symptom the answers are about nothing.
        return new Notes(seen, strictness, now, now.isEmpty() ? Map.of() : answers, patches);
    }

    Notes answered(String question, String answer) {
        Map<String, String> now = new HashMap<>(answers);
        now.put(question, answer);
        return new Notes(seen, strictness, symptoms, now, patches);
    }

    Notes unanswered(String question) {
        Map<String, String> now = new HashMap<>(answers);
        now.remove(question);
        return new Notes(seen, strictness, symptoms, now, patches);
    }

    Notes patched(Patched patch) {
        List<Patched> now = new ArrayList<>(patches);
        now.add(patch);
        return new Notes(seen, strictness, symptoms, answers, now);
    }
}
