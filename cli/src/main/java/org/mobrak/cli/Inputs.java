package org.mobrak.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.CatalogueLoader;
import org.mobrak.core.catalogue.Fault;
import org.mobrak.core.catalogue.Identity;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** What {@code identify} and {@code plan} take in alike. */
final class Inputs {
    private static final String STANDARD_INPUT = "-";

    @Spec(Spec.Target.MIXEE)
    private CommandLine.Model.CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "Readings of any form, and folders of them; - is standard input.")
    private List<Path> files = new ArrayList<>();

    @Option(names = "--set", paramLabel = "KEY=VALUE", description = "A fact you know yourself; may be repeated.")
    private List<String> said = new ArrayList<>();

    @Option(
            names = "--catalogue",
            paramLabel = "DIR",
            description = "Another catalogue than the shipped one; several are taken as one.")
    private List<Path> folders = new ArrayList<>();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    List<Path> files() {
        if (files.isEmpty()) {
            throw new CommandLine.ParameterException(spec.commandLine(), "Give at least one FILE.");
        }
        return files;
    }

    boolean json() {
        return json;
    }

    /** Loads the catalogue; a fault in a file is told on standard error, and the other files serve. */
    Catalogue catalogue(Mobrak mobrak) throws IOException {
        CatalogueLoader.Loaded loaded = mobrak.load(mobrak.catalogue(folders));
        for (Fault fault : loaded.faults()) {
            spec.commandLine().getErr().println("mobrak: " + fault.text());
        }
        return loaded.catalogue();
    }

    /** Who the phone is by the files and what the user said. */
    Identity identity(Mobrak mobrak, Catalogue catalogue) throws IOException {
        if (files.isEmpty() && said.isEmpty()) {
            throw new CommandLine.ParameterException(spec.commandLine(), "Give at least one FILE or --set KEY=VALUE.");
        }
        Instant now = mobrak.clock().instant();
        List<Reading> readings = new ArrayList<>();
        List<Finding> findings = new ArrayList<>();
        for (Path file : files) {
            Parsed parsed = ReadingParser.parse(text(file, mobrak), now);
            readings.addAll(parsed.readings());
            findings.addAll(parsed.findings());
        }
        for (String word : said) {
            readings.add(typed(word, now));
        }
        return Identity.of(catalogue, new Ledger(readings), findings);
    }

    private RawText text(Path file, Mobrak mobrak) throws IOException {
        return file.toString().equals(STANDARD_INPUT)
                ? TextIntake.of("standard input", mobrak.standardInput())
                : TextIntake.of(file);
    }

    private Reading typed(String word, Instant now) {
        try {
            return TypedReading.parse(word, now);
        } catch (IllegalArgumentException wrong) {
            throw new CommandLine.ParameterException(spec.commandLine(), wrong.getMessage(), wrong);
        }
    }
}
