package org.mobrak.core.catalogue.trouble;

import java.util.List;
import java.util.Optional;

/** All that is known of what goes wrong; each list in the order of the ids. */
public record Troubles(List<Symptom> symptoms, List<Cause> causes, List<Question> questions, List<AppNeed> apps) {
    public Troubles {
        symptoms = List.copyOf(symptoms);
        causes = List.copyOf(causes);
        questions = List.copyOf(questions);
        apps = List.copyOf(apps);
    }

    public static Troubles none() {
        return new Troubles(List.of(), List.of(), List.of(), List.of());
    }

    public Optional<Symptom> symptom(String id) {
        return symptoms.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    public Optional<Question> question(String id) {
        return questions.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** The packages that do not work without this one. */
    public List<String> reliedOnBy(String app) {
        return apps.stream()
                .filter(one -> one.reliesOn().contains(app))
                .map(AppNeed::id)
                .toList();
    }
}
