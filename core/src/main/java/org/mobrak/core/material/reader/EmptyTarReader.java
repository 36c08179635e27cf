package org.mobrak.core.material.reader;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;
import org.mobrak.core.material.Trailer;
import org.mobrak.core.material.TrailerDigest;

/**
 * A tar archive without members: nothing but the zeros that end one (IEEE Std 1003.1-2017, pax), and the line with its md5. Zeros
 * alone are no archive, so without the line it is nothing known.
 */
final class EmptyTarReader implements PartReader {
    /** Two records of zeros end an archive. */
    private static final int LEAST = 2 * 512;

    private static final int MOST = 1 << 20;

    @Override
    public FileKind kind() {
        return FileKind.TAR_MD5;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.length() >= LEAST && zeros(head.bytes(), LEAST) == LEAST;
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        if (piece.bytes().orElse(Long.MAX_VALUE) > MOST) {
            return Part.plain(piece.name(), piece.bytes(), FileKind.UNKNOWN);
        }
        byte[] bytes = piece.in().readNBytes(MOST);
        TrailerDigest digest = new TrailerDigest();
        digest.update(bytes, bytes.length);
        Optional<Trailer.Checked> trailer = digest.trailer()
                .filter(one -> zeros(bytes, bytes.length)
                        >= bytes.length - one.trailer().bytes());
        boolean first = piece.random().isPresent();
        trailer.filter(one -> !first && !one.valid()).ifPresent(one -> looker.tell(TarReader.trailerFault(piece, one)));
        FileKind kind = trailer.isPresent() ? FileKind.TAR_MD5 : FileKind.UNKNOWN;
        return new Part(piece.name(), piece.bytes(), kind, Optional.empty(), List.of());
    }

    /** With how many zeros some bytes begin. */
    private static int zeros(byte[] bytes, int most) {
        int count = 0;
        while (count < Math.min(most, bytes.length) && bytes[count] == 0) {
            count++;
        }
        return count;
    }
}
