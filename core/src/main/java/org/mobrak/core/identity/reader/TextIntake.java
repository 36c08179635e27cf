package org.mobrak.core.identity.reader;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.io.ByteOrderMark;
import org.apache.commons.io.input.BOMInputStream;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.UnreadableInput;

/**
 * Takes text in from files, standard input and the clipboard, with bounded memory. The first mebibyte must look
 * like readings, else the rest is never touched; of what does, at most {@link #MOST_BYTES} are kept.
 */
public final class TextIntake {
    /** A long listing has some 1,500 lines and 80 KiB; a hundred times as much is no listing of one phone. */
    static final int MOST_BYTES = 8 << 20;

    /** The name of text that was pasted. */
    public static final String PASTED = "Pasted text";

    private static final int HEAD_BYTES = 1 << 20;

    /** Above this share of bytes that no text holds, a file counts as binary (our own choice). */
    private static final double BINARY_SHARE = 0.05;

    private TextIntake() {}

    /** What the user pasted or typed. Text that came through a clipboard has already been decoded. */
    public static RawText pasted(String text) throws UnreadableInput {
        return clean(PASTED, text.startsWith("\uFEFF") ? text.substring(1) : text, new ArrayList<>());
    }

    /** A file's text; every way in which that can fail is told as an {@link UnreadableInput}. */
    public static RawText of(Path file) throws IOException {
        String name = file.toString();
        if (Files.isDirectory(file)) {
            throw new UnreadableInput(
                    name + " is a folder; name the files in it, or take it as a collection (--each).");
        }
        try (InputStream in = Files.newInputStream(file)) {
            return of(name, in);
        } catch (NoSuchFileException missing) {
            throw new UnreadableInput(name + " does not exist; check the path.");
        } catch (AccessDeniedException denied) {
            throw new UnreadableInput(name + " may not be read; change its permissions or copy it.");
        }
    }

    /** A stream's text, for standard input and the like; the stream is left open. */
    public static RawText of(String name, InputStream stream) throws IOException {
        BOMInputStream in = BOMInputStream.builder()
                .setInputStream(stream)
                .setByteOrderMarks(ByteOrderMark.UTF_8, ByteOrderMark.UTF_16LE, ByteOrderMark.UTF_16BE)
                .get();
        Charset charset = in.hasBOM() ? Charset.forName(in.getBOMCharsetName()) : StandardCharsets.UTF_8;
        byte[] head = in.readNBytes(HEAD_BYTES);
        if (head.length == 0) {
            throw new UnreadableInput(name + " is empty; save the listing again.");
        }
        List<Finding> findings = new ArrayList<>();
        if (charset == StandardCharsets.UTF_8 && looksBinary(head)) {
            return clean(name, decode(beforeZeros(name, head, findings), charset, findings), findings);
        }
        if (head.length < HEAD_BYTES) {
            return clean(name, decode(head, charset, findings), findings);
        }
        if (!ReadingParser.looksLikeReadings(new String(head, charset))) {
            throw nothingIn(name);
        }
        return clean(name, decode(rest(name, head, in, findings), charset, findings), findings);
    }

    /** A copy of a whole partition, or one that broke off, ends in zeros: the text before them still counts. */
    private static byte[] beforeZeros(String name, byte[] head, List<Finding> findings) throws UnreadableInput {
        int end = 0;
        while (end < head.length && head[end] != 0) {
            end++;
        }
        byte[] text = Arrays.copyOf(head, end);
        boolean readings = end > 0
                && end < head.length
                && !looksBinary(text)
                && ReadingParser.looksLikeReadings(new String(text, StandardCharsets.UTF_8));
        if (!readings) {
            throw new UnreadableInput(name + " is a binary file, not text; give a property listing or a banner.");
        }
        findings.add(
                Finding.caution(
                        "incomplete",
                        name + " is text only up to byte " + end
                                + "; zeros and other bytes follow, which were left out. The copy may be incomplete: take it again."));
        return text;
    }

    private static byte[] rest(String name, byte[] head, InputStream in, List<Finding> findings) throws IOException {
        byte[] tail = in.readNBytes(MOST_BYTES - head.length);
        if (in.read() >= 0) {
            findings.add(Finding.caution(
                    "text-too-long",
                    name + " is longer than 8 MiB; the rest was not read. A listing of one phone is far shorter."));
        }
        byte[] bytes = Arrays.copyOf(head, head.length + tail.length);
        System.arraycopy(tail, 0, bytes, head.length, tail.length);
        return bytes;
    }

    private static RawText clean(String name, String text, List<Finding> findings) throws UnreadableInput {
        if (text.isBlank()) {
            throw new UnreadableInput(name + " is empty; there is nothing to read.");
        }
        if (!ReadingParser.looksLikeReadings(text)) {
            throw nothingIn(name);
        }
        if (text.indexOf('\0') < 0) {
            return new RawText(name, text, findings);
        }
        findings.add(Finding.caution(
                "nul-bytes", name + " holds NUL bytes; they were left out. The copy may be damaged: take it again."));
        return new RawText(name, text.replace("\0", ""), findings);
    }

    private static UnreadableInput nothingIn(String name) {
        return new UnreadableInput(name
                + " holds no reading Mobrak knows; give a property listing or file, a kernel banner, the lines of a phone's"
                + " screen or label, a battery status, a volume listing or a shell's identity.");
    }

    /** The quick way first; only a text with replacement characters in it needs the strict look. */
    private static String decode(byte[] bytes, Charset charset, List<Finding> findings) {
        String text = new String(bytes, charset);
        if (text.indexOf('\uFFFD') >= 0 && !isValid(bytes, charset)) {
            findings.add(Finding.caution(
                    "invalid-utf8", "Some bytes are no valid " + charset + " text; they are shown as \uFFFD."));
        }
        return text;
    }

    private static boolean isValid(byte[] bytes, Charset charset) {
        try {
            charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes));
            return true;
        } catch (CharacterCodingException broken) {
            return false;
        }
    }

    private static boolean looksBinary(byte[] bytes) {
        int odd = 0;
        for (byte b : bytes) {
            boolean control = b >= 0 && b < 0x20 && b != '\t' && b != '\n' && b != '\r' && b != '\f' && b != 0x1B;
            odd += control ? 1 : 0;
        }
        return odd > Math.max(8, bytes.length * BINARY_SHARE);
    }
}
