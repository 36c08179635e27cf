package org.mobrak.core.material.reader;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;
import org.mobrak.core.material.Trailer;
import org.mobrak.core.material.TrailerDigest;

/** A tar archive as POSIX has it (IEEE Std 1003.1-2017, pax), with GNU's long names, and the old form without a magic. */
final class TarReader implements PartReader {
    private static final int RECORD = 512;
    private static final int STEP = 1 << 16;
    private static final long LARGE = 64L << 20;
    private static final int MAGIC_AT = 257;
    private static final byte[] MAGIC = Fields.magic("7573746172");
    private static final int CHECKSUM_AT = 148;
    private static final int CHECKSUM_BYTES = 8;
    private static final Pattern OCTAL = Pattern.compile(" *([0-7]{1,7})[ \\x00]+");

    @Override
    public FileKind kind() {
        return FileKind.TAR;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.has(MAGIC_AT, MAGIC) || isOldHeader(head);
    }

    /** Without a magic only the checksum of the header tells; a header of zeros has none. */
    private static boolean isOldHeader(Fields head) {
        if (head.length() < RECORD || head.bytes()[0] == 0) {
            return false;
        }
        String stored = new String(head.bytes(), CHECKSUM_AT, CHECKSUM_BYTES, StandardCharsets.US_ASCII);
        Matcher octal = OCTAL.matcher(stored);
        return octal.matches() && Integer.parseInt(octal.group(1), 8) == checksum(head.bytes());
    }

    /** The sum of all bytes, those of the checksum itself taken for blanks. */
    private static int checksum(byte[] header) {
        int sum = CHECKSUM_BYTES * ' ';
        for (int i = 0; i < RECORD; i++) {
            boolean own = i >= CHECKSUM_AT && i < CHECKSUM_AT + CHECKSUM_BYTES;
            sum += own ? 0 : header[i] & 0xff;
        }
        return sum;
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        if (piece.random().isPresent()) {
            Members members = new Members(piece, looker, piece.in());
            looker.attempt(piece, members::run);
            boolean trailed = trailer(piece.random().get()).isPresent();
            return part(piece, trailed, members);
        }
        TrailerDigest digest = new TrailerDigest();
        Feed digested = new Feed(new Digested(piece.in(), digest));
        Members members = new Members(piece, looker, digested);
        looker.attempt(piece, () -> {
            members.run();
            digested.transferTo(OutputStream.nullOutputStream());
        });
        digest.trailer()
                .filter(trailer -> !trailer.valid())
                .ifPresent(trailer -> looker.tell(trailerFault(piece, trailer)));
        return part(piece, digest.trailer().isPresent(), members);
    }

    private static Part part(Piece piece, boolean trailed, Members members) {
        FileKind kind = trailed ? FileKind.TAR_MD5 : FileKind.TAR;
        return new Part(piece.name(), piece.bytes(), kind, Optional.empty(), members.inside);
    }

    static Finding trailerFault(Piece piece, Trailer.Checked trailer) {
        return Finding.stop(
                "trailer-mismatch",
                "“%s”: its last line says the md5 of what comes before is %s, but it is %s. Fetch it again."
                        .formatted(piece.path(), trailer.trailer().expected(), trailer.actual()));
    }

    private static Optional<Trailer> trailer(SeekableByteChannel file) throws IOException {
        ByteBuffer tail = ByteBuffer.allocate((int) Math.min(Trailer.MOST_BYTES, file.size()));
        file.position(file.size() - tail.capacity());
        while (tail.hasRemaining() && file.read(tail) >= 0) {
            // A channel may give less than was asked for.
        }
        return Trailer.in(tail.array());
    }

    /** Everything that is read goes through the digest as well; nothing can be skipped. */
    private static final class Digested extends FilterInputStream {
        private final TrailerDigest digest;

        Digested(InputStream in, TrailerDigest digest) {
            super(in);
            this.digest = digest;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            int read = super.read(into, offset, length);
            if (read > 0) {
                digest.update(Arrays.copyOfRange(into, offset, offset + read), read);
            }
            return read;
        }

        @Override
        public long skip(long count) throws IOException {
            byte[] passed = new byte[(int) Math.min(count, STEP)];
            return Math.max(0, read(passed, 0, passed.length));
        }
    }

    /** One way through the members. */
    private static final class Members {
        private final Piece piece;
        private final PieceInspector looker;
        private final Feed in;
        private final MemberNames names;
        private final List<Part> inside = new ArrayList<>();
        /** Never closed: that would close the stream it reads from, which is not its own. */
        private TarArchiveInputStream tar;

        Members(Piece piece, PieceInspector looker, Feed in) {
            this.piece = piece;
            this.looker = looker;
            this.in = in;
            this.names = new MemberNames(piece, looker);
            this.tar = new TarArchiveInputStream(in);
        }

        void run() throws IOException {
            long end = 0;
            for (TarArchiveEntry entry = tar.getNextEntry(); entry != null; entry = tar.getNextEntry()) {
                if (!looker.mayList(piece)) {
                    return;
                }
                member(entry);
                end = in.position();
            }
            if (in.position() < end + RECORD) {
                throw new Broken(
                        "truncated",
                        "it ends at byte %d without the empty blocks that close a tar archive"
                                .formatted(in.position()));
            }
        }

        private void member(TarArchiveEntry entry) throws IOException {
            names.check(entry.getName());
            if (entry.isLink() || entry.isSymbolicLink()) {
                looker.tell(Finding.caution(
                        "link",
                        "“%s”: “%s” is a link to “%s” and was not followed."
                                .formatted(piece.path(), entry.getName(), entry.getLinkName())));
            } else if (entry.isBlockDevice() || entry.isCharacterDevice() || entry.isFIFO()) {
                looker.tell(Finding.caution(
                        "special-file",
                        "“%s”: “%s” is a device or pipe, which no package needs."
                                .formatted(piece.path(), entry.getName())));
            } else if (!entry.isDirectory()) {
                content(entry);
            }
        }

        private void content(TarArchiveEntry entry) throws IOException {
            long start = in.position();
            long size = entry.getSize();
            if (piece.bytes().isPresent() && size > piece.bytes().getAsLong() - start) {
                looker.tell(Finding.stop(
                        "truncated",
                        "“%s”: “%s” should be %d bytes long, but only %d follow. Fetch it again."
                                .formatted(
                                        piece.path(),
                                        entry.getName(),
                                        size,
                                        piece.bytes().getAsLong() - start)));
            }
            // Holes are read as zeros that stand nowhere: what unfolds counts, as in everything that is packed.
            InputStream unfolded = entry.isSparse() ? looker.budget().meter(tar) : tar;
            inside.add(looker.look(piece.inside(entry.getName(), OptionalLong.of(entry.getRealSize()), unfolded)));
            if (entry.isSparse()) {
                unfolded.transferTo(OutputStream.nullOutputStream());
            } else {
                pass(start, size);
            }
        }

        /** Over what is left of a member. */
        private void pass(long start, long size) throws IOException {
            long left = size - (in.position() - start);
            if (left < LARGE) {
                in.pass(left);
                return;
            }
            // The library would walk through it in small steps; one that begins anew behind it knows no different.
            in.skipTo(start + (size + RECORD - 1) / RECORD * RECORD);
            tar = new TarArchiveInputStream(in);
        }
    }
}
