package org.mobrak.cli;

import java.io.BufferedOutputStream;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Locale;
import org.mobrak.app.Catalogues;
import org.mobrak.app.NamedFiles;
import org.mobrak.app.Transfers;
import org.mobrak.core.material.PartitionNames;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
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
            SheetCommand.class,
            RehearseCommand.class,
            CompareVersionsCommand.class,
            InspectCommand.class,
            VerifyCommand.class,
            ProveCommand.class,
            CompareCommand.class,
            DiagnoseCommand.class,
            AppsCommand.class,
            PatchCommand.class,
            LearnCommand.class,
            CatalogueCommand.class,
            ExportCommand.class,
            ReportCommand.class,
            RemindersCommand.class,
            ImportCommand.class,
            CheckCommand.class,
            SearchCommand.class,
            FactsCommand.class
        })
public final class Mobrak implements Runnable {
    static final int DONE = 0;
    static final int ANSWER_IS_NO = 1;
    static final int WRONG_USAGE = 2;
    static final int UNREADABLE = 3;
    static final int INSIDE = 4;

    private static final Logger LOG = LoggerFactory.getLogger(Mobrak.class);

    private final InputStream standardInput;
    private final Clock clock;
    private final Catalogues catalogues;
    private final Transfers transfers;

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
        this.catalogues = new Catalogues(home, cache);
        this.transfers = new Transfers(home, cache, clock);
    }

    public static void main(String[] arguments) {
        Path home = Path.of(System.getProperty("mobrak.home", "."));
        Path cache =
                Path.of(System.getProperty("mobrak.cache", System.getProperty("user.home", ".") + "/.cache/mobrak"));
        // Not by System.out, which keeps it to itself when the disk is full.
        PrintWriter out = writer(FileDescriptor.out);
        PrintWriter err = writer(FileDescriptor.err);
        System.exit(run(new Mobrak(System.in, Clock.systemDefaultZone(), home, cache), out, err, arguments));
    }

    private static PrintWriter writer(FileDescriptor stream) {
        OutputStream bytes = new UntilShut(new BufferedOutputStream(new FileOutputStream(stream)));
        return new PrintWriter(new OutputStreamWriter(bytes, StandardCharsets.UTF_8), true);
    }

    /** Whoever reads only the beginning of an answer shuts the pipe; that is no error, and the rest is not wanted. */
    private static final class UntilShut extends FilterOutputStream {
        private boolean shut;

        UntilShut(OutputStream out) {
            super(out);
        }

        @Override
        public void write(byte[] bytes, int offset, int length) throws IOException {
            unlessShut(() -> out.write(bytes, offset, length));
        }

        @Override
        public void flush() throws IOException {
            unlessShut(out::flush);
        }

        private void unlessShut(Writing writing) throws IOException {
            try {
                if (!shut) {
                    writing.run();
                }
            } catch (IOException failed) {
                shut = "Broken pipe".equals(failed.getMessage());
                if (!shut) {
                    throw failed;
                }
            }
        }
    }

    /** Something that writes. */
    private interface Writing {
        void run() throws IOException;
    }

    /** Runs one command and gives its exit status. */
    static int run(Mobrak mobrak, PrintWriter rawOut, PrintWriter rawErr, String... arguments) {
        PrintWriter out = new SafeWriter(rawOut);
        PrintWriter err = new SafeWriter(rawErr);
        // Numbers and days are written in one way, whatever the computer's locale; the words are English anyway.
        Locale.setDefault(Locale.ROOT);
        CommandLine line = new CommandLine(mobrak)
                .setExpandAtFiles(false)
                .setColorScheme(CommandLine.Help.defaultColorScheme(CommandLine.Help.Ansi.OFF))
                .setOut(out)
                .setErr(err)
                .setParameterExceptionHandler(Mobrak::tellUsage)
                .setExecutionExceptionHandler(Mobrak::tellFailure);
        int status = execute(line, arguments);
        // The gate does not see what its own writer kept to itself.
        if (out.checkError() || rawOut.checkError()) {
            err.println("mobrak: The answer could not be written; is the disk full?");
            return INSIDE;
        }
        return status;
    }

    /** A stack or a memory that ran out is told like any other defect. */
    private static int execute(CommandLine line, String... arguments) {
        try {
            return line.execute(arguments);
        } catch (Error broken) {
            return tellDefect(broken, line.getErr());
        }
    }

    private static int tellUsage(CommandLine.ParameterException wrong, String[] arguments) {
        String command = wrong.getCommandLine().getCommandSpec().qualifiedName();
        wrong.getCommandLine().getErr().println("mobrak: " + wrong.getMessage() + " See: " + command + " --help");
        return WRONG_USAGE;
    }

    private static int tellFailure(Exception failed, CommandLine command, CommandLine.ParseResult parsed) {
        if (failed instanceof IOException unreadable) {
            command.getErr().println("mobrak: " + unreadable.getMessage());
            return UNREADABLE;
        }
        if (failed instanceof InvalidPathException noPath) {
            command.getErr().println("mobrak: This cannot be a file's name here: " + noPath.getReason() + ".");
            return UNREADABLE;
        }
        return tellDefect(failed, command.getErr());
    }

    private static int tellDefect(Throwable failed, PrintWriter err) {
        LOG.error("a command failed", failed);
        String what = failed instanceof OutOfMemoryError
                ? "The memory did not suffice"
                : "Something went wrong inside Mobrak";
        err.println("mobrak: " + what + "; the log says more: " + System.getProperty("mobrak.log", "(no log)"));
        return INSIDE;
    }

    InputStream standardInput() {
        return standardInput;
    }

    Clock clock() {
        return clock;
    }

    Transfers transfers() {
        return transfers;
    }

    Catalogues catalogues() {
        return catalogues;
    }

    /** Files to look into; those that cannot be read are told on standard error. */
    NamedFiles files(PrintWriter err, PartitionNames names) throws IOException {
        return new NamedFiles(standardInput, refusal -> err.println("mobrak: " + refusal), names);
    }

    @Override
    public void run() {
        throw new CommandLine.ParameterException(spec.commandLine(), "Which command?");
    }
}
