package org.mobrak.cli;

import java.util.concurrent.Callable;
import org.mobrak.core.catalogue.FactTable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** What can be known of a phone, for those who write catalogues. */
@Command(
        name = "facts",
        mixinStandardHelpOptions = true,
        description = "Prints the list of all facts with their words, as Markdown.")
final class FactsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        spec.commandLine().getOut().print(FactTable.markdown());
        spec.commandLine().getOut().flush();
        return Mobrak.DONE;
    }
}
