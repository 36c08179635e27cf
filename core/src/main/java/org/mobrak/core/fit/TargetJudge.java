package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause.Kind;
import org.mobrak.core.fit.EntryJudge.Match;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.build.Spelling;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;

/**
 * Judges whether a route was made for this phone, in one world: model number, software, bootloader and carrier, by one of the
 * two schools. What a route is made for stands in entries, and an entry is judged whole: the build of one and the bootloader of
 * another make no phone. What is shown is the entry that comes nearest.
 */
final class TargetJudge {
    private final Facts facts;
    private final School school;
    private final ConditionJudge sentences;
    private final BuildNames names;
    private final EntryJudge matches;
    private final Optional<String> model;

    TargetJudge(Facts facts, Rulers rulers, School school, ConditionJudge sentences) {
        this.facts = facts;
        this.school = school;
        this.sentences = sentences;
        this.names = new BuildNames(facts, rulers);
        this.matches = new EntryJudge(facts, names, school);
        this.model = facts.value(Fact.MODEL);
    }

    List<Clause> judge(Route route) {
        Route.Scope scope = route.fits();
        List<Clause> clauses = new ArrayList<>();
        boolean anotherPhone = false;
        if (!scope.phones().isEmpty()) {
            Clause whose = model(scope.phones()).as(Kind.MODEL);
            clauses.add(whose);
            anotherPhone = whose.result() == Truth.NO;
            if (!anotherPhone) {
                entry(ofThisModel(scope), route.isSmall(), clauses);
            }
        }
        if (!scope.excludedBuilds().isEmpty() && !anotherPhone) {
            clauses.add(
                    notExcluded(scope.excludedBuilds()).as(Kind.EXCLUDED_BUILDS).named("Excluded builds"));
        }
        return clauses;
    }

    /** Until the model is known, or known to be written rightly, it may be any of them. */
    private List<Route.Target> ofThisModel(Route.Scope scope) {
        List<Route.Target> some = model.map(known -> scope.phones().stream()
                        .filter(target -> TextPattern.matches(target.model(), known))
                        .toList())
                .orElse(List.of());
        return some.isEmpty() ? scope.phones() : some;
    }

    /** In a large catalogue most routes are for another model, so this is put together without format strings. */
    private Clause model(List<Route.Target> targets) {
        if (model.isEmpty()) {
            return sentences.unknown(Fact.MODEL, "this route is made for " + names(targets), Optional.empty());
        }
        String known = model.get();
        boolean perhaps = false;
        for (Route.Target target : targets) {
            if (TextPattern.matches(target.model(), known)) {
                return Clause.of(Fact.MODEL.label(), Truth.YES, "Made for model number " + known + ".");
            }
            perhaps |= Spelling.isWrittenOtherwise(target.model(), known);
        }
        if (perhaps) {
            String reason = ConditionJudge.writtenOtherwise(Fact.MODEL, known, names(targets));
            return Clause.asking(Fact.MODEL.label(), reason, Set.of(Fact.MODEL));
        }
        String reason = "Model number is " + known + "; this route is made for " + names(targets)
                + ", and a sister variant's file can brick a phone.";
        return Clause.of(Fact.MODEL.label(), Truth.NO, reason);
    }

    private static String names(List<Route.Target> targets) {
        return targets.size() == 1
                ? targets.get(0).model()
                : few(targets.stream().map(Route.Target::model).distinct().toList());
    }

    private void entry(List<Route.Target> entries, boolean small, List<Clause> clauses) {
        Match best = matches.nearest(entries, small);
        clauses.add(
                school == School.EXACT
                        ? listedBuild(best, entries).as(Kind.BUILD)
                        : osVersion(best, entries, small).as(Kind.OS_VERSION));
        best.entry()
                .bootloader()
                .ifPresent(wanted -> clauses.add(
                        named(Fact.BOOTLOADER, best.bootloader(), wanted).as(Kind.BOOTLOADER)));
        best.entry()
                .carrier()
                .ifPresent(wanted ->
                        clauses.add(named(Fact.CARRIER, best.carrier(), wanted).as(Kind.CARRIER)));
    }

    /** A part of an entry that is a name, in a sentence. */
    private Clause named(Fact fact, Truth result, String wanted) {
        Optional<String> known = facts.value(fact);
        if (known.isEmpty()) {
            return sentences.unknown(fact, "this route is made for " + wanted, Optional.empty());
        }
        return result == Truth.UNKNOWN
                ? Clause.asking(fact.label(), ConditionJudge.writtenOtherwise(fact, known.get(), wanted), Set.of(fact))
                : Clause.of(
                        fact.label(),
                        result,
                        "%s is %s; this route is made for %s.".formatted(fact.label(), known.get(), wanted));
    }

    /** That none is listed is known before it is known which build this is. */
    private Clause listedBuild(Match best, List<Route.Target> entries) {
        List<String> builds = all(entries, target -> target.builds().stream());
        Optional<BuildNames.Hit> hit = best.entry().builds().stream()
                .flatMap(build -> names.hit(build).stream())
                .findFirst();
        if (hit.isPresent()) {
            return ofListed(best, hit.get());
        }
        if (best.entry().anyBuild().isPresent()
                && matches.everyBuild(best.entry()) == best.software().holds()) {
            return anyBuild(best, entries);
        }
        if (builds.isEmpty()) {
            return Clause.of(
                    Fact.BUILD_NUMBER.label(),
                    Truth.NO,
                    "The route lists no exact builds, so by the exact school it must be left alone.");
        }
        Set<Fact> open = open(builds);
        if (best.software().holds() == Truth.NO && !open.isEmpty()) {
            return otherVersion(entries);
        }
        if (best.software().holds() == Truth.UNKNOWN && open.isEmpty()) {
            String reason = ConditionJudge.writtenOtherwise(Fact.BUILD_NUMBER, names.words(), few(builds));
            return Clause.asking(Fact.BUILD_NUMBER.label(), reason, names.known());
        }
        return open.isEmpty()
                ? Clause.of(
                        Fact.BUILD_NUMBER.label(),
                        Truth.NO,
                        "%s is not listed; listed are %s.".formatted(names.words(), few(builds)))
                : Clause.asking(Fact.BUILD_NUMBER.label(), notListedYet(open, few(builds)), open);
    }

    /** Which build this is need not be read: none of this OS version is listed. */
    private Clause otherVersion(List<Route.Target> entries) {
        List<String> versions = all(entries, target -> target.osVersion().stream());
        return Clause.of(
                Fact.OS_VERSION.label(),
                Truth.NO,
                "OS version is %s, and the builds that are listed are of %s."
                        .formatted(facts.value(Fact.OS_VERSION).orElse("?"), few(versions)));
    }

    /** The build is listed; whether the OS version is the one it is listed for. */
    private Clause ofListed(Match best, BuildNames.Hit hit) {
        String listed = "Build %s is listed".formatted(hit.value());
        if (best.software().holds() == Truth.YES) {
            return Clause.of(hit.fact().label(), Truth.YES, listed + ".");
        }
        String reason = "%s, but for OS version %s, and the phone says %s."
                .formatted(
                        listed,
                        best.entry().osVersion().orElse("?"),
                        facts.value(Fact.OS_VERSION).orElse("?"));
        return best.software().holds() == Truth.NO
                ? Clause.of(hit.fact().label(), Truth.NO, reason)
                : Clause.asking(hit.fact().label(), reason, Set.of(Fact.OS_VERSION));
    }

    private String notListedYet(Set<Fact> open, String listed) {
        return names.known().isEmpty()
                ? "Build number is not known; the exact build must be listed, and listed are %s.".formatted(listed)
                : "%s is not among %s, which may be of another kind: %s not known."
                        .formatted(names.words(), listed, labels(open));
    }

    /** Every build of the model will do, says somebody; of another OS version nobody speaks. */
    private Clause anyBuild(Match best, List<Route.Target> entries) {
        List<String> versions = all(entries, target -> target.osVersion().stream());
        String who = best.entry().anyBuild().orElseThrow();
        if (best.entry().osVersion().isEmpty()) {
            return Clause.of(Fact.BUILD_NUMBER.label(), Truth.YES, "Every build of this model will do: " + who);
        }
        Optional<String> version = facts.value(Fact.OS_VERSION);
        if (version.isEmpty()) {
            return sentences.unknown(
                    Fact.OS_VERSION, "every build of %s will do: %s".formatted(few(versions), who), Optional.empty());
        }
        String reason = "OS version is %s; every build of %s will do: %s".formatted(version.get(), few(versions), who);
        return best.software().holds() == Truth.UNKNOWN
                ? Clause.asking(Fact.OS_VERSION.label(), reason, Set.of(Fact.OS_VERSION))
                : Clause.of(Fact.OS_VERSION.label(), best.software().holds(), reason);
    }

    private Set<Fact> open(List<String> listed) {
        Set<Fact> open = EnumSet.noneOf(Fact.class);
        listed.forEach(name -> open.addAll(names.open(name)));
        return open;
    }

    private Clause osVersion(Match best, List<Route.Target> entries, boolean small) {
        if (best.entry().osVersion().isEmpty()) {
            return buildsOfNoVersion(best);
        }
        List<String> versions = all(entries, target -> target.osVersion().stream());
        Optional<String> value = facts.value(Fact.OS_VERSION);
        if (value.isEmpty()) {
            return sentences.unknown(Fact.OS_VERSION, "this route is made for " + few(versions), Optional.empty());
        }
        String phone = value.get();
        if (best.software().holds() == Truth.UNKNOWN) {
            return Clause.asking(
                    Fact.OS_VERSION.label(),
                    ConditionJudge.noOrder(Fact.OS_VERSION, phone, few(versions)),
                    Set.of(Fact.OS_VERSION));
        }
        if (best.entry().osVersion().filter(phone::equals).isPresent()) {
            return Clause.of(Fact.OS_VERSION.label(), Truth.YES, "Made for OS version %s.".formatted(phone));
        }
        String reason = "OS version is %s; this route was made for %s.".formatted(phone, few(versions));
        if (best.software().holds() == Truth.NO) {
            return Clause.of(Fact.OS_VERSION.label(), Truth.NO, reason + " That is another system.");
        }
        Clause clause = Clause.of(Fact.OS_VERSION.label(), Truth.YES, reason);
        if (best.software().doubt() == 0) {
            return clause;
        }
        boolean older =
                VersionOrder.againstLimit(phone, best.entry().osVersion().get()).orElse(0) < 0;
        if (older) {
            return small
                    ? clause.doubting("The phone is older than the package: for small root packages it mostly works.")
                    : clause.doubtingStrongly(
                            "The phone is older than the package. That mostly works for small root packages, and this is more than one.");
        }
        return clause.doubtingStrongly("The phone is newer than the package, which may no longer work on it.");
    }

    /** No version is named: every one will do, unless builds are, which speak for themselves only. */
    private Clause buildsOfNoVersion(Match best) {
        List<String> builds = best.entry().builds();
        if (best.software().holds() == Truth.UNKNOWN) {
            Set<Fact> open = open(builds);
            return Clause.asking(
                    Fact.BUILD_NUMBER.label(), notListedYet(open, few(builds)), open.isEmpty() ? names.known() : open);
        }
        if (builds.isEmpty() || best.entry().anyBuild().isPresent()) {
            return Clause.of(Fact.OS_VERSION.label(), Truth.YES, "Made for every OS version of this model.");
        }
        return best.software().doubt() == 0
                ? Clause.of(Fact.BUILD_NUMBER.label(), Truth.YES, names.words() + " is listed.")
                : Clause.of(Fact.BUILD_NUMBER.label(), Truth.YES, "Made for this model.")
                        .doubtingStrongly("The route names builds and no OS version: %s. %s is not among them."
                                .formatted(few(builds), names.words()));
    }

    /** What is excluded is compared widely: no spelling gets past. */
    private Clause notExcluded(List<Route.Exclusion> excluded) {
        for (Route.Exclusion exclusion : excluded) {
            Optional<BuildNames.Hit> hit = names.perhaps(exclusion.build());
            if (hit.isPresent()) {
                String reason = "Build %s is excluded: %s".formatted(hit.get().value(), exclusion.because());
                return Clause.of(hit.get().fact().label(), Truth.NO, reason);
            }
        }
        Set<Fact> open = open(excluded.stream().map(Route.Exclusion::build).toList());
        if (!open.isEmpty()) {
            String reason =
                    "Some builds are known not to work (%d), and whether this is one cannot be told: %s not known."
                            .formatted(excluded.size(), labels(open));
            return Clause.asking(Fact.BUILD_NUMBER.label(), reason, open);
        }
        return Clause.of(
                Fact.BUILD_NUMBER.label(), Truth.YES, names.words() + " is not among the builds known to fail.");
    }

    private static String labels(Set<Fact> facts) {
        List<String> labels = facts.stream().map(Fact::label).toList();
        return String.join(" and ", labels) + (labels.size() == 1 ? " is" : " are");
    }

    private static List<String> all(List<Route.Target> targets, Function<Route.Target, Stream<String>> part) {
        return targets.stream().flatMap(part).distinct().toList();
    }

    /** At most three by name, the others by number. */
    private static String few(List<String> names) {
        String first = String.join(", ", names.stream().limit(3).toList());
        return names.size() <= 3 ? first : first + " and " + (names.size() - 3) + " more";
    }
}
