package org.mobrak.core.learn.page;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.mobrak.core.identity.VisibleText;

/**
 * The bytes of a guide as text.
 *
 * @param oddities what was odd about the bytes
 */
public record Decoded(String text, List<Page.Oddity> oddities) {
    /** A thread of a hundred pages has less; our own choice. */
    public static final int MOST_BYTES = 8 << 20;

    public Decoded {
        oddities = List.copyOf(oddities);
    }

    public static Decoded of(byte[] bytes) {
        List<Page.Oddity> oddities = new ArrayList<>();
        byte[] held = bytes;
        if (bytes.length > MOST_BYTES) {
            oddities.add(new Page.Oddity("cut-off", 1, "The text is longer than 8 MiB; the rest was not read."));
            held = Arrays.copyOf(bytes, MOST_BYTES);
        }
        if (starts(held, 0xff, 0xfe)) {
            return new Decoded(new String(held, StandardCharsets.UTF_16LE).substring(1), oddities);
        }
        if (starts(held, 0xfe, 0xff)) {
            return new Decoded(new String(held, StandardCharsets.UTF_16BE).substring(1), oddities);
        }
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(held))
                    .toString();
            return new Decoded(text.startsWith("\ufeff") ? text.substring(1) : text, oddities);
        } catch (CharacterCodingException other) {
            oddities.add(new Page.Oddity(
                    "encoding", 1, "The text is no UTF-8; it was read as windows-1252, the usual one of old pages."));
            return new Decoded(new String(held, Charset.forName("windows-1252")), oddities);
        }
    }

    private static boolean starts(byte[] bytes, int first, int second) {
        return bytes.length > 1 && (bytes[0] & 0xff) == first && (bytes[1] & 0xff) == second;
    }

    /** Whether it is a page with tags. */
    public boolean isHtml() {
        String head = text.substring(0, Math.min(text.length(), 4_000)).toLowerCase(Locale.ROOT);
        return List.of("<html", "<!doctype html", "<body", "<p>", "<table", "<ol>", "<ul>", "<li>", "<div", "<h1")
                .stream()
                .anyMatch(head::contains);
    }

    /** Only what is seen; everything else never reaches a draft. */
    static String seen(String text) {
        if (text.codePoints().noneMatch(VisibleText::isHidden)) {
            return text;
        }
        StringBuilder seen = new StringBuilder(text.length());
        text.codePoints().filter(point -> !VisibleText.isHidden(point)).forEach(seen::appendCodePoint);
        return seen.toString();
    }
}
