package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Parts a step that tells both how the phone gets somewhere and what is done there: hands go first, and then work. */
final class Parting {
    private static final Pattern CLAUSES =
            Pattern.compile("[,;:] |\\. |\\bthen\\b|->|\\band (?=(?:choose|write|flash|install|start|open|pick)\\b)");

    private Parting() {}

    /** What only ends the keys of the step before belongs to it: letting go, and the key that says yes. */
    static List<StepRead> of(List<StepRead> told) {
        List<StepRead> steps = new ArrayList<>();
        for (StepRead step : told) {
            for (StepRead part : of(step)) {
                boolean ends = !steps.isEmpty()
                        && ENDS.matcher(part.first.lower()).find()
                        && Chords.in(part.first.lower()).isEmpty()
                        && !Placing.isWork(part.first)
                        && holds(steps.get(steps.size() - 1));
                if (ends) {
                    steps.get(steps.size() - 1).sentences.addAll(part.sentences);
                } else {
                    steps.add(part);
                }
            }
        }
        return steps;
    }

    private static boolean holds(StepRead step) {
        return step.sentences.stream().anyMatch(one -> Chords.in(one.lower()).isPresent());
    }

    private static final Pattern ENDS = Pattern.compile(
            "^\\W*(?:(?:and|then|now|so|you|he|she|i|it|we|just) ){0,4}(?:let (?:all |them |it |everything )?go|release|let them off|(?:wants|asks) (?:you )?to press vol|(?:press|tap|push|confirm(?: with)?)(?:ed|s)? vol(?:ume)?[ -]?(?:up|down|dn)\\b(?:[^.]{0,40}(?:yes|confirm|go on|continue|sure|downloading|accept)|\\W*$))");

    /** The step, or the parts of it in their order. */
    private static List<StepRead> of(StepRead step) {
        List<StepRead> parts = new ArrayList<>();
        for (Sentence sentence : step.sentences) {
            for (Sentence piece : pieces(sentence)) {
                StepRead last = parts.isEmpty() ? null : parts.get(parts.size() - 1);
                if (last == null || isNext(piece, last)) {
                    StepRead part = new StepRead(piece);
                    if (last == null) {
                        part.remedies.addAll(step.remedies);
                        part.helps.addAll(step.helps);
                    }
                    parts.add(part);
                } else {
                    last.sentences.add(piece);
                }
            }
        }
        return parts;
    }

    /** Keys after work, and work after keys. */
    private static boolean isNext(Sentence piece, StepRead before) {
        boolean goes = Chords.in(piece.lower()).isPresent();
        boolean went = holds(before);
        boolean worked = before.sentences.stream().anyMatch(Placing::isWork);
        return goes && worked || Placing.isWork(piece) && went && !goes;
    }

    /** A sentence that tells both is taken apart at its clauses; any other stays whole. */
    private static List<Sentence> pieces(Sentence sentence) {
        if (Chords.in(sentence.lower()).isEmpty() || !Placing.isWork(sentence)) {
            return List.of(sentence);
        }
        List<Sentence> clauses = new ArrayList<>();
        int from = 0;
        Matcher end = CLAUSES.matcher(sentence.lower());
        while (end.find()) {
            clause(sentence, from, end.end(), clauses);
            from = end.end();
        }
        clause(sentence, from, sentence.lower().length(), clauses);
        boolean parted = clauses.stream().anyMatch(one -> Chords.in(one.lower()).isPresent() && !Placing.isWork(one))
                && clauses.stream()
                        .anyMatch(one ->
                                Placing.isWork(one) && Chords.in(one.lower()).isEmpty());
        return parted ? clauses : List.of(sentence);
    }

    private static void clause(Sentence sentence, int from, int to, List<Sentence> clauses) {
        if (!sentence.value().substring(from, to).isBlank()) {
            clauses.add(sentence.part(from, to));
        }
    }
}
