package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Candidates;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Who is this phone? */
@Command(name = "identify", mixinStandardHelpOptions = true, description = "Says which phone the readings are of.")
final class IdentifyCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Inputs inputs;

    @Option(names = "--each", description = "Each file is a phone of its own; folders stand for all files in them.")
    private boolean each;

    @Override
    public Integer call() throws IOException {
        PrintWriter out = spec.commandLine().getOut();
        Catalogue catalogue = inputs.catalogue(mobrak);
        if (each) {
            return new EachFile(
                            new PhoneInquiry(catalogue, mobrak.clock().instant()),
                            spec.commandLine().getErr())
                    .identify(inputs.files(), inputs.json(), out);
        }
        Identity identity = inputs.identity(mobrak, catalogue);
        if (inputs.json()) {
            JsonAnswer.write(JsonAnswer.identity(identity), out);
        } else {
            print(identity, out);
        }
        return Mobrak.DONE;
    }

    private static void print(Identity identity, PrintWriter out) {
        for (Fact fact : Fact.values()) {
            Belief belief = identity.facts().belief(fact);
            belief.value().ifPresent(value -> {
                String doubt = belief instanceof Belief.Conflicting ? "  (sources disagree)" : "";
                out.printf(
                        "%-24s %-44s %s%s%n",
                        fact.label(),
                        value.replace("\n", ", "),
                        belief.readings().get(0).place(),
                        doubt);
            });
        }
        for (Finding finding : identity.findings()) {
            out.printf(
                    "%s (%s): %s%n", finding.severity().word(), finding.sure().word(), finding.message());
        }
        if (identity.candidates().areOpen()) {
            printCandidates(identity.candidates(), out);
        }
    }

    private static void printCandidates(Candidates candidates, PrintWriter out) {
        out.println("It may be: "
                + candidates.variants().stream().map(one -> one.phone().model()).collect(Collectors.joining(", ")));
        candidates.separators().stream()
                .limit(3)
                .forEach(separator -> out.printf(
                        Locale.ROOT,
                        "To tell them apart, read: %s (%s), worth %.2f bits%n",
                        separator.fact().label(),
                        separator.fact().whereToRead(),
                        separator.bits()));
    }
}
