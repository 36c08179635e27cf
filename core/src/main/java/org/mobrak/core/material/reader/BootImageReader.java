package org.mobrak.core.material.reader;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/** A boot image: a header, then kernel, ramdisk and the rest, each beginning on a page of its own. */
final class BootImageReader implements PartReader {
    private static final byte[] MAGIC = Fields.magic("414e44524f494421");

    @Override
    public FileKind kind() {
        return FileKind.BOOT_IMAGE;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.has(0, MAGIC);
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        BootHeader header = BootHeader.read(new Fields(piece.in().head(PieceInspector.HEAD_BYTES)));
        new BootHeaderCheck(piece, header.about()).findings().forEach(looker::tell);
        List<Part> inside = new ArrayList<>();
        looker.attempt(piece, () -> readSections(piece, header, looker, inside));
        return new Part(piece.name(), piece.bytes(), kind(), Optional.of(header.about()), inside);
    }

    private static void readSections(Piece piece, BootHeader header, PieceInspector looker, List<Part> inside)
            throws IOException {
        long needed = header.totalBytes();
        if (piece.bytes().isPresent() && piece.bytes().getAsLong() < needed) {
            // What is there is still read: its kernel may tell where the file came from.
            looker.tell(Finding.stop(
                    "truncated",
                    "“%s”: its header speaks of %d bytes, but there are only %d. Fetch it again."
                            .formatted(piece.path(), needed, piece.bytes().getAsLong())));
        }
        long place = header.pageSize();
        for (BootHeader.Section section : header.sections()) {
            if (section.bytes() > 0) {
                piece.in().skipTo(place);
                Piece whole = piece.section(section.name(), section.bytes());
                Piece part = ChipHeader.standsBefore(whole) ? ChipHeader.behind(whole) : whole;
                inside.add(
                        section.name().equals(BootHeader.KERNEL)
                                ? KernelReader.readAny(part, looker)
                                : looker.look(part));
                place += header.padded(section.bytes());
            }
        }
    }
}
