package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.apache.commons.io.function.IOConsumer;
import org.mobrak.app.FileUse;
import org.mobrak.app.NamedFiles;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What is this file? */
@Command(
        name = "inspect",
        mixinStandardHelpOptions = true,
        description = "Says what files are from their bytes, and what they would write.")
final class InspectCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(
            arity = "1..*",
            paramLabel = "FILE",
            description = "Files; folders stand for all files in them; - reads standard input.")
    private List<String> files;

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Option(
            names = "--headers-only",
            description = "Read only headers, and work out no digests: quick with large files.")
    private boolean headersOnly;

    @Option(names = "--sha512", description = "Work out SHA-512 as well.")
    private boolean sha512;

    @Option(
            names = "--for",
            paramLabel = "READINGS",
            description = "Readings of the phone the files are for; what speaks against it is told too.")
    private List<String> readings = List.of();

    @Option(names = "--route", paramLabel = "ID", description = "The route that asks for the files.")
    private String route;

    @Option(
            names = "--needed",
            paramLabel = "NAME",
            description =
                    "Which of the route's files is meant, by the name it has there; else the one of the same name.")
    private String needed;

    @Override
    public Integer call() throws IOException {
        PrintWriter out = spec.commandLine().getOut();
        Optional<FileUse> use = use();
        PartitionNames names = use.map(FileUse::partitions).orElseGet(PartitionNames::usual);
        try (NamedFiles material = mobrak.files(spec.commandLine().getErr(), names)) {
            List<Path> named = material.find(files);
            if (json && named.size() != 1) {
                try (JsonList list = new JsonList("files", out)) {
                    look(material, named, use, inspection -> list.add(node(inspection)));
                }
            } else if (json) {
                look(material, named, use, inspection -> JsonAnswer.write(node(inspection), out));
            } else {
                look(material, named, use, new InspectionText(out)::print);
            }
            return material.isComplete() ? Mobrak.DONE : Mobrak.UNREADABLE;
        }
    }

    private void look(NamedFiles material, List<Path> named, Optional<FileUse> use, IOConsumer<Inspection> teller)
            throws IOException {
        material.inspect(
                named,
                wanted(),
                (file, found) -> teller.accept(
                        use.map(one -> one.judge(found)).orElse(found).at(material.shown(file))));
    }

    private static ObjectNode node(Inspection inspection) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        InspectionJson.write(inspection, node);
        return node;
    }

    /** What the files are for; empty where nothing was said of it. */
    private Optional<FileUse> use() throws IOException {
        if (readings.isEmpty() && route == null) {
            return Optional.empty();
        }
        Catalogue catalogue = mobrak.catalogues().load(List.of()).catalogue();
        Facts facts = new PhoneInquiry(catalogue, mobrak.clock().instant())
                .identify(readings.stream().map(Path::of).toList())
                .facts();
        Optional<Route> meant = catalogue.routes().stream()
                .filter(one -> one.id().equals(route))
                .findFirst();
        FileUse use = new FileUse(catalogue, facts, meant, Optional.ofNullable(needed));
        if (route != null && use.route().isEmpty()) {
            throw new ParameterException(spec.commandLine(), "The catalogue has no route “" + route + "”.");
        }
        return Optional.of(use);
    }

    private Set<Digest> wanted() {
        Set<Digest> wanted = EnumSet.noneOf(Digest.class);
        if (!headersOnly) {
            wanted.addAll(EnumSet.of(Digest.MD5, Digest.SHA1, Digest.SHA256, Digest.CRC32));
        }
        if (sha512) {
            wanted.add(Digest.SHA512);
        }
        return wanted;
    }
}
