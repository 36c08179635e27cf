package org.mobrak.core.mend;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.proof.Comparison;

/**
 * How likely causes are after what was told, by Bayes' rule with symptoms and answers independent given the cause (“naive
 * Bayes”; C. M. Bishop, Pattern Recognition and Machine Learning, 2006, §1.2 and §4.2.3).
 */
final class Posterior {
    /** A symptom that a cause says nothing of may still be there for another reason; our own choice. */
    static final double LEAK = 0.02;
    /** No answer is impossible: people err. Our own choice. */
    private static final double LEAST = 0.01;

    private final Catalogue catalogue;
    private final Complaint complaint;
    private final Map<Question, String> answered;

    /**
     * A weighing.
     *
     * @param answered questions that were answered, by a person or by a fact
     */
    Posterior(Catalogue catalogue, Complaint complaint, Map<Question, String> answered) {
        this.catalogue = catalogue;
        this.complaint = complaint;
        this.answered = answered;
    }

    /** A cause, its weight before all are made to sum up to 1, and what raised or lowered it. */
    record Weighed(Cause cause, double weight, List<String> because) {}

    /** Only causes that explain some of what is seen are weighed. */
    List<Weighed> weigh(List<Cause> causes) {
        return causes.stream()
                .filter(cause -> complaint.symptoms().stream().anyMatch(cause.explains()::containsKey))
                .map(this::weigh)
                .toList();
    }

    private Weighed weigh(Cause cause) {
        List<String> because = new ArrayList<>();
        double weight = cause.weight();
        for (String symptom : complaint.symptoms()) {
            double likely = cause.explains().getOrDefault(symptom, LEAK);
            weight *= Math.max(likely, LEAK);
            if (complaint.symptoms().size() > 1 && !cause.explains().containsKey(symptom)) {
                because.add("It does not explain “" + symptom + "”.");
            }
        }
        for (Cause.When when : cause.when()) {
            weight *= factor(when, because);
        }
        for (String done : complaint.did()) {
            double factor = after(cause, done);
            weight *= factor;
            if (factor > 1) {
                because.add("It is met after “" + done + "”.");
            }
        }
        for (Cause.Changed changed : cause.changed()) {
            weight *= factor(changed, because);
        }
        for (Map.Entry<Question, String> answer : answered.entrySet()) {
            weight *= factor(cause, answer.getKey(), answer.getValue(), because);
        }
        return new Weighed(cause, weight, because);
    }

    private static double after(Cause cause, String done) {
        return cause.after().entrySet().stream()
                .filter(entry -> plain(entry.getKey()).equals(plain(done)))
                .mapToDouble(Map.Entry::getValue)
                .findFirst()
                .orElse(1);
    }

    /** Names of families are words; with dashes or blanks, large or small, they mean the same. */
    static String plain(String family) {
        return family.toLowerCase(Locale.ROOT).replace('-', ' ');
    }

    private double factor(Cause.When when, List<String> because) {
        Truth holds = FitCheck.holds(catalogue, when.condition(), complaint.facts());
        if (holds == Truth.YES) {
            when.because().ifPresent(because::add);
            return when.times();
        }
        return holds == Truth.NO ? when.otherwise().orElse(1.0) : 1;
    }

    private double factor(Cause.Changed changed, List<String> because) {
        Optional<Comparison.Change> found = complaint.compared().stream()
                .flatMap(comparison -> comparison.changes().stream())
                .filter(one ->
                        one.fact() == changed.fact() && one.outcome().word().equals(changed.outcome()))
                .findFirst();
        found.ifPresent(one -> because.add("%s came out “%s”. %s"
                .formatted(one.fact().label(), one.outcome().word(), one.because())));
        return found.isPresent() ? changed.times() : 1;
    }

    private static double factor(Cause cause, Question question, String answer, List<String> because) {
        Map<String, Double> said = cause.answers().get(question.id());
        if (said == null) {
            return 1.0 / question.answers().size();
        }
        double likely = likelihood(said, question, answer);
        double even = 1.0 / question.answers().size();
        if (likely != even) {
            because.add("“%s” %s: %s."
                    .formatted(question.question(), answer, likely > even ? "speaks for it" : "speaks against it"));
        }
        return likely;
    }

    /** How likely an answer is where this is the cause; what a cause does not say is shared out evenly among the answers left. */
    static double likelihood(Map<String, Double> said, Question question, String answer) {
        Double told = said.get(answer);
        if (told != null) {
            return Math.max(told, LEAST);
        }
        double left =
                1 - said.values().stream().mapToDouble(Double::doubleValue).sum();
        return Math.max(left / (question.answers().size() - said.size()), LEAST);
    }
}
