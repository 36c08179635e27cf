package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.reader.FolderFiles;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A collection of phones, each in a file of its own. Files are read side by side, a batch at a time, so that memory is bounded
 * by the batch and not by the collection.
 */
final class EachFile {
    private static final int MOST_DEPTH = 64;
    private static final int MOST_FILES = 1_000_000;

    private static final int BATCH = 64;

    private static final Logger LOG = LoggerFactory.getLogger(EachFile.class);

    private final Catalogue catalogue;
    private final Instant now;
    private final PrintWriter err;

    /** A file and who the phone in it is, or why it cannot be read. */
    private record Outcome(Path file, Optional<Identity> identity, String refusal) {}

    EachFile(Catalogue catalogue, Instant now, PrintWriter err) {
        this.catalogue = catalogue;
        this.now = now;
        this.err = err;
    }

    /** Writes an answer for every file and gives the exit status; files that cannot be read are told and passed over. */
    int identify(List<Path> named, boolean json, PrintWriter out) throws IOException {
        List<Path> files = expand(named);
        int readable = json ? writeJson(files, out) : writeTable(files, out);
        return readable > 0 ? Mobrak.DONE : Mobrak.UNREADABLE;
    }

    private static List<Path> expand(List<Path> named) throws IOException {
        List<Path> files = new ArrayList<>();
        for (Path path : named) {
            if (Files.isDirectory(path)) {
                files.addAll(FolderFiles.of(path, MOST_DEPTH, MOST_FILES));
            } else {
                files.add(path);
            }
        }
        return files;
    }

    private int writeJson(List<Path> files, PrintWriter out) throws IOException {
        int readable = 0;
        try (JsonList phones = new JsonList("phones", out)) {
            for (List<Outcome> batch : (Iterable<List<Outcome>>) batches(files)::iterator) {
                for (Outcome outcome : batch) {
                    ObjectNode node = JsonNodeFactory.instance
                            .objectNode()
                            .put("file", outcome.file().toString());
                    outcome.identity()
                            .ifPresentOrElse(
                                    identity -> node.setAll(JsonAnswer.identity(identity)),
                                    () -> node.put("error", outcome.refusal()));
                    phones.add(node);
                    readable += tellIfRefused(outcome);
                }
            }
        }
        return readable;
    }

    private int writeTable(List<Path> files, PrintWriter out) {
        return batches(files)
                .flatMap(List::stream)
                .mapToInt(outcome -> {
                    outcome.identity()
                            .ifPresent(identity -> out.printf(
                                    "%-16s %-8s %-28s %2d odd  %s%n",
                                    value(identity, Fact.MODEL),
                                    value(identity, Fact.OS_VERSION),
                                    value(identity, Fact.BUILD_NUMBER),
                                    identity.findings().size(),
                                    outcome.file()));
                    return tellIfRefused(outcome);
                })
                .sum();
    }

    private static String value(Identity identity, Fact fact) {
        return identity.facts().value(fact).orElse("?");
    }

    private int tellIfRefused(Outcome outcome) {
        if (outcome.identity().isEmpty()) {
            err.println("mobrak: " + outcome.refusal());
        }
        return outcome.identity().isPresent() ? 1 : 0;
    }

    private Stream<List<Outcome>> batches(List<Path> files) {
        return Stream.iterate(0, start -> start < files.size(), start -> start + BATCH)
                .map(start -> files.subList(start, Math.min(files.size(), start + BATCH)).parallelStream()
                        .map(this::identify)
                        .toList());
    }

    private Outcome identify(Path file) {
        try {
            Parsed parsed = ReadingParser.parse(TextIntake.of(file), now);
            Identity identity = Identity.of(catalogue, new Ledger(parsed.readings()), parsed.findings());
            return new Outcome(file, Optional.of(identity), "");
        } catch (IOException refused) {
            return new Outcome(file, Optional.empty(), refused.getMessage());
        } catch (RuntimeException | StackOverflowError broken) {
            LOG.error("{} could not be read", file, broken);
            return new Outcome(file, Optional.empty(), file + " could not be read; the log says why. The others were.");
        }
    }
}
