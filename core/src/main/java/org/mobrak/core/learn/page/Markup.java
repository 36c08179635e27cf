package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The marks of Markdown and BBCode taken off a line; what they say of it is kept. */
final class Markup {
    private static final Pattern TAG = Pattern.compile(
            "\\[/?(?i:b|i|u|s|url|img|code|quote|size|colou?r|font|list|cent(?:er|re)|left|right|justify|spoiler|hide|table|thead|tbody|tr|td|th|h[1-6]|email|strike|del|ins|sub|sup|attach|indent|highlight|noparse|pre|mention|user|hr|br|ul|ol|li)(?:[=\\s][^\\[\\]\\n]{0,300})?\\]");
    private static final Pattern STRUCK = Pattern.compile(
            "(?i)\\[(s|strike|del)\\](.{0,2000}?)\\[/\\1\\]|~~([^~]{1,2000})~~|<(s|del|strike)>(.{0,2000}?)</\\4>");
    private static final Pattern LINK = Pattern.compile("!?\\[([^\\[\\]]{0,300})\\]\\(([^()\\s]{1,400})\\)");
    private static final Pattern HTML_TAG = Pattern.compile(
            "</?(?i:a|b|i|u|p|br|hr|em|strong|code|tt|kbd|samp|pre|span|div|font|center|small|big|sub|sup|li|ul|ol|h[1-6]|img|details|summary|blockquote|ins|mark)(?:[\\s/][^<>]{0,200})?>");
    /** A star within a model number is a pattern and no emphasis. */
    private static final Pattern EMPHASIS = Pattern.compile("(?<![\\w*])\\*([^*\\n]{1,300}?)\\*(?![\\w*])");

    private static final Pattern UNDERLINE = Pattern.compile("(?<![\\w_])_([^_\\n]{1,300}?)_(?![\\w_])");
    private static final Pattern FILE = Pattern.compile("([\\w.+-]{3,120}\\.[A-Za-z0-9]{2,5})$");

    private final String file;
    private final List<Text> struck = new ArrayList<>();
    private int quotes;
    private boolean numbers;
    private boolean code;
    private boolean strike;

    Markup(String file) {
        this.file = file;
    }

    /**
     * A line without its marks.
     *
     * @param quote how deep it is quoted; 0 where it is not
     * @param level of a heading
     */
    record Line(String text, int indent, boolean heading, int level, int quote, boolean code) {}

    List<Text> struck() {
        return struck;
    }

    Line line(int number, String raw) {
        int indent = raw.length() - raw.stripLeading().length();
        String bare = Decoded.seen(raw).strip();
        int quote = 0;
        while (bare.startsWith(">")) {
            quote++;
            bare = bare.substring(1).strip();
        }
        String lower = bare.toLowerCase(Locale.ROOT);
        boolean whole = lower.startsWith("[b]") && lower.endsWith("[/b]")
                || lower.startsWith("[size")
                        && lower.contains("[b]")
                        && lower.replaceAll("\\[[^\\]]*\\]", "").length() < 90
                || bare.startsWith("**") && bare.endsWith("**") && bare.indexOf("**", 2) == bare.length() - 2;
        int before = quotes;
        quotes += count(lower, "[quote") - count(lower, "[/quote]");
        quotes = Math.max(0, quotes);
        quote += lower.contains("[/quote]") || lower.contains("[quote") ? Math.max(before, 1) : quotes;
        boolean wasCode = code || lower.contains("[code]");
        code = (code || lower.contains("[code]")) && !lower.contains("[/code]");
        if (lower.contains("[list=")) {
            numbers = true;
        } else if (lower.contains("[list]") || lower.contains("[/list]")) {
            numbers = false;
        }
        bare = bare.replace("[*]", numbers ? "1. " : "- ");
        bare = unstruck(number, bare);
        Matcher links = LINK.matcher(bare);
        bare = links.replaceAll(link -> Matcher.quoteReplacement(named(link.group(1), link.group(2))));
        bare = bare.indexOf('[') < 0 ? bare : TAG.matcher(bare).replaceAll("");
        bare = bare.indexOf('<') < 0 ? bare : HTML_TAG.matcher(bare).replaceAll("");
        bare = bare.replace("**", "").replace("`", "").strip();
        bare = bare.indexOf('*') < 0 ? bare : EMPHASIS.matcher(bare).replaceAll("$1");
        bare = bare.indexOf('_') < 0 ? bare : UNDERLINE.matcher(bare).replaceAll("$1");
        int level = 0;
        boolean heading =
                whole && bare.length() < 110 || bare.matches("#{1,6}\\s.*") || bare.matches("={1,6}[^=].{0,80}=");
        while (bare.startsWith("#") && heading) {
            level++;
            bare = bare.substring(1);
        }
        if (bare.matches("={1,6}[^=].{0,80}=")) {
            bare = bare.replaceAll("^=+|=+$", "");
        }
        return new Line(bare.strip(), indent, heading && !bare.isBlank(), Math.max(0, level - 1), quote, wasCode);
    }

    /** What was crossed out is kept apart. */
    String unstruck(int number, String line) {
        String text = line;
        if (strike) {
            int end = text.toLowerCase(Locale.ROOT).indexOf("[/s]");
            struck.add(Text.of(file, number, end < 0 ? text : text.substring(0, end)));
            strike = end < 0;
            return end < 0 ? "" : unstruck(number, text.substring(end + 4));
        }
        if (text.indexOf('[') < 0 && text.indexOf('~') < 0 && text.indexOf('<') < 0) {
            return text;
        }
        Matcher crossed = STRUCK.matcher(text);
        StringBuilder rest = new StringBuilder();
        while (crossed.find()) {
            String words = crossed.group(2) != null
                    ? crossed.group(2)
                    : crossed.group(3) != null ? crossed.group(3) : crossed.group(5);
            struck.add(Text.of(
                    file,
                    number,
                    TAG.matcher(words == null ? "" : words).replaceAll(" ").strip()));
            crossed.appendReplacement(rest, " ");
        }
        crossed.appendTail(rest);
        int begin = rest.toString().toLowerCase(Locale.ROOT).indexOf("[s]");
        if (begin >= 0) {
            strike = true;
            struck.add(Text.of(file, number, rest.substring(begin + 3)));
            rest.setLength(begin);
        }
        return rest.toString();
    }

    private static String named(String words, String target) {
        Matcher name = FILE.matcher(target);
        return name.find() && !words.contains(name.group(1)) && !target.endsWith(".svg") && !target.endsWith(".png")
                ? words + " (" + name.group(1) + ")"
                : words;
    }

    private static int count(String text, String part) {
        int count = 0;
        for (int at = text.indexOf(part); at >= 0; at = text.indexOf(part, at + 1)) {
            count++;
        }
        return count;
    }
}
