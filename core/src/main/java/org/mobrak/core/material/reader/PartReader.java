package org.mobrak.core.material.reader;

import java.io.IOException;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/** Reads one kind of piece. */
interface PartReader {
    /** What it is called when it turns out to be broken. */
    FileKind kind();

    /**
     * Whether a piece is of this kind.
     *
     * @param head its first {@value PieceInspector#HEAD_BYTES} bytes, or all of it
     */
    boolean recognises(Fields head);

    /** Reads a piece as far as it makes sense; what is wrong is told to the looker or thrown. */
    Part read(Piece piece, PieceInspector looker) throws IOException;
}
