package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.reading.Understood.Role;

/** What each sentence of a guide is; what looks like an order or a condition and was not understood is told as such. */
final class Roles {
    private static final Cue CONDITION = Cues.of("roles.condition");
    private static final Cue EDIT = Cues.of("roles.edit");
    private static final Cue REPORT = Cues.of("roles.report");

    private final List<Understood.Told> told = new ArrayList<>();

    Roles(List<Sentence> sentences, ModelsReading models, List<StepRead> steps, Outcome outcome, StatesReading states) {
        Map<Sentence, Role> roles = new HashMap<>();
        Set<Sentence> wary = new HashSet<>();
        states.dangers()
                .forEach(read -> sentences.stream()
                        .filter(one -> one.text() == read.at())
                        .forEach(wary::add));
        steps.forEach(step -> step.sentences.forEach(
                sentence -> roles.put(sentence, sentence == step.first ? Role.STEP : within(sentence))));
        steps.forEach(step -> step.helps.forEach(sentence -> roles.put(sentence, Role.REMEDY)));
        Map<Sentence, Role> named = new HashMap<>();
        models.models()
                .values()
                .forEach(model -> model.mentions()
                        .forEach(mention -> named.merge(
                                mention.sentence(),
                                mention.stance() == Stance.AGAINST ? Role.EXCLUDED : Role.PHONE,
                                (one, two) -> one == Role.EXCLUDED ? one : two)));
        for (Sentence sentence : sentences) {
            Role role = roles.getOrDefault(sentence, role(sentence, named, wary));
            told.add(new Understood.Told(sentence, role));
        }
    }

    private static Role within(Sentence sentence) {
        String lower = sentence.lower();
        return lower.startsWith("if ")
                ? Role.REMEDY
                : !Durations.in(lower).isEmpty()
                        ? Role.WAIT
                        : Acts.isNegated(sentence) ? Role.DANGER : Acts.isAct(sentence) ? Role.STEP : Role.SIGN;
    }

    private static Role role(Sentence sentence, Map<Sentence, Role> named, Set<Sentence> wary) {
        String lower = sentence.lower();
        if (sentence.index() == 0) {
            return Role.TITLE;
        }
        if (sentence.quoted()) {
            return Role.QUOTED;
        }
        if (sentence.is(Block.Kind.HEADING)) {
            return named.getOrDefault(sentence, Role.TITLE);
        }
        if (EDIT.begins(lower)) {
            return Role.EDIT;
        }
        if (REPORT.in(lower)) {
            return Role.REPORT;
        }
        if (named.containsKey(sentence)) {
            return named.getOrDefault(sentence, Role.PHONE);
        }
        if (!FileNames.names(sentence.value()).isEmpty()
                || !FileNames.sums(sentence.value()).isEmpty()) {
            return Role.FILE;
        }
        if (sentence.section() == Sentence.Section.NEEDS) {
            return Role.REQUIREMENT;
        }
        if (wary.contains(sentence)) {
            return Role.DANGER;
        }
        boolean order = Acts.isAct(sentence) || CONDITION.in(lower);
        boolean talk = sentence.section() == Sentence.Section.TALK
                || sentence.section() == Sentence.Section.CHANGES
                || sentence.section() == Sentence.Section.UNDO
                || lower.strip().endsWith("?");
        return order && !talk ? Role.UNPLACED : Role.TALK;
    }

    List<Understood.Told> told() {
        return told;
    }
}
