package org.mobrak.core.fit;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Ruler;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;

/**
 * The answers to a question that a catalogue tells apart: of a bound the value itself and those on either side of it, of a list
 * its entries and something that is not in it, of a bootloader revision a build with it, one below and one above. Each stands
 * for all answers that come to the same.
 */
final class Answers {
    private static final String ANOTHER = "another";

    /** How much likelier the usual state of an untouched phone is held than each other one (our own choice). */
    private static final double USUAL = 3;

    private final Catalogue catalogue;
    private final Facts facts;
    private final Fact fact;
    private final Set<String> named = new LinkedHashSet<>();
    private final Set<String> bounds = new LinkedHashSet<>();
    private final Set<String> revisions = new LinkedHashSet<>();

    private Answers(Catalogue catalogue, Facts facts, Fact fact) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.fact = fact;
    }

    /** Each answer with its weight, in no order that matters. */
    static Map<String, Double> of(Catalogue catalogue, Facts facts, Fact fact) {
        Answers answers = new Answers(catalogue, facts, fact);
        Map<String, Double> weighed = new TreeMap<>();
        answers.all()
                .filter(answer -> fact.domain().objection(answer).isEmpty())
                .forEach(answer ->
                        weighed.put(answer, fact.usual().filter(answer::equals).isPresent() ? USUAL : 1.0));
        return weighed;
    }

    private Stream<String> all() {
        if (facts.isTorn(fact)) {
            return facts.said(fact).stream();
        }
        boolean ofWords = !fact.domain().words().isEmpty();
        if (ofWords && fact != Fact.TROUBLE) {
            return fact.domain().words().stream();
        }
        catalogue.routes().forEach(this::take);
        if (ofWords) {
            // Of all troubles only those that some route is for are worth asking about.
            named.add("none");
            return named.stream();
        }
        catalogue.dangers().stream().flatMap(danger -> danger.when().leaves()).forEach(this::take);
        return Stream.of(ordered(), listed(), builtWith()).flatMap(some -> some);
    }

    private void take(Route route) {
        route.fits().phones().forEach(this::take);
        if (BuildNames.FACTS.contains(fact)) {
            route.fits().excludedBuilds().forEach(exclusion -> named.add(exclusion.build()));
        }
        route.fits().requires().stream().flatMap(Condition::leaves).forEach(this::take);
    }

    private void take(Route.Target target) {
        switch (fact) {
            case MODEL -> named.add(target.model());
            case OS_VERSION -> target.osVersion().ifPresent(bounds::add);
            case BOOTLOADER -> target.bootloader().ifPresent(named::add);
            case CARRIER -> target.carrier().ifPresent(named::add);
            case BUILD_NUMBER, INCREMENTAL, BUILD_ID -> named.addAll(target.builds());
            default -> {
                // A target names nothing else.
            }
        }
    }

    private void take(Condition leaf) {
        if (leaf instanceof Condition.HoleOpen hole) {
            catalogue.hole(hole.id()).ifPresent(this::take);
        } else if (leaf.facts().anyMatch(fact::equals)) {
            takeOwn(leaf);
        }
    }

    private void takeOwn(Condition leaf) {
        if (leaf instanceof Condition.OneOf some) {
            (fact.isVersion() ? bounds : named).addAll(some.values());
        } else if (leaf instanceof Condition.Like like) {
            named.addAll(like.patterns());
        } else if (leaf instanceof Condition.Between range) {
            Stream.of(range.atLeast(), range.atMost()).flatMap(Optional::stream).forEach(bounds::add);
        } else if (leaf instanceof Condition.Dated dated) {
            Stream.of(dated.notBefore(), dated.notAfter())
                    .flatMap(Optional::stream)
                    .forEach(bounds::add);
        } else if (leaf instanceof Condition.Revision revision) {
            Stream.of(revision.atLeast(), revision.atMost())
                    .flatMap(Optional::stream)
                    .forEach(revisions::add);
        }
    }

    private void take(Hole hole) {
        Optional<Hole.Range> range = fact == Fact.KERNEL_RELEASE
                ? hole.kernel()
                : fact == Fact.OS_VERSION ? hole.osVersion() : Optional.empty();
        range.ifPresent(versions -> Stream.of(versions.atLeast(), versions.atMost())
                .flatMap(Optional::stream)
                .forEach(bounds::add));
        if (fact == Fact.BUILD_DATE || fact == Fact.KERNEL_BUILT) {
            bounds.add(hole.published());
            hole.fixedByBuildDate().ifPresent(bounds::add);
        } else if (fact == Fact.PATCH_LEVEL) {
            hole.fixedByPatchLevel().ifPresent(bounds::add);
        }
    }

    /** Each bound, and what lies next to it. */
    private Stream<String> ordered() {
        if (fact.isDay()) {
            return bounds.stream().flatMap(Answers::aroundDay);
        }
        return fact.isVersion() && !bounds.isEmpty()
                ? Stream.concat(Stream.of("0"), bounds.stream().flatMap(Answers::aroundVersion))
                : bounds.stream();
    }

    private static Stream<String> aroundDay(String day) {
        try {
            LocalDate bound = LocalDate.parse(day);
            return Stream.of(bound.minusDays(1), bound, bound.plusDays(1)).map(LocalDate::toString);
        } catch (DateTimeException noDay) {
            return Stream.empty();
        }
    }

    private static Stream<String> aroundVersion(String version) {
        return VersionOrder.isVersion(version) ? Stream.of(version, version + ".0.1") : Stream.empty();
    }

    /** What is named, patterns by an example, and something of the same form that is not. */
    private Stream<String> listed() {
        List<String> examples = new ArrayList<>();
        named.forEach(name -> examples.add(new TextPattern(name).example('0')));
        if (examples.isEmpty()) {
            return bounds.isEmpty() && revisions.isEmpty() ? Stream.of(ANOTHER) : Stream.empty();
        }
        return Stream.concat(examples.stream(), Stream.of(unlike(examples.get(0))));
    }

    /** The same text with its last letter or digit changed, until nothing that is named stands for it. */
    private String unlike(String example) {
        for (int i = example.length() - 1; i >= 0; i--) {
            String near = changed(example, i);
            if (named.stream().noneMatch(name -> TextPattern.matches(name, near))) {
                return near;
            }
        }
        return ANOTHER;
    }

    private static String changed(String text, int at) {
        char c = text.charAt(at);
        char other = Character.isDigit(c) ? c == '9' ? '8' : '9' : c == 'Q' ? 'W' : 'Q';
        return Character.isLetterOrDigit(c) ? text.substring(0, at) + other + text.substring(at + 1) : text;
    }

    /** Builds with each revision, one below it and one above, made from whatever the maker's grammar takes apart. */
    private Stream<String> builtWith() {
        if (revisions.isEmpty()) {
            return Stream.empty();
        }
        Set<String> wanted = new TreeSet<>();
        revisions.forEach(revision -> {
            wanted.add(revision);
            stepped(revision, -1).ifPresent(wanted::add);
            stepped(revision, 1).ifPresent(wanted::add);
        });
        return samples().findFirst().stream().flatMap(ruler -> wanted.stream().map(text -> with(ruler, text)));
    }

    private Stream<Ruler> samples() {
        Stream<String> examples = catalogue.rulers().grammars().stream()
                .filter(grammar -> grammar.fact() == fact)
                .flatMap(grammar -> grammar.examples().stream());
        return Stream.concat(named.stream(), examples)
                .flatMap(text -> catalogue.rulers().of(fact, text, facts.value(Fact.MAKER)).stream())
                .filter(ruler -> ruler.part(Role.BOOTLOADER_REVISION).isPresent());
    }

    /** The revision one lower or higher, in as many characters; empty at the end of the numbers or the alphabet. */
    private static Optional<String> stepped(String revision, int step) {
        if (revision.chars().allMatch(Character::isDigit)) {
            String next = String.valueOf(Integer.parseInt(revision) + step);
            boolean fits = next.charAt(0) != '-' && next.length() <= revision.length();
            return fits ? Optional.of("0".repeat(revision.length() - next.length()) + next) : Optional.empty();
        }
        char next = (char) (revision.charAt(revision.length() - 1) + step);
        return Character.isLetter(next)
                ? Optional.of(revision.substring(0, revision.length() - 1) + next)
                : Optional.empty();
    }

    private static String with(Ruler ruler, String revision) {
        StringBuilder text = new StringBuilder();
        for (Segment segment : ruler.segments()) {
            text.append(segment.role() == Role.BOOTLOADER_REVISION ? revision : segment.text());
        }
        return text.toString();
    }
}
