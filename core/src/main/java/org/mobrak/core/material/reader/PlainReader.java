package org.mobrak.core.material.reader;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/** What no other reader knows: text, or nothing known. */
final class PlainReader implements PartReader {
    private static final List<String> KERNELS = List.of("zimage", "image", "kernel", "vmlinux", "boot");

    @Override
    public FileKind kind() {
        return FileKind.UNKNOWN;
    }

    @Override
    public boolean recognises(Fields head) {
        return true;
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        byte[] head = piece.in().head(PieceInspector.HEAD_BYTES);
        if (isText(head)) {
            return Part.plain(piece.name(), piece.bytes(), FileKind.TEXT);
        }
        Part unknown = Part.plain(piece.name(), piece.bytes(), FileKind.UNKNOWN);
        boolean small = piece.bytes().orElse(Long.MAX_VALUE) <= KernelReader.MOST_BYTES;
        return small && isCalledAKernel(unknown.plainName())
                ? KernelReader.plain(piece, looker).orElse(unknown)
                : unknown;
    }

    /** A kernel without any header shows by its own name for itself, which is looked for only where one is expected. */
    private static boolean isCalledAKernel(String name) {
        String plain = name.toLowerCase(Locale.ROOT);
        return KERNELS.stream().anyMatch(plain::startsWith);
    }

    /** UTF-8 without control characters; a character cut by the end of the head does not count against it. */
    private static boolean isText(byte[] head) {
        CharBuffer text = CharBuffer.allocate(head.length);
        boolean malformed = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .decode(ByteBuffer.wrap(head), text, false)
                .isError();
        return head.length > 0 && !malformed && isPrintable(text.flip());
    }

    /** A loop and not a stream of characters: archives have thousands of members. */
    private static boolean isPrintable(CharBuffer text) {
        while (text.hasRemaining()) {
            char c = text.get();
            if (c < ' ' && c != '\n' && c != '\r' && c != '\t' || c == 0x7f) {
                return false;
            }
        }
        return true;
    }
}
