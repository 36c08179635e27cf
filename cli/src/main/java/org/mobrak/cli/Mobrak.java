package org.mobrak.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mobrak.core.catalogue.CatalogueCache;
import org.mobrak.core.catalogue.CatalogueLoader.Folders;
import org.mobrak.core.catalogue.CatalogueLoader.Loaded;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Spec;

/** The command line as a whole. */
@Command(
        name = "mobrak",
        mixinStandardHelpOptions = true,
        version = "Mobrak 0.1.0",
        description = "Says which phone this is, which routes fit it, and why the others do not.",
        subcommands = {
            IdentifyCommand.class,
            PlanCommand.class,
            CompareVersionsCommand.class,
            InspectCommand.class,
            VerifyCommand.class,
            CatalogueCommand.class,
            FactsCommand.class
        })
public final class Mobrak implements Runnable {
    static final int DONE = 0;
    static final int ANSWER_IS_NO = 1;
    static final int WRONG_USAGE = 2;
    static final int UNREADABLE = 3;

    private final InputStream standardInput;
    private final Clock clock;
    private final Path home;
    private final CatalogueCache cache;

    @Spec
    private CommandLine.Model.CommandSpec spec;

    /**
     * A command line.
     *
     * @param home where the shipped catalogue is
     * @param cache where what was read of catalogues may be kept
     */
    Mobrak(InputStream standardInput, Clock clock, Path home, Path cache) {
        this.standardInput = standardInput;
        this.clock = clock;
        this.home = home;
        this.cache = new CatalogueCache(cache);
    }

    public static void main(String[] arguments) {
        Path home = Path.of(System.getProperty("mobrak.home", "."));
        Path cache = Path.of(System.getProperty(
                "mobrak.cache", home.resolve("cli/target/cache").toString()));
        PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        System.exit(run(new Mobrak(System.in, Clock.systemUTC(), home, cache), out, err, arguments));
    }

    /** Runs one command and gives its exit status. */
    static int run(Mobrak mobrak, PrintWriter out, PrintWriter err, String... arguments) {
        // Numbers and days are written in one way, whatever the computer's locale; the words are English anyway.
        Locale.setDefault(Locale.ROOT);
        return new CommandLine(mobrak)
                .setOut(out)
                .setErr(err)
                .setParameterExceptionHandler(Mobrak::tellUsage)
                .setExecutionExceptionHandler(Mobrak::tellFailure)
                .execute(arguments);
    }

    private static int tellUsage(CommandLine.ParameterException wrong, String[] arguments) {
        String command = wrong.getCommandLine().getCommandSpec().qualifiedName();
        wrong.getCommandLine().getErr().println("mobrak: " + wrong.getMessage() + " See: " + command + " --help");
        return WRONG_USAGE;
    }

    private static int tellFailure(Exception failed, CommandLine command, CommandLine.ParseResult parsed)
            throws Exception {
        if (failed instanceof IOException unreadable) {
            command.getErr().println("mobrak: " + unreadable.getMessage());
            return UNREADABLE;
        }
        throw failed;
    }

    InputStream standardInput() {
        return standardInput;
    }

    Clock clock() {
        return clock;
    }

    /** The folders that are named, with the holes that ship; without any, what ships: the general catalogue and the demo's. */
    Folders catalogue(List<Path> named) {
        Path general = home.resolve("catalogue");
        return named.isEmpty()
                ? new Folders(List.of(general, home.resolve("demo/catalogue")), Optional.empty())
                : new Folders(named, Optional.of(general).filter(Files::isDirectory));
    }

    /** A catalogue as it was last read, or read anew if a file of it has changed. */
    Loaded load(Folders folders) throws IOException {
        return cache.load(folders);
    }

    @Override
    public void run() {
        throw new CommandLine.ParameterException(spec.commandLine(), "Which command?");
    }
}
