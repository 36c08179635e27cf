package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause.Kind;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;

/** Judges whether a route was made for this phone: model number, software and bootloader, by one of the two schools. */
final class TargetJudge {
    private final Facts facts;
    private final School school;
    private final ConditionJudge sentences;
    private final BuildNames names;
    private final List<String> models;

    TargetJudge(Facts facts, Rulers rulers, School school, ConditionJudge sentences) {
        this.facts = facts;
        this.school = school;
        this.sentences = sentences;
        this.names = new BuildNames(facts, rulers);
        this.models = facts.said(Fact.MODEL);
    }

    List<Clause> judge(Route.Scope scope) {
        List<Clause> clauses = new ArrayList<>();
        boolean anotherPhone = false;
        if (!scope.phones().isEmpty()) {
            Clause model = model(scope.phones()).as(Kind.MODEL);
            clauses.add(model);
            anotherPhone = model.result() == Truth.NO;
            if (!anotherPhone) {
                List<Route.Target> targets = models.isEmpty() ? scope.phones() : ofThisModel(scope);
                clauses.add(software(targets));
                bootloader(targets).map(clause -> clause.as(Kind.BOOTLOADER)).ifPresent(clauses::add);
            }
        }
        if (!scope.excludedBuilds().isEmpty() && !anotherPhone) {
            clauses.add(
                    notExcluded(scope.excludedBuilds()).as(Kind.EXCLUDED_BUILDS).named("Excluded builds"));
        }
        return clauses;
    }

    private Clause software(List<Route.Target> targets) {
        return school == School.EXACT
                ? listedBuild(targets).as(Kind.BUILD)
                : osVersion(targets).as(Kind.OS_VERSION);
    }

    private List<Route.Target> ofThisModel(Route.Scope scope) {
        return scope.phones().stream()
                .filter(target -> models.stream().anyMatch(model -> TextPattern.matches(target.model(), model)))
                .toList();
    }

    /** In a large catalogue most routes are for another model, so this is put together without format strings. */
    private Clause model(List<Route.Target> targets) {
        if (models.isEmpty()) {
            return sentences.unknown(Fact.MODEL, "this route is made for " + names(targets), Optional.empty());
        }
        if (isFor(targets, models.get(0))) {
            return sentences.told(Fact.MODEL, Truth.YES, "Made for model number " + models.get(0) + ".");
        }
        Optional<String> other =
                models.stream().filter(model -> isFor(targets, model)).findFirst();
        if (other.isPresent()) {
            String reason = "Model number is " + models.get(0) + " or, by another source, " + other.get()
                    + "; this route is made for the latter.";
            return Clause.asking(Fact.MODEL.label(), reason, Set.of(Fact.MODEL));
        }
        String reason = "Model number is " + models.get(0) + "; this route is made for " + names(targets)
                + ", and a sister variant's file can brick a phone.";
        return sentences.told(Fact.MODEL, Truth.NO, reason);
    }

    private static boolean isFor(List<Route.Target> targets, String model) {
        for (Route.Target target : targets) {
            if (TextPattern.matches(target.model(), model)) {
                return true;
            }
        }
        return false;
    }

    private static String names(List<Route.Target> targets) {
        return targets.size() == 1
                ? targets.get(0).model()
                : few(targets.stream().map(Route.Target::model).distinct().toList());
    }

    /** That none is listed is known before it is known which build this is. */
    private Clause listedBuild(List<Route.Target> targets) {
        List<String> builds = all(targets, target -> target.builds().stream());
        if (targets.stream().allMatch(target -> target.anyBuild().isPresent())) {
            return anyBuild(targets);
        }
        if (builds.isEmpty()) {
            return Clause.of(
                    Fact.BUILD_NUMBER.label(),
                    Truth.NO,
                    "The route lists no exact builds, so by the exact school it must be left alone.");
        }
        Optional<BuildNames.Hit> hit =
                builds.stream().flatMap(build -> names.hit(build).stream()).findFirst();
        if (hit.isPresent()) {
            return sentences.told(
                    hit.get().fact(),
                    Truth.YES,
                    "Build %s is listed.".formatted(hit.get().value()));
        }
        Set<Fact> open = open(builds);
        if (!open.isEmpty()) {
            return Clause.asking(Fact.BUILD_NUMBER.label(), notListedYet(open, few(builds)), open);
        }
        return sentences.told(
                Fact.BUILD_NUMBER, Truth.NO, "%s is not listed; listed are %s.".formatted(names.words(), few(builds)));
    }

    private String notListedYet(Set<Fact> open, String listed) {
        return names.known().isEmpty()
                ? "Build number is not known; the exact build must be listed, and listed are %s.".formatted(listed)
                : "%s is not among %s, which may be of another kind: %s not known."
                        .formatted(names.words(), listed, labels(open));
    }

    /** Every build of the model will do, says somebody; of another OS version nobody speaks. */
    private Clause anyBuild(List<Route.Target> targets) {
        List<String> versions = all(targets, target -> target.osVersion().stream());
        String who = targets.get(0).anyBuild().orElseThrow();
        if (versions.isEmpty()) {
            return Clause.of(Fact.BUILD_NUMBER.label(), Truth.YES, "Every build of this model will do: " + who);
        }
        Optional<String> version = facts.value(Fact.OS_VERSION);
        if (version.isEmpty()) {
            return sentences.unknown(
                    Fact.OS_VERSION, "every build of %s will do: %s".formatted(few(versions), who), Optional.empty());
        }
        String reason = "OS version is %s; every build of %s will do: %s".formatted(version.get(), few(versions), who);
        return sentences.told(Fact.OS_VERSION, Truth.of(versions.contains(version.get())), reason);
    }

    private Set<Fact> open(List<String> listed) {
        Set<Fact> open = EnumSet.noneOf(Fact.class);
        listed.forEach(name -> open.addAll(names.open(name)));
        return open;
    }

    private Clause osVersion(List<Route.Target> targets) {
        List<String> versions = all(targets, target -> target.osVersion().stream());
        Optional<String> value = facts.value(Fact.OS_VERSION);
        if (versions.isEmpty()) {
            return Clause.of(Fact.OS_VERSION.label(), Truth.YES, "Made for every OS version of this model.");
        }
        if (value.isEmpty()) {
            return sentences.unknown(Fact.OS_VERSION, "this route is made for " + few(versions), Optional.empty());
        }
        return compared(value.get(), versions);
    }

    private Clause compared(String phone, List<String> versions) {
        if (versions.contains(phone)) {
            return sentences.told(Fact.OS_VERSION, Truth.YES, "Made for OS version %s.".formatted(phone));
        }
        List<Integer> orders = versions.stream()
                .map(version -> VersionOrder.againstLimit(phone, version))
                .flatMapToInt(OptionalInt::stream)
                .boxed()
                .toList();
        if (orders.isEmpty()) {
            return Clause.asking(
                    Fact.OS_VERSION.label(),
                    ConditionJudge.noOrder(Fact.OS_VERSION, phone, few(versions)),
                    Set.of(Fact.OS_VERSION));
        }
        String reason = "OS version is %s; this route was made for %s.".formatted(phone, few(versions));
        Clause clause = sentences.told(Fact.OS_VERSION, Truth.YES, reason);
        if (orders.contains(0)) {
            return clause;
        }
        return orders.stream().anyMatch(order -> order < 0)
                ? clause.doubting("The phone is older than the package: it mostly works.")
                : clause.doubting(
                        "Strong caution: the phone is newer than the package, which may no longer work on it.");
    }

    private Optional<Clause> bootloader(List<Route.Target> targets) {
        List<String> wanted = all(targets, target -> target.bootloader().stream());
        if (wanted.isEmpty()) {
            return Optional.empty();
        }
        Optional<String> value = facts.value(Fact.BOOTLOADER);
        if (value.isEmpty()) {
            return Optional.of(
                    sentences.unknown(Fact.BOOTLOADER, "this route is made for " + few(wanted), Optional.empty()));
        }
        boolean listed = wanted.contains(value.get());
        String reason = "Bootloader is %s; this route is made for %s.".formatted(value.get(), few(wanted));
        return Optional.of(sentences.told(Fact.BOOTLOADER, Truth.of(listed), reason));
    }

    private Clause notExcluded(List<Route.Exclusion> excluded) {
        for (Route.Exclusion exclusion : excluded) {
            Optional<BuildNames.Hit> hit = names.hit(exclusion.build());
            if (hit.isPresent()) {
                String reason = "Build %s is excluded: %s".formatted(hit.get().value(), exclusion.because());
                return sentences.told(hit.get().fact(), Truth.NO, reason);
            }
        }
        Set<Fact> open = open(excluded.stream().map(Route.Exclusion::build).toList());
        if (!open.isEmpty()) {
            String reason =
                    "Some builds are known not to work (%d), and whether this is one cannot be told: %s not known."
                            .formatted(excluded.size(), labels(open));
            return Clause.asking(Fact.BUILD_NUMBER.label(), reason, open);
        }
        String reason = "%s is not among the builds known to fail.".formatted(names.words());
        return sentences.told(Fact.BUILD_NUMBER, Truth.YES, reason);
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
