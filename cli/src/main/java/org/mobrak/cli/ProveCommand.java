package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.mobrak.app.ProofWords;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.proof.Ladder;
import org.mobrak.core.proof.ProofWarning;
import org.mobrak.core.proof.RootProof;
import org.mobrak.core.proof.Rung;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.StateProof;
import org.mobrak.core.proof.Strictness;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Is it really rooted? */
@Command(
        name = "prove",
        mixinStandardHelpOptions = true,
        description =
                "Says how far root is proved by what was seen, and what may be claimed; status 1 where no root is proved.")
final class ProveCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Inputs inputs;

    @Option(
            names = "--seen",
            paramLabel = "WHAT",
            description =
                    "In order of time: icon, manager-says, proof-app-yes, proof-app-no, granted, denied, uid0, restart, update, unrooted.")
    private List<String> seen = new ArrayList<>();

    @Option(
            names = "--words",
            paramLabel = "FILE",
            description = "What a manager or a proof app says, copied off its screen; counts after what was --seen.")
    private List<Path> words = new ArrayList<>();

    @Option(
            names = "--school",
            paramLabel = "SCHOOL",
            defaultValue = "strict",
            description = "strict (only a restart tells permanent root) or lenient (an icon counts).")
    private String school;

    @Override
    public Integer call() throws IOException {
        List<Seen> evidence = new ArrayList<>(seen.stream().map(this::seen).toList());
        for (Path file : words) {
            evidence.addAll(ProofWords.read(file));
        }
        Strictness strictness = strictness();
        Catalogue catalogue = inputs.catalogue(mobrak);
        Facts facts = (evidence.isEmpty()
                        ? inputs.identity(mobrak, catalogue)
                        : inputs.identityIfAny(mobrak, catalogue))
                .facts();
        RootProof root = Ladder.climb(evidence, facts, strictness);
        if (inputs.json()) {
            JsonAnswer.write(answer(root, facts), spec.commandLine().getOut());
        } else {
            print(root, facts, strictness, spec.commandLine().getOut());
        }
        return root.isProved() ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    private Seen seen(String word) {
        return Seen.ofWord(word)
                .orElseThrow(() -> wrong("“%s” is nothing to see; use one of %s."
                        .formatted(
                                word,
                                Arrays.stream(Seen.values()).map(Seen::word).collect(Collectors.joining(", ")))));
    }

    private Strictness strictness() {
        return Arrays.stream(Strictness.values())
                .filter(one -> one.word().equals(school))
                .findFirst()
                .orElseThrow(() -> wrong("“" + school + "” is no school of proof; use strict or lenient."));
    }

    private ParameterException wrong(String message) {
        return new ParameterException(spec.commandLine(), message);
    }

    private static ObjectNode answer(RootProof proof, Facts facts) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        ObjectNode root =
                answer.putObject("root").put("state", proof.state().word()).put("rung", proof.rung());
        ArrayNode rungs = root.putArray("rungs");
        for (Rung rung : Rung.values()) {
            rungs.addObject()
                    .put("rung", rung.number())
                    .put("name", rung.label())
                    .put(
                            "result",
                            Objects.requireNonNull(proof.rungs().get(rung)).word())
                    .put("how", rung.how());
        }
        proof.warnings().stream().map(ProofWarning::code).forEach(root.putArray("warnings")::add);
        proof.warnings().stream().map(ProofWarning::advice).forEach(root.putArray("advice")::add);
        state(Fact.RECOVERY, facts, answer.putObject("recovery"));
        state(Fact.WRITE_PROTECTION, facts, answer.putObject("writeProtection"));
        return answer;
    }

    private static void state(Fact fact, Facts facts, ObjectNode node) {
        StateProof proof = StateProof.of(fact, facts);
        node.put("state", proof.state().orElse("unknown")).put("because", proof.because());
    }

    private static void print(RootProof proof, Facts facts, Strictness strictness, PrintWriter out) {
        out.printf("Root: %s, rung %d of 6%n", proof.state().word(), proof.rung());
        for (Rung rung : Rung.values()) {
            out.printf(
                    "  %d  %-8s %s%n",
                    rung.number(),
                    Objects.requireNonNull(proof.rungs().get(rung)).word(),
                    rung.label());
        }
        out.printf("%s: %s%n", strictness.word(), strictness.reason());
        proof.warnings().forEach(warning -> out.printf("caution: %s%n", warning.advice()));
        Arrays.stream(Rung.values())
                .filter(rung -> rung.number() == proof.rung() + 1)
                .forEach(rung -> out.printf("Next: %s%n", rung.how()));
        for (Fact fact : List.of(Fact.RECOVERY, Fact.WRITE_PROTECTION)) {
            StateProof state = StateProof.of(fact, facts);
            out.printf("%s: %s. %s%n", fact.label(), state.state().orElse("unknown"), state.because());
        }
    }
}
