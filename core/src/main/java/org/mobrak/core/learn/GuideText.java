package org.mobrak.core.learn;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import org.mobrak.core.identity.VisibleText;

/**
 * The bytes of a guide as lines without markup, each with its number in the source: plain text, Markdown, BBCode, HTML, and tables
 * in any of them or as CSV. What is struck out is left out, scripts and styles are never looked at, quotes are told apart.
 */
final class GuideText {
    /** A thread of a hundred pages has less; our own choice. */
    static final int MOST_BYTES = 8 << 20;

    /** No page that people write nests deeper; what does is read as one line. */
    private static final int DEEPEST = 200;

    private static final int LONGEST_LINE = 10_000;
    private static final int MOST_CELLS = 60;
    private static final Pattern TAG = Pattern.compile("\\[/?[a-zA-Z*]{1,12}(?:=[^\\]\\n]{0,300})?\\]");
    private static final Pattern STRUCK =
            Pattern.compile("(?i)\\[(?:s|strike)\\][^\\[]{0,2000}\\[/(?:s|strike)\\]|~~[^~]{1,2000}~~");
    /** A star within a model number is a pattern and no emphasis. */
    private static final Pattern EMPHASIS = Pattern.compile("(?<![\\w*])\\*([^*\\n]{1,80})\\*(?![\\w*])");

    /** Two columns are a table only below a head that says so. */
    private static final Pattern HEAD = Pattern.compile("(?i)\"?(?:model|models|phone|device)s?\"?,[^,]{1,60}");

    private static final Pattern COMMAS = Pattern.compile("[^,\"]{1,60},[^,\"]{0,80},[^\"]{0,400}");
    private static final Pattern NUMBERED = Pattern.compile("^(?:step )?\\d{1,3}[.):]\\s+", Pattern.CASE_INSENSITIVE);
    /** When something was said in a chat, and by whom. */
    private static final Pattern CHAT =
            Pattern.compile("^\\[?\\d{1,2}:\\d{2}(?::\\d{2})?\\]?\\s{1,4}<?[\\w .-]{1,24}[:>]\\s{1,4}");

    private static final Pattern BULLET = Pattern.compile("^[-*•+]\\s+");

    private final String file;
    private final List<GuideLine> lines = new ArrayList<>();
    private final List<Lesson.Warning> warnings = new ArrayList<>();

    private GuideText(String file) {
        this.file = file;
    }

    /** A text taken apart. */
    record Read(List<GuideLine> lines, List<Lesson.Warning> warnings) {}

    static Read of(String file, byte[] bytes) {
        GuideText text = new GuideText(file);
        String decoded = text.decode(bytes);
        if (isHtml(decoded)) {
            text.html(decoded);
        } else {
            text.plain(decoded);
        }
        return new Read(text.lines, text.warnings);
    }

    /** The lines of a guide as a person reads them: of a page without its markup, else as they were written. */
    static List<GuideLine> shown(String file, byte[] bytes) {
        GuideText text = new GuideText(file);
        String decoded = text.decode(bytes);
        if (isHtml(decoded)) {
            text.html(decoded);
            return text.lines;
        }
        List<GuideLine> lines = new ArrayList<>();
        for (String raw : decoded.split("\r\n|\n|\r", -1)) {
            lines.add(new GuideLine(file, lines.size() + 1, raw, GuideLine.Kind.TEXT, List.of()));
        }
        return lines;
    }

    /** The text of a guide's bytes. */
    static String decoded(byte[] bytes) {
        return new GuideText("").decode(bytes);
    }

    private String decode(byte[] bytes) {
        byte[] held = bytes;
        if (bytes.length > MOST_BYTES) {
            warnings.add(new Lesson.Warning("cut-off", 1, "The text is longer than 8 MiB; the rest was not read."));
            held = Arrays.copyOf(bytes, MOST_BYTES);
        }
        if (starts(held, 0xff, 0xfe)) {
            return new String(held, StandardCharsets.UTF_16LE).substring(1);
        }
        if (starts(held, 0xfe, 0xff)) {
            return new String(held, StandardCharsets.UTF_16BE).substring(1);
        }
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(held))
                    .toString();
            return text.startsWith("\ufeff") ? text.substring(1) : text;
        } catch (CharacterCodingException other) {
            warnings.add(new Lesson.Warning(
                    "encoding", 1, "The text is no UTF-8; it was read as windows-1252, the usual one of old pages."));
            return new String(held, Charset.forName("windows-1252"));
        }
    }

    private static boolean starts(byte[] bytes, int first, int second) {
        return bytes.length > 1 && (bytes[0] & 0xff) == first && (bytes[1] & 0xff) == second;
    }

    private static boolean isHtml(String text) {
        String head = text.substring(0, Math.min(text.length(), 4_000)).toLowerCase(Locale.ROOT);
        return head.contains("<html")
                || head.contains("<!doctype html")
                || head.contains("<body")
                || head.contains("<p>")
                || head.contains("<table")
                || head.contains("<ol>")
                || head.contains("<li>")
                || head.contains("<div");
    }

    // Plain text, Markdown, BBCode.

    private void plain(String text) {
        String[] raw = text.split("\r\n|\n|\r", -1);
        boolean quoting = false;
        for (int i = 0; i < raw.length; i++) {
            String lower = raw[i].toLowerCase(Locale.ROOT);
            boolean quote = quoting || raw[i].startsWith(">") || lower.contains("[quote");
            quoting = (quoting || lower.contains("[quote")) && !lower.contains("[/quote]");
            line(i + 1, raw[i], quote);
        }
    }

    private void line(int number, String raw, boolean quote) {
        String bare = raw.length() > LONGEST_LINE ? raw.substring(0, LONGEST_LINE) : raw;
        String plain = bare.strip().toLowerCase(Locale.ROOT);
        boolean bold =
                plain.startsWith("[b]") && plain.endsWith("[/b]") || plain.startsWith("**") && plain.endsWith("**");
        bare = bare.replace("[*]", "- ");
        String text = bare.indexOf('[') < 0 && !bare.contains("~~")
                ? bare
                : TAG.matcher(STRUCK.matcher(bare).replaceAll(" ")).replaceAll(" ");
        text = text.replace("**", "").replace("__", "").replace("`", "");
        text = text.indexOf('*') < 0
                ? text.strip()
                : EMPHASIS.matcher(text).replaceAll("$1").strip();
        while (text.startsWith(">")) {
            text = text.substring(1).strip();
        }
        text = CHAT.matcher(text).replaceFirst("");
        boolean ruled = text.length() > 4 && text.startsWith("=") && text.endsWith("=");
        text = ruled ? text.replaceAll("^={1,6}|={1,6}$", "").strip() : text;
        boolean heading = ruled && !text.isEmpty() || text.startsWith("#") || bold && text.length() < 80;
        while (text.startsWith("#")) {
            text = text.substring(1).strip();
        }
        boolean item = BULLET.matcher(text).find();
        text = BULLET.matcher(text).replaceFirst("");
        boolean numbered = NUMBERED.matcher(text).find();
        text = NUMBERED.matcher(text).replaceFirst("");
        List<String> cells = item || numbered ? List.of() : cells(text, isInTable());
        GuideLine.Kind kind = quote
                ? GuideLine.Kind.QUOTE
                : !cells.isEmpty()
                        ? GuideLine.Kind.ROW
                        : numbered
                                ? GuideLine.Kind.NUMBERED
                                : item
                                        ? GuideLine.Kind.ITEM
                                        : heading || text.endsWith(":") && text.length() < 80
                                                ? GuideLine.Kind.HEADING
                                                : GuideLine.Kind.TEXT;
        add(number, text, kind, cells);
    }

    private boolean isInTable() {
        return !lines.isEmpty() && lines.get(lines.size() - 1).kind() == GuideLine.Kind.ROW;
    }

    /** The cells of a row; empty where the line is none. A table has at least two columns. */
    private static List<String> cells(String text, boolean inTable) {
        String mark = text.contains("|")
                ? "\\|"
                : text.contains("\t") ? "\t" : text.contains(";") && !text.contains(". ") ? ";" : "";
        if (mark.isEmpty()
                && text.indexOf(',') > 0
                && !text.contains(", ")
                && (inTable
                        || COMMAS.matcher(text).matches()
                        || HEAD.matcher(text).matches())) {
            mark = ",";
        }
        if (mark.isEmpty()) {
            return List.of();
        }
        String inner = text.startsWith("|") ? text.substring(1) : text;
        inner = inner.endsWith("|") ? inner.substring(0, inner.length() - 1) : inner;
        List<String> cells = Arrays.stream(inner.split(mark, MOST_CELLS))
                .map(GuideText::unquoted)
                .toList();
        boolean rule = cells.stream().allMatch(cell -> cell.chars().allMatch(one -> "-: ".indexOf(one) >= 0));
        return cells.size() < 2 || rule ? List.of() : cells;
    }

    private static String unquoted(String cell) {
        String bare = cell.strip();
        bare = bare.startsWith("\"") ? bare.substring(1) : bare;
        return bare.endsWith("\"") ? bare.substring(0, bare.length() - 1) : bare;
    }

    // HTML.

    private void html(String text) {
        Document page = Parser.htmlParser().setTrackPosition(true).parseInput(text, "");
        page.select("script, style, noscript, template, form, nav, footer, s, del, strike")
                .remove();
        Element body = page.body();
        Element main = body.selectFirst("main, article");
        walk(main == null ? body : main, false, 0);
    }

    private void walk(Element element, boolean quote, int depth) {
        if (depth > DEEPEST) {
            addHtml(position(element), element.text(), element, quote);
            return;
        }
        String name = element.normalName();
        if (name.equals("tr")) {
            List<String> cells = element.select("> td, > th").stream()
                    .map(Element::text)
                    .limit(MOST_CELLS)
                    .toList();
            add(position(element), String.join(" ", cells), GuideLine.Kind.ROW, cells);
            return;
        }
        boolean inQuote = quote || name.equals("blockquote");
        boolean leaf = element.children().stream().noneMatch(GuideText::isBlock);
        if (leaf && isBlock(element)) {
            inline(element, inQuote);
            return;
        }
        for (Node child : element.childNodes()) {
            if (child instanceof Element inner) {
                if (isBlock(inner) || inner.children().stream().anyMatch(GuideText::isBlock)) {
                    walk(inner, inQuote, depth + 1);
                } else {
                    addHtml(position(inner), inner.text(), inner, inQuote);
                }
            } else if (child instanceof TextNode words && !words.isBlank()) {
                add(position(words), words.text().strip(), kind(element, inQuote), List.of());
            }
        }
    }

    /** A line break stands within a paragraph, whatever the parser counts it for. */
    private static boolean isBlock(Element element) {
        return element.isBlock() && !element.normalName().equals("br");
    }

    /** A paragraph is parted at its line breaks. */
    private void inline(Element element, boolean quote) {
        StringBuilder words = new StringBuilder();
        int number = 0;
        for (Node child : element.childNodes()) {
            boolean isBreak = child instanceof Element one && one.normalName().equals("br");
            if (isBreak) {
                addHtml(number, words.toString(), element, quote);
                words.setLength(0);
                number = 0;
                continue;
            }
            String text =
                    child instanceof TextNode own ? own.getWholeText() : child instanceof Element one ? one.text() : "";
            if (number == 0 && !text.isBlank()) {
                number = position(child) + leadingBreaks(text);
            }
            words.append(text);
        }
        addHtml(number, words.toString(), element, quote);
    }

    private static int leadingBreaks(String text) {
        int breaks = 0;
        for (int i = 0; i < text.length() && Character.isWhitespace(text.charAt(i)); i++) {
            breaks += text.charAt(i) == '\n' ? 1 : 0;
        }
        return breaks;
    }

    private void addHtml(int number, String words, Element element, boolean quote) {
        String text = words.strip().replaceAll("\\s++", " ");
        if (!text.isEmpty()) {
            add(number, text, kind(element, quote), List.of());
        }
    }

    private static GuideLine.Kind kind(Element element, boolean quote) {
        if (quote) {
            return GuideLine.Kind.QUOTE;
        }
        String name = element.normalName();
        if (name.matches("h[1-6]") || name.equals("caption")) {
            return GuideLine.Kind.HEADING;
        }
        if (name.equals("li")) {
            boolean ordered =
                    element.parent() != null && element.parent().normalName().equals("ol");
            return ordered ? GuideLine.Kind.NUMBERED : GuideLine.Kind.ITEM;
        }
        return element.text().endsWith(":") && element.text().length() < 80
                ? GuideLine.Kind.HEADING
                : GuideLine.Kind.TEXT;
    }

    private static int position(Node node) {
        return Math.max(1, node.sourceRange().start().lineNumber());
    }

    /** What is not seen never reaches a draft. */
    private void add(int number, String words, GuideLine.Kind kind, List<String> cells) {
        String text = words.length() > LONGEST_LINE ? words.substring(0, LONGEST_LINE) : words;
        if (text.isBlank() && cells.isEmpty()) {
            lines.add(new GuideLine(file, number, "", GuideLine.Kind.TEXT, List.of()));
            return;
        }
        if (text.codePoints().anyMatch(VisibleText::isHidden)) {
            warnings.add(new Lesson.Warning(
                    "hidden-text", number, "Characters that are not seen stand in this line; they were left out."));
        }
        lines.add(new GuideLine(
                file,
                number,
                seen(text),
                kind,
                cells.stream().map(GuideText::seen).toList()));
    }

    private static String seen(String text) {
        StringBuilder seen = new StringBuilder(text.length());
        text.codePoints().filter(point -> !VisibleText.isHidden(point)).forEach(seen::appendCodePoint);
        return seen.toString().replace('\u00a0', ' ').strip();
    }
}
