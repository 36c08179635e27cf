package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.apache.commons.io.FilenameUtils;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.VersionOrder;

/** Judges whether a route was made for this phone: model number, software and bootloader, by one of the two schools. */
final class TargetJudge {
    static final String EXCLUDED = "Excluded builds";

    private final Facts facts;
    private final School school;
    private final ConditionJudge sentences;

    TargetJudge(Facts facts, School school, ConditionJudge sentences) {
        this.facts = facts;
        this.school = school;
        this.sentences = sentences;
    }

    List<Clause> judge(Route.Scope scope) {
        List<Clause> clauses = new ArrayList<>();
        if (!scope.phones().isEmpty()) {
            Clause model = model(scope.phones());
            clauses.add(model);
            List<Route.Target> targets = model.result() == Truth.YES ? ofThisModel(scope) : scope.phones();
            if (model.result() != Truth.NO) {
                clauses.add(school == School.EXACT ? listedBuild(targets) : osVersion(targets));
                bootloader(targets).ifPresent(clauses::add);
            }
        }
        if (!scope.excludedBuilds().isEmpty()) {
            clauses.add(notExcluded(scope.excludedBuilds()));
        }
        return clauses;
    }

    private List<Route.Target> ofThisModel(Route.Scope scope) {
        String model = facts.value(Fact.MODEL).orElseThrow();
        return scope.phones().stream()
                .filter(target -> isLike(model, target.model()))
                .toList();
    }

    /** In a large catalogue most routes are for another model, so this is put together without format strings. */
    private Clause model(List<Route.Target> targets) {
        Optional<String> value = facts.value(Fact.MODEL);
        if (value.isEmpty()) {
            return sentences.unknown(Fact.MODEL, "this route is made for " + models(targets), Optional.empty());
        }
        for (Route.Target target : targets) {
            if (isLike(value.get(), target.model())) {
                return sentences.told(Fact.MODEL, Truth.YES, "Made for model number " + value.get() + ".");
            }
        }
        String reason = "Model number is " + value.get() + "; this route is made for " + models(targets)
                + ", and a sister variant's file can brick a phone.";
        return sentences.told(Fact.MODEL, Truth.NO, reason);
    }

    private static String models(List<Route.Target> targets) {
        return targets.size() == 1
                ? targets.get(0).model()
                : few(targets.stream().map(Route.Target::model).distinct().toList());
    }

    private Clause listedBuild(List<Route.Target> targets) {
        List<String> builds = targets.stream()
                .flatMap(target -> target.builds().stream())
                .distinct()
                .toList();
        Optional<String> value = facts.value(Fact.BUILD_NUMBER);
        if (value.isEmpty()) {
            return sentences.unknown(Fact.BUILD_NUMBER, "the exact build must be listed", Optional.empty());
        }
        if (builds.stream().anyMatch(build -> isLike(value.get(), build))) {
            return sentences.told(Fact.BUILD_NUMBER, Truth.YES, "Build %s is listed.".formatted(value.get()));
        }
        String reason = builds.isEmpty()
                ? "The route lists no exact builds, so by the exact school it must be left alone."
                : "Build %s is not listed; listed are %s.".formatted(value.get(), few(builds));
        return sentences.told(Fact.BUILD_NUMBER, Truth.NO, reason);
    }

    private Clause osVersion(List<Route.Target> targets) {
        List<String> versions = targets.stream()
                .flatMap(target -> target.osVersion().stream())
                .distinct()
                .toList();
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
        List<OptionalInt> orders = versions.stream()
                .map(version -> VersionOrder.compare(phone, version))
                .toList();
        if (orders.contains(OptionalInt.of(0))) {
            return sentences.told(Fact.OS_VERSION, Truth.YES, "Made for OS version %s.".formatted(phone));
        }
        String reason = "OS version is %s; this route was made for %s.".formatted(phone, few(versions));
        Clause clause = sentences.told(Fact.OS_VERSION, Truth.YES, reason);
        boolean older = orders.stream().flatMapToInt(OptionalInt::stream).anyMatch(order -> order < 0);
        return older
                ? clause.doubting("The phone is older than the package: it mostly works.")
                : clause.doubting(
                        "Strong caution: the phone is newer than the package, which may no longer work on it.");
    }

    private Optional<Clause> bootloader(List<Route.Target> targets) {
        List<String> wanted = targets.stream()
                .flatMap(target -> target.bootloader().stream())
                .distinct()
                .toList();
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
        Optional<String> value = facts.value(Fact.BUILD_NUMBER);
        if (value.isEmpty()) {
            return sentences.unknown(
                    Fact.BUILD_NUMBER, "%d builds are known not to work".formatted(excluded.size()), Optional.empty());
        }
        Optional<Route.Exclusion> hit = excluded.stream()
                .filter(exclusion -> isLike(value.get(), exclusion.build()))
                .findFirst();
        String reason = hit.map(
                        exclusion -> "Build %s is excluded: %s".formatted(exclusion.build(), exclusion.because()))
                .orElse("Build %s is not among the builds known to fail.".formatted(value.get()));
        Clause clause = sentences.told(Fact.BUILD_NUMBER, Truth.of(hit.isEmpty()), reason);
        return clause.named(EXCLUDED);
    }

    /** Lists may hold patterns, in which a star stands for any text. */
    private static boolean isLike(String value, String pattern) {
        return value.equals(pattern) || pattern.indexOf('*') >= 0 && FilenameUtils.wildcardMatch(value, pattern);
    }

    /** At most three by name, the others by number. */
    private static String few(List<String> names) {
        String first = String.join(", ", names.stream().limit(3).toList());
        return names.size() <= 3 ? first : first + " and " + (names.size() - 3) + " more";
    }
}
