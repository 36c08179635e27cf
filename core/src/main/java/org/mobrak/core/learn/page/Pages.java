package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.identity.VisibleText;

/** Reads the bytes of a guide as a page, whatever they are written in. */
public final class Pages {
    private Pages() {}

    /** A line as a person reads it. */
    public record Shown(int number, String text) {}

    /** The lines of a guide: of a page without its markup, else as they were written. */
    public static List<Shown> shown(byte[] bytes) {
        Decoded decoded = Decoded.of(bytes);
        List<Shown> lines = new ArrayList<>();
        if (decoded.isHtml()) {
            for (Block block :
                    new HtmlPage("", new ArrayList<>()).read(decoded.text()).blocks()) {
                for (int line : block.text().allLines()) {
                    lines.add(new Shown(line, block.text().ofLine(line)));
                }
            }
            return lines;
        }
        for (String raw : decoded.text().split("\r\n|\n|\r", -1)) {
            lines.add(new Shown(lines.size() + 1, raw));
        }
        return lines;
    }

    private static final int MOST_TOLD = 20;

    /** Lines with characters that are not seen; they are left out. */
    private static List<Page.Oddity> hidden(String text) {
        List<Page.Oddity> found = new ArrayList<>();
        int line = 1;
        boolean told = false;
        for (int i = 0; i < text.length() && found.size() < MOST_TOLD; i++) {
            char one = text.charAt(i);
            if (one == '\n' || one == '\r' && (i + 1 == text.length() || text.charAt(i + 1) != '\n')) {
                line++;
                told = false;
            } else if (!told && one != '\r' && !Character.isSurrogate(one) && VisibleText.isHidden(one)) {
                told = true;
                found.add(new Page.Oddity(
                        "hidden-text", line, "Characters that are not seen stand in this line; they were left out."));
            }
        }
        return found;
    }

    public static Page of(String file, byte[] bytes) {
        Decoded decoded = Decoded.of(bytes);
        List<Page.Oddity> oddities = new ArrayList<>(decoded.oddities());
        oddities.addAll(hidden(decoded.text()));
        if (decoded.isHtml()) {
            return new HtmlPage(file, oddities).read(decoded.text());
        }
        String[] lines = decoded.text().split("\r\n|\n|\r", -1);
        if (Captions.are(lines)) {
            return new Captions(file, oddities).read(lines);
        }
        return Delimited.of(lines)
                .map(mark -> Delimited.read(file, lines, mark, oddities))
                .orElseGet(() -> new PlainPage(file, oddities).read(lines));
    }
}
