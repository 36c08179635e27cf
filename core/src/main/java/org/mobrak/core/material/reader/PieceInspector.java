package org.mobrak.core.material.reader;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Part;

/** Looks into one file: finds the reader of each piece, keeps within the limits, gathers the findings. */
final class PieceInspector {
    /** How far the readers look to know their kind: past the superblock of a file system. */
    static final int HEAD_BYTES = 4096;

    private static final int MOST_DEPTH = 8;
    /** More findings than this say nothing new. */
    private static final int MOST_FINDINGS = 200;

    private static final int MOST_PARTS = 100_000;

    private static final PlainReader PLAIN = new PlainReader();
    private static final List<PartReader> READERS = List.of(
            new BootImageReader(),
            new SparseReader(),
            new ZipReader(),
            new PackedReader(),
            new KernelReader(),
            new ElfReader(),
            new TarReader(),
            new Ext4Reader(),
            new EmptyTarReader(),
            PLAIN);

    private final Path temporary;
    private final Budget budget;
    private final List<Finding> findings = new ArrayList<>();
    private int parts;

    /** Something that reads a piece and may fail. */
    interface Attempt {
        void run() throws IOException;
    }

    /**
     * A looker for one file.
     *
     * @param temporary a private folder for what must be unpacked to be read
     * @param fileBytes the file's size; how much may be unpacked follows from it
     */
    PieceInspector(Path temporary, long fileBytes) {
        this.temporary = temporary;
        this.budget = new Budget(fileBytes);
    }

    Path temporary() {
        return temporary;
    }

    Budget budget() {
        return budget;
    }

    List<Finding> findings() {
        return findings;
    }

    void tell(Finding finding) {
        if (findings.size() < MOST_FINDINGS) {
            findings.add(finding);
        }
    }

    /** Whether another member may be listed; says so once where not. */
    boolean mayList(Piece archive) {
        parts++;
        if (parts == MOST_PARTS) {
            tell(Finding.caution(
                    "too-many-members",
                    "“%s” has more than %d members; the rest were not looked at."
                            .formatted(archive.path(), MOST_PARTS)));
        }
        return parts < MOST_PARTS;
    }

    /** What a piece is, and all that lies in it. */
    Part look(Piece piece) throws IOException {
        Fields head = new Fields(piece.in().head(HEAD_BYTES));
        PartReader reader =
                READERS.stream().filter(one -> one.recognises(head)).findFirst().orElse(PLAIN);
        if (piece.depth() > MOST_DEPTH) {
            tell(Finding.caution(
                    "nested-too-deep",
                    "“%s” lies more than %d archives deep and was not looked into."
                            .formatted(piece.path(), MOST_DEPTH)));
            return Part.plain(piece.name(), piece.bytes(), reader.kind());
        }
        List<Part> found = new ArrayList<>();
        attempt(piece, () -> found.add(reader.read(piece, this)));
        return found.isEmpty() ? Part.plain(piece.name(), piece.bytes(), reader.kind()) : found.get(0);
    }

    /**
     * Runs a reader over a piece; whatever is wrong with the piece becomes a finding. Only a file that cannot be read, or a
     * person who cancels, ends the looking.
     */
    void attempt(Piece piece, Attempt reading) throws IOException {
        try {
            reading.run();
        } catch (SourceFailed | ClosedByInterruptException ofTheFile) {
            throw ofTheFile;
        } catch (Broken broken) {
            tell(Finding.stop(broken.code(), "“%s”: %s.".formatted(piece.path(), broken.getMessage())));
        } catch (NoClassDefFoundError missing) {
            // The library for archives hands rare compressions to libraries of their own, which are not here.
            tell(Finding.caution(
                    "unknown-compression", "“%s” is packed in a way Mobrak does not know.".formatted(piece.path())));
        } catch (IOException | RuntimeException ofTheLibrary) {
            if (isKnownToBeCut()) {
                // What else is wrong follows from that.
                return;
            }
            // The libraries for archives tell of damage by whatever exception their arithmetic runs into.
            Throwable first = ofTheLibrary;
            while (first.getCause() != null) {
                first = first.getCause();
            }
            String why = first.getMessage() == null ? first.getClass().getSimpleName() : first.getMessage();
            tell(Finding.stop(
                    "damaged",
                    "“%s” is damaged or cut short (%s). Fetch it again."
                            .formatted(piece.path(), why.lines().findFirst().orElse(""))));
        }
    }

    private boolean isKnownToBeCut() {
        return findings.stream().anyMatch(finding -> finding.code().equals("truncated"));
    }
}
