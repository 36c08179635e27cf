package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.concurrent.Callable;
import org.mobrak.core.catalogue.Identity;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
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

    @Override
    public Integer call() throws IOException {
        Identity identity = inputs.identity(mobrak, inputs.catalogue(mobrak));
        PrintWriter out = spec.commandLine().getOut();
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
                        "%-20s %-44s %s%s%n",
                        fact.label(), value, belief.readings().get(0).place(), doubt);
            });
        }
        for (Finding finding : identity.findings()) {
            out.println(finding.severity().word() + ": " + finding.message());
        }
    }
}
