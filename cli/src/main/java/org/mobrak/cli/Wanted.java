package org.mobrak.cli;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** What is wanted of a phone, as every command that plans takes it in. */
final class Wanted {
    @Spec(Spec.Target.MIXEE)
    private CommandLine.Model.CommandSpec spec;

    @Option(
            names = "--goal",
            paramLabel = "GOAL",
            description =
                    "root, recovery, custom-os, update-keep-root, write-protection-off, stock, mend:TROUBLE, or a part by its version such as radio=VERSION; joined with +.")
    private Optional<String> goal = Optional.empty();

    @Option(
            names = "--school",
            paramLabel = "SCHOOL",
            description = "exact or practical; without it, by what a route writes.")
    private Optional<String> school = Optional.empty();

    @Option(
            names = "--limit",
            paramLabel = "LIMIT",
            description = "no-data-loss, no-marks, no-blown-fuse, no-money or minutes=N.")
    private List<String> limits = new ArrayList<>();

    @Option(
            names = "--route",
            paramLabel = "ID",
            description = "A route of your own choice; several in their order. What their gates ask for is added.")
    private List<String> chosen = new ArrayList<>();

    /** Wrong words are told before anything is read. */
    void check() {
        wish();
    }

    Wish wish() {
        return new Wish(goal(), school(), limits());
    }

    /** The routes that were chosen by their ids, in that order. */
    List<Route> chosen(Catalogue catalogue) {
        return chosen.stream()
                .map(id -> catalogue
                        .route(id)
                        .orElseThrow(() -> wrong("There is no route “" + id + "” in this catalogue.")))
                .toList();
    }

    private Optional<School> school() {
        return school.map(this::named);
    }

    private Goal goal() {
        String known = Stream.concat(Goal.usual().stream(), Stream.of(Goal.HAND_ON))
                .map(Goal::key)
                .collect(Collectors.joining(", "));
        String word = goal.orElseThrow(() -> wrong("Missing required option: '--goal=GOAL'."));
        return Goal.ofKey(word)
                .orElseThrow(() -> wrong("“" + word + "” is no goal; the goals are " + known
                        + " and mend:TROUBLE, joined with +; as:KEY=VALUE,… for a phone as it was; and "
                        + String.join(", ", Goal.parts()) + " with =VERSION."));
    }

    private School named(String word) {
        return Arrays.stream(School.values())
                .filter(one -> one.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(() -> wrong("“" + word + "” is no school; use exact or practical."));
    }

    private Limits limits() {
        try {
            Limits all = Limits.none();
            for (String word : limits) {
                all = all.with(word);
            }
            return all;
        } catch (Refusal unknown) {
            throw wrong(unknown.getMessage());
        }
    }

    private CommandLine.ParameterException wrong(String message) {
        return new CommandLine.ParameterException(spec.commandLine(), message);
    }
}
