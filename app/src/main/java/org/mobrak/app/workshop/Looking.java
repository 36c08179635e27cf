package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.Trial;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.learn.GuideView;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.form.Form;

/** Works out what the workshop shows of what lies on its table. */
final class Looking {
    private final WorkshopPlace place;
    /** The draft that was played last, and where its sheet was silent; null before the first. */
    private @Nullable Played played;

    private List<Questions.Question> silences = List.of();

    /** A draft, and what is known of the phone it is tried on. */
    private record Played(ObjectNode route, Map<Fact, String> phone) {}

    Looking(WorkshopPlace place) {
        this.place = place;
    }

    WorkshopView at(Table now) {
        String base = "/routes/" + now.chosen();
        List<Lesson.Evidence> own = now.lesson().evidence().stream()
                .filter(said -> said.path().startsWith(base + "/"))
                .toList();
        GuideView guide = GuideView.of(now.sources(), own, now.lesson().account());
        Set<Table.Place> unplaced = Set.copyOf(now.unplaced());
        return new WorkshopView(
                guide,
                now.lesson().warnings(),
                guide.lines().stream()
                        .filter(line -> unplaced.contains(new Table.Place(line.file(), line.number())))
                        .toList(),
                now.since(),
                now.drafts().stream().map(Draft::name).toList(),
                now.chosen(),
                now.drafts().isEmpty()
                        ? Optional.empty()
                        : Optional.of(at(now.drafts().get(now.chosen()), Evidences.within(own, base))));
    }

    private WorkshopView.OnTable at(Draft draft, Map<String, Lesson.Evidence> evidence) {
        Catalogue catalogue = place.catalogue();
        Trial trial = Trial.of(draft.route(), draft.family(catalogue).stream().toList(), catalogue);
        Trial tried = isCosted(draft) ? trial : provisional(draft);
        List<WorkshopPlace.Known> phones = tried.catalogue().isPresent() ? place.phones() : List.of();
        Optional<Tryout> tryout = tried(tried, phones);
        List<Questions.Question> silent = silent(draft, tryout);
        return new WorkshopView.OnTable(
                Form.of(draft.route(), evidence).asking(silent),
                draft.maker(),
                draft.shopName(),
                draft.newModels(catalogue),
                draft.open(silent),
                draft.left(),
                told(trial, draft),
                Alike.of(draft.route(), catalogue),
                tried.catalogue()
                        .map(with -> Tryout.verdicts(with, tried.route().orElseThrow(), phones))
                        .orElse(List.of()),
                tryout.map(Looking::shown),
                draft.file(),
                draft.file().isPresent() && !draft.route().path("draft").asBoolean());
    }

    /** Everything that is still to be answered: what a safe route needs, and what somebody with its sheet alone would not know. */
    List<Questions.Question> open(Draft draft) {
        return draft.open(silent(draft, tried(draft)));
    }

    private List<Questions.Question> silent(Draft draft, Optional<Tryout> tryout) {
        Played wanted = new Played(
                draft.route(), tryout.map(one -> one.outlook().facts().values()).orElse(Map.of()));
        if (!wanted.equals(played)) {
            silences = tryout.map(one -> Silences.of(draft.route(), one)).orElse(List.of());
            played = wanted;
        }
        return silences;
    }

    private static boolean isCosted(Draft draft) {
        return draft.route().at("/costs").has("handsOn")
                && draft.route().at("/costs").has("waiting");
    }

    /** What it costs is not wanted for a try. */
    private Trial provisional(Draft draft) {
        ObjectNode route = draft.route().deepCopy();
        ObjectNode costs = route.withObject("/costs");
        for (String name : List.of("handsOn", "waiting")) {
            if (!costs.has(name)) {
                costs.putArray(name).add(5).add(10).add(30);
            }
        }
        Catalogue catalogue = place.catalogue();
        return Trial.of(route, draft.family(catalogue).stream().toList(), catalogue);
    }

    /** What a question asks already is not told a second time as a fault. */
    private static List<Trial.Found> told(Trial trial, Draft draft) {
        return trial.found().stream()
                .filter(found ->
                        Questions.of(draft.route()).stream().noneMatch(question -> isLackOf(question.path(), found)))
                .toList();
    }

    private static boolean isLackOf(String path, Trial.Found found) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        return found.fault().what().contains("required property '" + name + "'");
    }

    /** A draft on the first phone that it is for; empty while a fault forbids that. */
    Optional<Tryout> tried(Draft draft) {
        return tried(provisional(draft), place.phones());
    }

    private static Optional<Tryout> tried(Trial trial, List<WorkshopPlace.Known> phones) {
        return trial.catalogue().map(with -> Tryout.of(with, trial.route().orElseThrow(), phones));
    }

    private static WorkshopView.Trying shown(Tryout tryout) {
        return new WorkshopView.Trying(
                tryout.name(),
                tryout.outlook().wish().goal().label(),
                tryout.plan().map(plan -> tryout.outlook().sheet(plan).steps()).orElse(List.of()),
                tryout.plan().isPresent()
                        ? ""
                        : tryout.outlook().answer().blockers().stream()
                                .findFirst()
                                .orElse("No plan takes it."));
    }
}
