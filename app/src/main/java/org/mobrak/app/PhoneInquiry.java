package org.mobrak.app;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.reader.FolderFiles;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Who a phone is, asked without a workspace: from texts and from what is said of it. Safe to use from several threads. */
public final class PhoneInquiry {
    private static final int MOST_DEPTH = 64;
    private static final int MOST_FILES = 1_000_000;
    /** So many files of a collection are held in memory at once. */
    private static final int BATCH = 64;

    private static final Logger LOG = LoggerFactory.getLogger(PhoneInquiry.class);

    private final Catalogue catalogue;
    private final Instant now;

    /**
     * An inquiry.
     *
     * @param now when the readings count as taken
     */
    public PhoneInquiry(Catalogue catalogue, Instant now) {
        this.catalogue = catalogue;
        this.now = now;
    }

    /** A file of a collection and who the phone in it is, or why it cannot be read. */
    public record Member(Path file, Optional<Identity> identity, String refusal) {}

    /** The text of a file; an {@link IOException} tells in a sentence why it cannot be read. */
    public static RawText text(Path file) throws IOException {
        return TextIntake.of(file);
    }

    /** The text of a stream. */
    public static RawText text(String name, InputStream stream) throws IOException {
        return TextIntake.of(name, stream);
    }

    /** Who the phone is by texts and by what a person said. */
    public Identity identify(List<RawText> texts, List<Reading> said) {
        List<Reading> readings = new ArrayList<>();
        List<Finding> findings = new ArrayList<>();
        for (RawText text : texts) {
            Parsed parsed = ReadingParser.parse(text, now);
            readings.addAll(parsed.readings());
            findings.addAll(parsed.findings());
        }
        readings.addAll(said);
        return Identity.of(catalogue, new Ledger(readings), findings);
    }

    /** Who the phone is by files. */
    public Identity identify(List<Path> files) throws IOException {
        List<RawText> texts = new ArrayList<>();
        for (Path file : files) {
            texts.add(text(file));
        }
        return identify(texts, List.of());
    }

    /** A phone for each file, folders opened. Files are read side by side, a batch at a time, so that memory is bounded. */
    public Stream<Member> identifyEach(List<Path> named) throws IOException {
        List<Path> files = new ArrayList<>();
        for (Path path : named) {
            if (Files.isDirectory(path)) {
                files.addAll(FolderFiles.of(path, MOST_DEPTH, MOST_FILES));
            } else {
                files.add(path);
            }
        }
        return Stream.iterate(0, start -> start < files.size(), start -> start + BATCH)
                .map(start -> files.subList(start, Math.min(files.size(), start + BATCH)).parallelStream()
                        .map(this::member)
                        .toList())
                .flatMap(List::stream);
    }

    private Member member(Path file) {
        try {
            return new Member(file, Optional.of(identify(List.of(file))), "");
        } catch (IOException refused) {
            return new Member(file, Optional.empty(), String.valueOf(refused.getMessage()));
        } catch (RuntimeException | StackOverflowError broken) {
            LOG.error("{} could not be read", file, broken);
            return new Member(file, Optional.empty(), file + " could not be read; the log says why. The others were.");
        }
    }
}
