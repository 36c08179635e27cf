package org.mobrak.core.catalogue.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Entropy;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Which variants of the catalogue a phone may still be, and the readings that would tell them apart.
 *
 * @param variants the likeliest first; one where the model number is in the catalogue, none where nothing is known
 * @param separators readings not yet taken that tell the variants apart, the most telling first
 * @param lookAlikes model numbers that may have been meant by one that is not in the catalogue; proposals, never matches
 */
public record Candidates(List<Candidate> variants, List<Separator> separators, List<String> lookAlikes) {
    public Candidates {
        lookAlikes = List.copyOf(lookAlikes);
        variants = List.copyOf(variants);
        separators = List.copyOf(separators);
    }

    /**
     * A variant that nothing speaks against.
     *
     * @param agrees the facts that speak for it
     */
    public record Candidate(KnownPhone phone, Set<Fact> agrees) {
        /** Its weight against the others: each fact that speaks for it counts as much as its being possible at all. */
        private double weight() {
            return 1 + agrees.size();
        }
    }

    /**
     * A reading that would tell variants apart.
     *
     * @param bits by how much it is expected to lessen the uncertainty, in bits
     * @param answers for each answer the model numbers that would remain
     */
    public record Separator(Fact fact, double bits, Map<String, List<String>> answers) {}

    /** Resolves what is known of a phone against the catalogue. */
    static Candidates of(Catalogue catalogue, Facts facts) {
        Optional<KnownPhone> exact = facts.value(Fact.MODEL).flatMap(catalogue::phone);
        List<Candidate> variants = exact.map(phone -> List.of(new Candidate(phone, EnumSet.of(Fact.MODEL))))
                .orElseGet(() -> possible(catalogue, facts));
        List<String> alike = facts.value(Fact.MODEL)
                .filter(model -> exact.isEmpty())
                .map(model -> LookAlike.of(model, catalogue.phones()))
                .orElse(List.of());
        return new Candidates(variants, variants.size() < 2 ? List.of() : separators(variants, facts), alike);
    }

    /** Whether it is still open which variant this is. */
    public boolean areOpen() {
        return variants.size() > 1;
    }

    private static List<Candidate> possible(Catalogue catalogue, Facts facts) {
        return catalogue.phones().stream()
                .flatMap(phone -> candidate(phone, facts).stream())
                .filter(candidate -> !candidate.agrees().isEmpty())
                .sorted(Comparator.comparingDouble(Candidate::weight)
                        .reversed()
                        .thenComparing(candidate -> candidate.phone().model()))
                .toList();
    }

    /** Empty where a fact speaks against the variant. */
    private static Optional<Candidate> candidate(KnownPhone phone, Facts facts) {
        Map<Fact, String> marks = new LinkedHashMap<>(phone.variant().marks());
        marks.put(Fact.SHOP_NAME, phone.family().shopName());
        Set<Fact> agrees = EnumSet.noneOf(Fact.class);
        for (Map.Entry<Fact, String> mark : marks.entrySet()) {
            Optional<String> value = facts.value(mark.getKey());
            if (value.isPresent()) {
                if (!agrees(mark.getKey(), mark.getValue(), value.get())) {
                    return Optional.empty();
                }
                agrees.add(mark.getKey());
            }
        }
        return Optional.of(new Candidate(phone, agrees));
    }

    /** Names may be given in part, from the beginning of a word; the baseband begins with its mark; codes must be the same. */
    private static boolean agrees(Fact fact, String mark, String value) {
        String known = mark.toLowerCase(Locale.ROOT);
        String said = value.toLowerCase(Locale.ROOT).strip();
        return switch (fact) {
            case MODEL -> known.contains(said);
            case SHOP_NAME -> (" " + known).contains(" " + said) || (" " + said + " ").contains(" " + known + " ");
            case BASEBAND -> said.startsWith(known);
            default -> known.equals(said);
        };
    }

    private static List<Separator> separators(List<Candidate> variants, Facts facts) {
        Set<Fact> open = EnumSet.of(Fact.MODEL);
        variants.forEach(candidate -> candidate.phone().variant().marks().keySet().stream()
                .filter(fact -> facts.value(fact).isEmpty())
                .forEach(open::add));
        return open.stream()
                .map(fact -> separator(fact, variants))
                .filter(separator -> separator.answers().size() > 1)
                .sorted(Comparator.comparingDouble(Separator::bits).reversed().thenComparing(Separator::fact))
                .toList();
    }

    /** A variant of which the catalogue does not say how it answers stays possible under every answer. */
    private static Separator separator(Fact fact, List<Candidate> variants) {
        Map<String, List<Candidate>> answers = new LinkedHashMap<>();
        List<Candidate> silent = new ArrayList<>();
        for (Candidate candidate : variants) {
            Optional<String> answer =
                    Optional.ofNullable(candidate.phone().variant().marks().get(fact));
            answer.ifPresentOrElse(
                    value -> answers.computeIfAbsent(value, key -> new ArrayList<>())
                            .add(candidate),
                    () -> silent.add(candidate));
        }
        double before = Entropy.bits(variants.stream().map(Candidate::weight).toList());
        double all = variants.stream().mapToDouble(Candidate::weight).sum();
        double after = 0;
        Map<String, List<String>> models = new LinkedHashMap<>();
        for (Map.Entry<String, List<Candidate>> answer : answers.entrySet()) {
            List<Double> weights = new ArrayList<>();
            answer.getValue().forEach(candidate -> weights.add(candidate.weight()));
            silent.forEach(candidate -> weights.add(candidate.weight() / answers.size()));
            after += weights.stream().mapToDouble(Double::doubleValue).sum() / all * Entropy.bits(weights);
            models.put(answer.getKey(), models(answer.getValue(), silent));
        }
        return new Separator(fact, before - after, models);
    }

    private static List<String> models(List<Candidate> answering, List<Candidate> silent) {
        List<Candidate> remaining = new ArrayList<>(answering);
        remaining.addAll(silent);
        return remaining.stream().map(candidate -> candidate.phone().model()).toList();
    }
}
