package org.mobrak.core.mend;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Refusal;

/** Weighs causes against what is seen, finds the next question, and the routes that mend. */
public final class Diagnostics {
    /** Causes below are told no more, and their mends are not offered; our own choice. */
    private static final double LEAST_TOLD = 0.001;

    private static final double LEAST_MENDED = 0.03;
    /** From here on a cause that forbids everything else is told as such; our own choice. */
    private static final double LEAST_STOPPING = 0.05;

    private final Catalogue catalogue;
    private final Troubles troubles;

    public Diagnostics(Catalogue catalogue, Troubles troubles) {
        this.catalogue = catalogue;
        this.troubles = troubles;
    }

    /** The same complaint with the symptoms that the facts show by themselves; a {@link Refusal} names what nobody knows. */
    public Complaint complete(Complaint told) throws Refusal {
        for (String id : told.symptoms()) {
            if (troubles.symptom(id).isEmpty()) {
                throw new Refusal("There is no symptom “%s”; the symptoms are: %s."
                        .formatted(
                                id,
                                String.join(
                                        ", ",
                                        troubles.symptoms().stream()
                                                .map(Symptom::id)
                                                .toList())));
            }
        }
        for (Map.Entry<String, String> answer : told.answers().entrySet()) {
            check(answer.getKey(), answer.getValue());
        }
        Set<String> symptoms = new LinkedHashSet<>(told.symptoms());
        told.facts()
                .value(Fact.TROUBLE)
                .filter(id -> troubles.symptom(id).isPresent())
                .ifPresent(symptoms::add);
        troubles.symptoms().stream()
                .filter(symptom -> isShown(symptom, told.facts()) || cameOut(symptom, told))
                .forEach(symptom -> symptoms.add(symptom.id()));
        return new Complaint(List.copyOf(symptoms), told.answers(), done(told.did()), told.facts(), told.compared());
    }

    /** What was done, by routes and families alike; a route stands for its family too. */
    private List<String> done(List<String> told) {
        Set<String> done = new LinkedHashSet<>(told);
        told.forEach(word -> catalogue.route(word).ifPresent(route -> done.add(route.family())));
        return List.copyOf(done);
    }

    /** Words that are neither a route nor a family; they tell nothing. */
    private List<String> unknown(List<String> done) {
        return done.stream()
                .filter(word -> catalogue.routes().stream()
                        .noneMatch(route -> route.id().equals(word)
                                || Posterior.plain(route.family()).equals(Posterior.plain(word))))
                .toList();
    }

    private void check(String id, String answer) throws Refusal {
        Question question = troubles.question(id)
                .orElseThrow(() -> new Refusal("There is no question “%s”; the questions are: %s."
                        .formatted(
                                id,
                                String.join(
                                        ", ",
                                        troubles.questions().stream()
                                                .map(Question::id)
                                                .toList()))));
        if (!question.answers().contains(answer)) {
            throw new Refusal("“%s” is no answer to “%s”; use one of %s."
                    .formatted(answer, id, String.join(", ", question.answers())));
        }
    }

    private static boolean cameOut(Symptom symptom, Complaint told) {
        return told.compared().stream()
                .flatMap(comparison -> comparison.changes().stream())
                .anyMatch(change -> symptom.changed().stream()
                        .anyMatch(one -> one.fact() == change.fact()
                                && one.outcome().equals(change.outcome().word())));
    }

    private boolean isShown(Symptom symptom, Facts facts) {
        return !symptom.shows().isEmpty()
                && symptom.shows().stream()
                        .allMatch(condition -> FitCheck.holds(catalogue, condition, facts) == Truth.YES);
    }

    /** Weighs a complaint that is {@link #complete}. */
    public Diagnosis diagnose(Complaint complaint) {
        Map<Question, String> answered = answered(complaint);
        List<Posterior.Weighed> weighed = new Posterior(catalogue, complaint, answered).weigh(troubles.causes());
        double sum = weighed.stream().mapToDouble(Posterior.Weighed::weight).sum();
        List<Diagnosis.Likely> all = weighed.stream()
                .map(one -> new Diagnosis.Likely(one.cause(), one.weight() / sum, one.because()))
                .sorted(Comparator.comparingDouble(Diagnosis.Likely::probability)
                        .reversed()
                        .thenComparing(one -> one.cause().id()))
                .toList();
        List<Question> open = troubles.questions().stream()
                .filter(question -> !answered.containsKey(question))
                .toList();
        return new Diagnosis(
                complaint.symptoms().stream()
                        .flatMap(id -> troubles.symptom(id).stream())
                        .toList(),
                all.stream().filter(one -> one.probability() >= LEAST_TOLD).toList(),
                new NextQuestion(all).of(open),
                mends(all, complaint),
                findings(all, complaint));
    }

    /** What a person answered, and what facts answer where nobody did. */
    private Map<Question, String> answered(Complaint complaint) {
        Map<Question, String> answered = new LinkedHashMap<>();
        for (Question question : troubles.questions()) {
            Optional.ofNullable(complaint.answers().get(question.id()))
                    .or(() -> question.fact().flatMap(complaint.facts()::value).filter(question.answers()::contains))
                    .ifPresent(answer -> answered.put(question, answer));
        }
        return answered;
    }

    private List<Diagnosis.Mend> mends(List<Diagnosis.Likely> causes, Complaint complaint) {
        Map<String, Diagnosis.Mend> mends = new LinkedHashMap<>();
        for (Diagnosis.Likely likely : causes) {
            if (likely.probability() >= LEAST_MENDED) {
                for (String id : likely.cause().mends()) {
                    catalogue
                            .route(id)
                            .ifPresent(
                                    route -> mends.computeIfAbsent(id, same -> mend(route, likely.cause(), complaint)));
                }
            }
        }
        forTheTrouble(causes, complaint, mends);
        return List.copyOf(mends.values());
    }

    /** A phone's own routes say which trouble they are for; only those made for this phone are told. */
    private void forTheTrouble(List<Diagnosis.Likely> causes, Complaint complaint, Map<String, Diagnosis.Mend> mends) {
        if (causes.isEmpty()) {
            return;
        }
        Cause first = causes.get(0).cause();
        catalogue.routes().stream()
                .filter(route -> !mends.containsKey(route.id()))
                .filter(route -> complaint.symptoms().stream().anyMatch(troublesOf(route)::contains))
                .map(route -> mend(route, first, complaint))
                .filter(mend -> mend.fit().verdict() != Verdict.REFUSED)
                .forEach(mend -> mends.put(mend.fit().route().id(), mend));
    }

    private static Set<String> troublesOf(Route route) {
        Set<String> wanted = new LinkedHashSet<>();
        route.fits().requires().stream()
                .flatMap(Condition::leaves)
                .flatMap(one -> one instanceof Condition.OneOf some && some.fact() == Fact.TROUBLE
                        ? some.values().stream()
                        : Stream.empty())
                .forEach(wanted::add);
        return wanted;
    }

    private Diagnosis.Mend mend(Route route, Cause cause, Complaint complaint) {
        RouteFit fit = FitCheck.alone(catalogue, route, suffering(route, cause, complaint), Optional.empty());
        String why = fit.clauses().stream()
                .filter(clause -> clause.result() != Truth.YES)
                .findFirst()
                .map(Clause::reason)
                .orElse("It mends: " + cause.name());
        return new Diagnosis.Mend(fit, cause, why);
    }

    /** The facts with the trouble that this route is for: what the person sees counts as read. */
    private static Facts suffering(Route route, Cause cause, Complaint complaint) {
        Set<String> wanted = troublesOf(route);
        return complaint.symptoms().stream()
                .filter(symptom -> wanted.contains(symptom)
                        || wanted.isEmpty() && cause.explains().containsKey(symptom))
                .filter(symptom -> Fact.TROUBLE.domain().objection(symptom).isEmpty())
                .findFirst()
                .map(symptom -> complaint.facts().supposing(Map.of(Fact.TROUBLE, symptom)))
                .orElse(complaint.facts());
    }

    private List<Finding> findings(List<Diagnosis.Likely> causes, Complaint complaint) {
        List<Finding> findings = new ArrayList<>();
        causes.stream()
                .filter(one -> one.cause().stop() && one.probability() >= LEAST_STOPPING)
                .forEach(one -> findings.add(Finding.stop(
                        one.cause().id(),
                        one.cause().name() + ". " + one.cause().advice().orElse("Stop here."))));
        unknown(complaint.did())
                .forEach(word -> findings.add(Finding.caution(
                        "unknown-deed",
                        "The catalogue has no route and no family “%s”, so it tells nothing.".formatted(word))));
        if (causes.isEmpty() && !complaint.symptoms().isEmpty()) {
            findings.add(Finding.note("no-cause", "The catalogue knows no cause for this."));
        }
        return findings;
    }
}
