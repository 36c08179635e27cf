package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What is known of a phone and was done to it. */
@Command(
        name = "report",
        mixinStandardHelpOptions = true,
        description = "Writes what is known of a phone and was done to it: HTML, Markdown or CSV, by the file's name.")
final class ReportCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "WORKSPACE", description = "The folder of the workspace.")
    private Path workspace;

    @Option(names = "--phone", required = true, paramLabel = "NAME", description = "The phone of this name.")
    private String phone;

    @Option(
            names = "--to",
            required = true,
            paramLabel = "FILE",
            description =
                    "A file that ends in .html, .md or .csv; may be given several times. In .csv a cell that begins like a formula gets an apostrophe.")
    private List<Path> files = new ArrayList<>();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        mobrak.transfers().report(workspace, phone, files);
        if (json) {
            ObjectNode answer = JsonNodeFactory.instance.objectNode().put("phone", phone);
            ArrayNode written = answer.putArray("written");
            files.forEach(file -> written.add(file.toString()));
            JsonAnswer.write(answer, spec.commandLine().getOut());
        } else {
            files.forEach(file -> spec.commandLine().getOut().println("Written: " + file));
        }
        return Mobrak.DONE;
    }
}
