package org.mobrak.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.app.NamedFiles;
import org.mobrak.app.Outlook;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.catalogue.file.TroubleLoader;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.mend.MendOdds;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** What {@code identify} and {@code plan} take in alike. */
final class Inputs {
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
        return catalogue(spec.commandLine(), mobrak, folders);
    }

    /** What follows for the phone from what is wanted, with the routes that were chosen. */
    Outlook outlook(Mobrak mobrak, Wanted wanted) throws IOException {
        Catalogue catalogue = catalogue(mobrak);
        List<Route> chosen = wanted.chosen(catalogue);
        Identity identity = identity(mobrak, catalogue);
        Wish wish = wanted.wish();
        Optional<String> trouble = wish.goal().mending();
        Map<String, Double> odds = trouble.isPresent()
                ? MendOdds.of(catalogue, troubles(mobrak, catalogue), identity.facts(), trouble.get())
                : Map.of();
        return Outlook.of(catalogue, identity, wish, odds).choosing(chosen);
    }

    /** What goes wrong and what mends it, by the same folders. */
    Troubles troubles(Mobrak mobrak, Catalogue catalogue) throws IOException {
        return troubles(spec.commandLine(), mobrak, folders, catalogue);
    }

    static Troubles troubles(CommandLine line, Mobrak mobrak, List<Path> folders, Catalogue catalogue)
            throws IOException {
        TroubleLoader.Loaded loaded = mobrak.catalogues().troubles(folders, catalogue);
        for (Fault fault : loaded.faults()) {
            line.getErr().println("mobrak: " + fault.text());
        }
        return loaded.troubles();
    }

    static Catalogue catalogue(CommandLine line, Mobrak mobrak, List<Path> folders) throws IOException {
        CatalogueLoader.Loaded loaded = mobrak.catalogues().load(folders);
        for (Fault fault : loaded.faults()) {
            line.getErr().println("mobrak: " + fault.text());
        }
        return loaded.catalogue();
    }

    /** Who the phone is by the files and what the user said. */
    Identity identity(Mobrak mobrak, Catalogue catalogue) throws IOException {
        if (files.isEmpty() && said.isEmpty()) {
            throw new CommandLine.ParameterException(spec.commandLine(), "Give at least one FILE or --set KEY=VALUE.");
        }
        return identity(mobrak, catalogue, files, said);
    }

    /** The same where something else than readings may be all that is given. */
    Identity identityIfAny(Mobrak mobrak, Catalogue catalogue) throws IOException {
        return identity(mobrak, catalogue, files, said);
    }

    private Identity identity(Mobrak mobrak, Catalogue catalogue, List<Path> files, List<String> said)
            throws IOException {
        return identity(spec.commandLine(), mobrak, catalogue, files, said);
    }

    /** Who a phone is by files and by words {@code KEY=VALUE}, for commands that take in more than one phone. */
    static Identity identity(CommandLine line, Mobrak mobrak, Catalogue catalogue, List<Path> files, List<String> said)
            throws IOException {
        Instant now = mobrak.clock().instant();
        List<RawText> texts = new ArrayList<>();
        for (Path file : files) {
            texts.add(text(file, mobrak));
        }
        List<Reading> typed = said.stream().map(word -> typed(line, word, now)).toList();
        return new PhoneInquiry(catalogue, now).identify(texts, typed);
    }

    private static RawText text(Path file, Mobrak mobrak) throws IOException {
        return file.toString().equals(NamedFiles.STANDARD_INPUT)
                ? PhoneInquiry.text("standard input", mobrak.standardInput())
                : PhoneInquiry.text(file);
    }

    private static Reading typed(CommandLine line, String word, Instant now) {
        try {
            return TypedReading.parse(word, now);
        } catch (Refusal wrong) {
            throw new CommandLine.ParameterException(line, wrong.getMessage(), wrong);
        }
    }
}
