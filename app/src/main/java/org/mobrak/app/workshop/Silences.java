package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Rehearsals;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.app.rehearsal.Stuck;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Step;
import org.mobrak.core.learn.Questions.Question;
import org.mobrak.core.plan.Plan;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What somebody who has only the sheet would not know: a draft is played literally on the bench, and where its sheet is silent
 * the guide is asked.
 */
final class Silences {
    private static final Logger LOG = LoggerFactory.getLogger(Silences.class);
    private static final long SEED = 1;
    private static final Map<String, String> MODES =
            Map.of("recovery", "the recovery", "download", "download mode", "flash-console", "the flash console");

    private final JsonNode route;
    private final Map<String, Step> boxes = new LinkedHashMap<>();
    private final Map<String, Question> asked = new LinkedHashMap<>();

    private Silences(JsonNode route, Tryout tryout, Plan plan) {
        this.route = route;
        tryout.outlook().sheet(plan).steps().forEach(step -> boxes.put(step.id(), step));
    }

    /** A question for each thing that the draft leaves unsaid and a field of its form can hold; none where no plan takes it. */
    static List<Question> of(JsonNode route, Tryout tryout) {
        if (tryout.plan().isEmpty()) {
            return List.of();
        }
        Plan plan = tryout.plan().get();
        try {
            Report report = Rehearsals.ofDrawer(tryout.name(), tryout.outlook(), plan, SEED, List.of(), Person.LITERAL);
            Silences silences = new Silences(route, tryout, plan);
            report.silent().forEach(silences::ask);
            return List.copyOf(silences.asked.values());
        } catch (IOException failed) {
            LOG.warn("A draft could not be tried literally.", failed);
            return List.of();
        }
    }

    private void ask(Stuck stuck) {
        Optional<Step> box = Optional.ofNullable(boxes.get(stuck.step()));
        int at = box.map(step -> place(step.title())).orElse(-1);
        switch (stuck.kind()) {
            case NO_KEYS -> keys(box.flatMap(Step::how).flatMap(Step.Doing::mode), stuck);
            case NO_SIGN -> ofStep(at, "sign", "What is seen when it went well?");
            case NO_REMEDY -> ofStep(at, "ifNot", "What helps where that is not seen?");
            case NO_MODE -> ofStep(at, "mode", "In which mode is the phone then? " + stuck.missing());
            case NO_FILE, NO_COPY -> ofFile(stuck, "where", "Where must %s lie when it is taken?");
            case NO_VALUE -> ofFile(stuck, "slot", "Which slot of the flasher is %s for?");
            case NO_SWITCH ->
                java.util.Arrays.stream(Fact.values())
                        .filter(fact -> fact.group() == Fact.Group.BENCH
                                && stuck.missing().contains(fact.label()))
                        .findFirst()
                        .ifPresent(fact -> put(
                                "gate:" + fact.key(),
                                "/work/gates",
                                "How must this be set before the work: %s?".formatted(fact.label())));
            default -> {
                // Nothing that one field could mend; the trial tells it.
            }
        }
    }

    private void keys(Optional<String> mode, Stuck stuck) {
        String into = mode.filter(MODES::containsKey)
                .filter(one -> !stuck.missing().contains("remedy"))
                .orElse("recovery");
        put(
                "keys:" + into,
                "/work/steps",
                "The guide does not say how to get into %s. Which keys are held?".formatted(MODES.get(into)));
    }

    private void ofStep(int at, String what, String ask) {
        if (at >= 0) {
            put(
                    "step:" + at + ":" + what,
                    "/work/steps/" + at + "/" + what,
                    "Step %d, “%s”: %s"
                            .formatted(
                                    at + 1,
                                    route.at("/work/steps/" + at + "/title").asText(),
                                    ask));
        }
    }

    private void ofFile(Stuck stuck, String what, String ask) {
        JsonNode files = route.at("/work/files");
        for (int i = 0; i < files.size(); i++) {
            String name = files.get(i).path("name").asText();
            if (stuck.missing().contains(name)) {
                put("file:" + i + ":" + what, "/work/files/" + i + "/" + what, ask.formatted(name));
            }
        }
    }

    private void put(String field, String path, String ask) {
        asked.putIfAbsent(field, new Question(field, path, ask));
    }

    /** Which step of the draft a box of the sheet is; below zero for what the sheet adds. */
    private int place(String title) {
        List<String> titles = new ArrayList<>();
        route.at("/work/steps").forEach(step -> titles.add(step.path("title").asText()));
        return titles.indexOf(title);
    }
}
