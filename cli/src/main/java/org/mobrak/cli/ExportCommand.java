package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** A workspace as a zip. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description = "Writes a workspace, or what is kept of one phone, as a zip of documented JSON.")
final class ExportCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "WORKSPACE", description = "The folder of the workspace.")
    private Path workspace;

    @Option(names = "--to", required = true, paramLabel = "ZIP", description = "The file to write.")
    private Path zip;

    @Option(names = "--phone", paramLabel = "NAME", description = "Only the phone of this name.")
    private Optional<String> phone = Optional.empty();

    @Option(
            names = "--with-files",
            description = "The files that were looked into go along, as far as they are still what they were.")
    private boolean withFiles;

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        Map<String, Long> rows = mobrak.transfers().export(workspace, phone, withFiles, zip);
        if (json) {
            ObjectNode answer = JsonNodeFactory.instance.objectNode().put("file", zip.toString());
            ObjectNode counts = answer.putObject("rows");
            rows.forEach(counts::put);
            JsonAnswer.write(answer, spec.commandLine().getOut());
        } else {
            rows.forEach((kind, count) -> spec.commandLine().getOut().printf("%8d  %s%n", count, kind));
            spec.commandLine().getOut().println("Written: " + zip);
        }
        return Mobrak.DONE;
    }
}
