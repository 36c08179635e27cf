package org.mobrak.core.catalogue.file;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.trouble.AppNeed;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.catalogue.trouble.Troubles;

/**
 * Reads the folders {@code symptoms}, {@code causes}, {@code questions} and {@code apps} of catalogues. Only who mends asks for
 * them, so they are read apart from the rest. A file with a fault is left out and told of; the others still serve.
 */
public final class TroubleLoader {
    private final Catalogue catalogue;
    private final List<Fault> faults = new ArrayList<>();
    private final Map<String, Question> questions = new HashMap<>();
    private final Set<String> symptoms = new HashSet<>();

    private TroubleLoader(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /** Troubles and what was wrong in their files. */
    public record Loaded(Troubles troubles, List<Fault> faults) {
        public Loaded {
            faults = List.copyOf(faults);
        }
    }

    /**
     * Reads folders.
     *
     * @param folders whose symptoms and questions are known; of one id the first counts
     * @param catalogue whose routes may mend
     */
    public static Loaded load(CatalogueLoader.Folders folders, Catalogue catalogue) throws IOException {
        return new TroubleLoader(catalogue).load(folders);
    }

    private Loaded load(CatalogueLoader.Folders folders) throws IOException {
        List<Symptom> seen = values(
                read(folders, "symptoms", new EntryReader<>("symptom.schema.json", Symptom.class), Symptom::id),
                Symptom::id);
        List<Question> asked = values(
                read(folders, "questions", new EntryReader<>("question.schema.json", Question.class), Question::id),
                Question::id);
        List<AppNeed> apps = values(
                read(folders, "apps", new EntryReader<>("app.schema.json", AppNeed.class), AppNeed::id), AppNeed::id);
        seen.forEach(symptom -> symptoms.add(symptom.id()));
        asked.forEach(question -> questions.put(question.id(), question));
        List<Entry<Cause>> causes =
                read(folders, "causes", new EntryReader<>("cause.schema.json", Cause.class), Cause::id);
        List<Entry<Cause>> sound = causes.stream().filter(this::isSound).toList();
        return new Loaded(new Troubles(seen, values(sound, Cause::id), asked, apps), faults);
    }

    /** The entries of a kind; what ships serves where the folders themselves have none of that id. */
    private <T> List<Entry<T>> read(
            CatalogueLoader.Folders folders, String kind, EntryReader<T> reader, Function<T, String> id)
            throws IOException {
        Map<String, Entry<T>> first = new LinkedHashMap<>();
        for (Path folder : folders.own()) {
            for (Entry<T> entry : Entries.read(folder, kind, reader, faults)) {
                Entry<T> other = first.putIfAbsent(id.apply(entry.value()), entry);
                if (other != null) {
                    faults.add(new Fault(
                            entry.file(),
                            entry.line("/id"),
                            "The id %s is used in %s already.".formatted(id.apply(entry.value()), other.file()),
                            "Give each entry its own id."));
                }
            }
        }
        if (folders.besides().isPresent()) {
            // Whatever is wrong in what ships is not the fault of these folders.
            Entries.read(folders.besides().get(), kind, reader, new ArrayList<>())
                    .forEach(entry -> first.putIfAbsent(id.apply(entry.value()), entry));
        }
        return List.copyOf(first.values());
    }

    private static <T> List<T> values(List<Entry<T>> entries, Function<T, String> id) {
        return entries.stream()
                .map(Entry::value)
                .sorted(Comparator.comparing(id))
                .toList();
    }

    /** Whether everything a cause names is there. */
    private boolean isSound(Entry<Cause> entry) {
        Cause cause = entry.value();
        FaultList found = new FaultList(entry);
        cause.explains().keySet().stream()
                .filter(symptom -> !symptoms.contains(symptom))
                .forEach(symptom -> found.fault(
                        "/explains/" + symptom, "There is no symptom “" + symptom + "”.", "Add it under symptoms."));
        cause.answers().forEach((id, answers) -> checkAnswers(id, answers.keySet(), found));
        cause.mends().stream()
                .filter(route -> catalogue.route(route).isEmpty())
                .forEach(route ->
                        found.fault("/mends", "There is no route “" + route + "”.", "Add the route, or take it out."));
        if (cause.mends().isEmpty() && cause.advice().isEmpty()) {
            found.warning("", "It says neither what mends it nor what to do.", "Add mends or advice.");
        }
        faults.addAll(found.all());
        return found.all().stream().allMatch(Fault::isWarning);
    }

    private void checkAnswers(String id, Set<String> answers, FaultList found) {
        Question question = questions.get(id);
        if (question == null) {
            found.fault("/answers/" + id, "There is no question “" + id + "”.", "Add it under questions.");
            return;
        }
        answers.stream()
                .filter(answer -> !question.answers().contains(answer))
                .forEach(answer -> found.fault(
                        "/answers/" + id,
                        "“%s” is no answer to “%s”.".formatted(answer, id),
                        "The answers are: " + String.join(", ", question.answers()) + "."));
    }
}
