package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.About;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/**
 * A zip archive, read by its central directory (.ZIP File Format Specification 6.3.10). One with a script for a recovery in
 * it is an update zip. A zip within another archive is laid into a private temporary file first, since it must be read from
 * its end.
 */
final class ZipReader implements PartReader {
    private static final byte[] MEMBER = Fields.magic("504b0304");
    private static final byte[] EMPTY = Fields.magic("504b0506");
    /** What a directory may hold; it is kept in memory whole. */
    private static final long MOST_DIRECTORY_BYTES = 8 << 20;
    /** What a zip within an archive may take in the temporary folder. */
    private static final long MOST_COPIED_BYTES = 2L << 30;
    /** Deflate cannot do better than 1,032 to 1; nothing that is not empty comes near. */
    private static final long EMPTY_RATIO = 500;

    private static final long LARGE = 64L << 20;

    @Override
    public FileKind kind() {
        return FileKind.ZIP;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.has(0, MEMBER) || head.has(0, EMPTY);
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        if (piece.random().isPresent()) {
            return read(piece, looker, piece.random().get());
        }
        Path copy = copy(piece, looker);
        try (SeekableByteChannel channel = FileChannel.open(copy, StandardOpenOption.READ)) {
            return read(piece, looker, channel);
        } finally {
            Files.delete(copy);
        }
    }

    private static Path copy(Piece piece, PieceInspector looker) throws IOException {
        Path copy = TemporaryFile.in(looker.temporary());
        try {
            TemporaryFile.fill(copy, piece, MOST_COPIED_BYTES);
            return copy;
        } catch (IOException | RuntimeException failed) {
            Files.delete(copy);
            throw failed;
        }
    }

    private static Part read(Piece piece, PieceInspector looker, SeekableByteChannel channel) throws IOException {
        BoundedChannel bounded = new BoundedChannel(channel, MOST_DIRECTORY_BYTES);
        ZipFile zip = ZipFile.builder()
                .setSeekableByteChannel(bounded)
                .setIgnoreLocalFileHeader(true)
                .get();
        bounded.free();
        Members members = new Members(piece, looker, zip, bounded);
        looker.attempt(piece, members::run);
        Optional<About> update = members.update.about().map(About.class::cast);
        FileKind kind = update.isPresent() ? FileKind.UPDATE_ZIP : FileKind.ZIP;
        return new Part(piece.name(), piece.bytes(), kind, update, members.inside);
    }

    /** One way through the members. */
    private static final class Members {
        private final Piece piece;
        private final PieceInspector looker;
        private final ZipFile zip;
        private final SeekableByteChannel channel;
        private final MemberNames names;
        private final UpdateReader update = new UpdateReader();
        private final List<Part> inside = new ArrayList<>();
        /** Told once: an archive made so has many. */
        private boolean twoViews;

        Members(Piece piece, PieceInspector looker, ZipFile zip, SeekableByteChannel channel) {
            this.piece = piece;
            this.looker = looker;
            this.zip = zip;
            this.channel = channel;
            this.names = new MemberNames(piece, looker);
        }

        void run() throws IOException {
            for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
                if (!looker.mayList(piece)) {
                    return;
                }
                names.check(entry.getName());
                place(entry);
                if (entry.isUnixSymlink()) {
                    looker.tell(Finding.caution(
                            "link",
                            "“%s”: “%s” is a link and was not followed.".formatted(piece.path(), entry.getName())));
                } else if (!entry.isDirectory()) {
                    member(entry);
                }
            }
        }

        private void place(ZipArchiveEntry entry) throws IOException {
            Optional<String> difference = twoViews ? Optional.empty() : LocalHeader.difference(channel, entry);
            difference.ifPresent(how -> {
                twoViews = true;
                looker.tell(Finding.stop(
                        "two-views",
                        "“%s”: its directory names “%s”, but %s. What a recovery finds in it may be another thing than what was looked at here."
                                .formatted(piece.path(), entry.getName(), how)));
            });
        }

        private void member(ZipArchiveEntry entry) throws IOException {
            OptionalLong size = entry.getSize() < 0 ? OptionalLong.empty() : OptionalLong.of(entry.getSize());
            if (!zip.canReadEntryData(entry)) {
                tellUnreadable(entry);
                inside.add(Part.plain(entry.getName(), size, FileKind.UNKNOWN));
                return;
            }
            if (entry.getSize() > LARGE && entry.getSize() / EMPTY_RATIO > entry.getCompressedSize()) {
                looker.tell(Finding.caution(
                        "unpacks-too-far",
                        "“%s”: “%s” unpacks from %d kB to %d MB. An empty image does that; so does a file made to fill a disk."
                                .formatted(
                                        piece.path(),
                                        entry.getName(),
                                        entry.getCompressedSize() / 1000,
                                        entry.getSize() / 1_000_000)));
            }
            List<Part> found = new ArrayList<>();
            Piece place = piece.inside(entry.getName(), size, InputStream.nullInputStream());
            looker.attempt(place, () -> found.add(content(entry, size)));
            inside.add(found.isEmpty() ? Part.plain(entry.getName(), size, FileKind.UNKNOWN) : found.get(0));
        }

        private Part content(ZipArchiveEntry entry, OptionalLong size) throws IOException {
            if (UpdateReader.reads(entry.getName())) {
                try (InputStream in = looker.budget().meter(zip.getInputStream(entry))) {
                    update.read(entry.getName(), in);
                }
            }
            try (InputStream in = looker.budget().meter(zip.getInputStream(entry))) {
                return looker.look(piece.inside(entry.getName(), size, in));
            }
        }

        private void tellUnreadable(ZipArchiveEntry entry) {
            boolean encrypted = entry.getGeneralPurposeBit().usesEncryption();
            looker.tell(Finding.caution(
                    encrypted ? "encrypted" : "unknown-compression",
                    (encrypted
                                    ? "“%s”: “%s” is encrypted; Mobrak cannot look into it and does not ask for passwords."
                                    : "“%s”: “%s” is packed in a way Mobrak does not know.")
                            .formatted(piece.path(), entry.getName())));
        }
    }
}
