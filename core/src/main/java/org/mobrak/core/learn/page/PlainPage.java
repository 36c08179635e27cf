package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Plain text, Markdown and BBCode: lines that belong together become one block. */
final class PlainPage {
    private static final int LONGEST_LINE = 10_000;
    /** A line so full was wrapped; its next goes on. Our own choice, by looking at texts. */
    private static final double FULL = .78;

    private static final int NARROWEST = 55;
    private static final Pattern NUMBER = Pattern.compile(
            "^\\(?(?:(?i:step|part|schritt) ?)?(\\d{1,2}(?:\\.\\d{1,2})?)\\s?(?:[.):]+\\)?|-)\\s+(?=\\S)");
    private static final Pattern SECTION = Pattern.compile("^\\d{1,2}\\s{1,3}(?=\\p{Lu})(?=.{3,60}$)");
    private static final Pattern LOWER_SECTION = Pattern.compile("^\\d{1,2}\\.\\d{1,2}\\s{1,3}(?=\\p{Lu})");
    private static final Pattern PAGE_NUMBER = Pattern.compile("-? ?\\d{1,3} ?-?");
    /** A box that was set beside the text. */
    private static final Pattern BOX = Pattern.compile("^(.*?)\\s{2,}([|+][^|+]{3,}[|+])\\s*$");

    private static final Pattern LETTER = Pattern.compile("^\\(?[a-zA-Z]\\)\\s+(?=\\S)");
    private static final Pattern BULLET =
            Pattern.compile("^(?:[-*•+·○●▪>»~]|:(?=\\s+\\S{6})|->|→|\\[[ xX]?\\]|[☐☑✓✔])\\s+(?=\\S)");
    private static final Pattern RULE = Pattern.compile("^[-=_*~#+|.:\\s]{3,}$");
    private static final Pattern POST = Pattern.compile(
            "^(?:#\\d{1,4}\\b|post #?\\d+).{0,80}$|^.{0,60}(?:wrote|writes|schrieb(?: sie)?|replied):$",
            Pattern.CASE_INSENSITIVE);
    /** When something was said in a chat, and by whom. */
    private static final Pattern SAID = Pattern.compile(
            "^([\\p{Lu}][\\w .'-]{0,20}?)[ ,(\\[]{1,3}\\d{1,2}:\\d{2}(?:\\s?[ap]m)?[)\\]]?:?\\s{1,3}(?=\\S)|^\\d{1,2}:\\d{2}(?::\\d{2})?\\s{1,3}(?=\\S)()|^\\[\\d{2,4}\\]\\s(?=\\S)()");

    private static final Pattern CHAT = Pattern.compile(
            "^[\\[(]?\\d{1,2}:\\d{2}(?::\\d{2})?(?:\\s?[ap]m)?[\\])]?\\s{1,4}[<(]?([\\w .'-]{1,24})[:>)]\\s{1,4}");

    private final String file;
    private final List<Page.Oddity> oddities;
    private final Markup markup;
    private final List<Block> blocks = new ArrayList<>();
    private final List<Page.Passed> passed = new ArrayList<>();
    private Text.Builder open;
    private Block.Kind kind = Block.Kind.PARAGRAPH;
    private int depth;
    private int width = NARROWEST;
    private static final Pattern SUM_AT_END = Pattern.compile("[0-9a-fA-F]{32,}\\W*$|\\.(?:zip|img|tar|apk)$");
    private static final int SUM = 80;
    private static final Pattern LABELLED = Pattern.compile(
            "^(?:For [A-Z][\\w.-]*\\d[\\w.-]*|(?:Sum|MD5|SHA-?\\d*|File|Note|Warning|Edit|EDIT|UPDATE|Battery|Phone|Model|OS)) ?:");
    private String lastText = "";
    private int lastLength;
    private int indent;
    private String voice = "";
    private boolean fenced;

    PlainPage(String file, List<Page.Oddity> oddities) {
        this.file = file;
        this.oddities = oddities;
        this.markup = new Markup(file);
        this.open = new Text.Builder(file);
    }

    Page read(String[] lines) {
        TextTables tables = new TextTables(file, markup);
        Arrays.setAll(lines, i -> Decoded.seen(lines[i]));
        UnseenText.blank(lines)
                .ifPresent(line -> oddities.add(new Page.Oddity(
                        "hidden-text", line, "Words that are not shown begin in this line; they were not read.")));
        Wiki.plain(lines);
        unbox(lines);
        voices(lines);
        counted(lines);
        capitals = isInCapitals(lines);
        for (int i = 0; i < lines.length; i++) {
            if (lines[i].isBlank()) {
                flush();
                continue;
            }
            Optional<TextTables.Found> table = fenced ? Optional.empty() : tables.at(lines, i);
            if (table.isPresent()) {
                flush();
                blocks.addAll(table.get().rows());
                i = table.get().last();
                continue;
            }
            if (i == 0 || lines[i - 1].isBlank()) {
                width = width(lines, i);
                breathless = isBreathless(paragraph(lines, i));
            }
            line(lines, i);
        }
        flush();
        boxes.forEach(box -> blocks.add(Block.of(
                box.value().startsWith("- ") ? Block.Kind.ITEM : Block.Kind.PARAGRAPH,
                box.sub(box.value().startsWith("- ") ? 2 : 0, box.value().length()))));
        return new Page(file, blocks, markup.struck(), passed, isSpoken(lines), oddities);
    }

    private static final Pattern COUNTED = Pattern.compile("^\\s{0,8}(\\d{1,2}) {1,3}(?=\\p{L}{2,})");
    private static final int FEWEST_COUNTED = 3;
    /** Lines that begin with a number that is counted up. */
    private final Set<Integer> counted = new HashSet<>();

    /** “1 get the file”, “2 charge”: numbers without a dot, if they are counted up from one. */
    private void counted(String[] lines) {
        List<Integer> run = new ArrayList<>();
        for (int i = 0; i < lines.length; i++) {
            Matcher number = COUNTED.matcher(lines[i]);
            if (!number.find()) {
                continue;
            }
            int value = Integer.parseInt(number.group(1));
            if (value == 1) {
                keep(run);
                run.clear();
            }
            if (value == run.size() + 1) {
                run.add(i);
            }
        }
        keep(run);
    }

    private void keep(List<Integer> run) {
        if (run.size() >= FEWEST_COUNTED) {
            counted.addAll(run);
        }
    }

    /** Whether the ends of its lines are all the stops this paragraph has. */
    private boolean breathless;

    private static String[] paragraph(String[] lines, int from) {
        int end = from;
        while (end < lines.length && !lines[end].isBlank()) {
            end++;
        }
        return Arrays.copyOfRange(lines, from, end);
    }

    private static boolean isBreathless(String[] lines) {
        int filled = 0;
        int stops = 0;
        int widest = 0;
        for (String line : lines) {
            filled += line.isBlank() ? 0 : 1;
            widest = Math.max(widest, line.length());
            for (int i = 0; i < line.length(); i++) {
                boolean end = i + 1 == line.length() || Character.isWhitespace(line.charAt(i + 1));
                stops += end && ".!?;,:".indexOf(line.charAt(i)) >= 0 ? 1 : 0;
            }
        }
        int full = 0;
        for (String line : lines) {
            full += line.length() > widest * FULL ? 1 : 0;
        }
        return filled >= MANY_LINES && stops * 4 < filled && full * 2 < filled;
    }

    private static final int MANY_LINES = 6;

    /** Whether all of the text is in capitals, so that capitals say nothing. */
    private boolean capitals;

    private static boolean isInCapitals(String[] lines) {
        int upper = 0;
        int lower = 0;
        for (String line : lines) {
            for (int i = 0; i < line.length(); i++) {
                upper += Character.isUpperCase(line.charAt(i)) ? 1 : 0;
                lower += Character.isLowerCase(line.charAt(i)) ? 1 : 0;
            }
        }
        return upper > 2 * lower;
    }

    private static final Pattern STAMPED = Pattern.compile(
            "^[\\[(]?\\d{1,4}[./-]\\d{1,2}(?:[./-]\\d{2,4})?,? \\d{1,2}:\\d{2}(?::\\d{2})?(?:\\s?[AaPp][Mm])?[\\])]?(?: ?[-–])? (?=[^:]{1,24}: )");
    private static final Pattern NAMED =
            Pattern.compile("^(\\p{Lu}[\\p{L}.'’ -]{0,18}?)(?: \\([^)]{1,20}\\))?: (?=\\S)");
    private static final Pattern SPEAKER = Pattern.compile("^>> ?(?:\\p{Lu}[\\p{Lu} .'-]{1,24}: )?");
    private static final int OFTEN = 3;
    /** Lines at which another begins to speak. */
    private final java.util.Set<Integer> turns = new java.util.HashSet<>();

    /** Who speaks is taken off the lines of a talk: names before a colon that come again and again, marks of captions, times. */
    private void voices(String[] lines) {
        java.util.Map<String, Integer> names = new java.util.HashMap<>();
        int single = 0;
        for (int i = 0; i < lines.length; i++) {
            single += lines[i].startsWith("> ") || lines[i].equals(">") ? 1 : 0;
            Matcher stamped = STAMPED.matcher(lines[i]);
            lines[i] = stamped.find() ? lines[i].substring(stamped.end()) : lines[i];
            Matcher named = NAMED.matcher(lines[i]);
            if (named.find()) {
                names.merge(named.group(1), 1, Integer::sum);
            }
        }
        small(lines, names);
        long speakers = names.values().stream().filter(count -> count >= OFTEN).count();
        for (int i = 0; i < lines.length; i++) {
            Matcher named = (smallNames ? SMALL_NAME : NAMED).matcher(lines[i]);
            if (speakers > 1 && named.find() && names.getOrDefault(named.group(1), 0) >= 2) {
                lines[i] = lines[i].substring(named.end());
                turns.add(i);
            } else if (single == 0 && lines[i].startsWith(">>")) {
                lines[i] = SPEAKER.matcher(lines[i]).replaceFirst("");
            }
        }
    }

    private static final Pattern SMALL_NAME = Pattern.compile("^([a-z][a-z0-9_.-]{1,15}): (?=\\S)");
    private boolean smallNames;

    /** Names of a chat in small letters: nearly each line begins with one of a few. */
    private void small(String[] lines, java.util.Map<String, Integer> names) {
        java.util.Map<String, Integer> small = new java.util.HashMap<>();
        int filled = 0;
        for (String line : lines) {
            filled += line.isBlank() ? 0 : 1;
            Matcher named = SMALL_NAME.matcher(line);
            if (named.find()) {
                small.merge(named.group(1), 1, Integer::sum);
            }
        }
        int said = small.values().stream().mapToInt(count -> count).sum();
        smallNames = filled > OFTEN
                && said * 3 > filled * 2
                && small.size() * 2 < said
                && small.values().stream().filter(count -> count >= OFTEN).count() > 1;
        if (smallNames) {
            names.clear();
            names.putAll(small);
        }
    }

    private final List<Text> boxes = new ArrayList<>();
    private final java.util.Set<String> seen = new java.util.HashSet<>();

    /** What stands in a box beside the text is read behind it. */
    private void unbox(String[] lines) {
        Text.Builder box = new Text.Builder(file);
        for (int i = 0; i < lines.length; i++) {
            Matcher beside = BOX.matcher(lines[i]);
            if (lines[i].length() < 300 && beside.find()) {
                String words = beside.group(2)
                        .substring(1, beside.group(2).length() - 1)
                        .strip();
                boolean rule = words.isEmpty() || words.matches("[-=+]+");
                if (rule || words.startsWith("- ") || words.equals(words.toUpperCase(Locale.ROOT))) {
                    box = close(box);
                }
                if (!rule) {
                    box.wrap(words, i + 1);
                }
                lines[i] = beside.group(1);
            }
        }
        close(box);
    }

    private Text.Builder close(Text.Builder box) {
        if (!box.isEmpty()) {
            boxes.add(box.build());
        }
        return new Text.Builder(file);
    }

    /** How wide a run of lines is. */
    private static int width(String[] lines, int from) {
        int width = NARROWEST;
        for (int i = from; i < lines.length && !lines[i].isBlank(); i++) {
            width = Math.max(width, Math.min(lines[i].length(), 200));
        }
        return width;
    }

    /** Words that were spoken have hardly a figure in them. */
    private static boolean isSpoken(String[] lines) {
        int figures = 0;
        int letters = 0;
        int words = 0;
        for (String line : lines) {
            for (int i = 0; i < line.length(); i++) {
                figures += Character.isDigit(line.charAt(i)) ? 1 : 0;
                letters += Character.isLetter(line.charAt(i)) ? 1 : 0;
            }
        }
        if (letters <= 400 || figures * 40 >= letters) {
            return false;
        }
        for (String line : lines) {
            String before = "";
            for (String word : NO_LETTERS.split(line.toLowerCase(Locale.ROOT))) {
                words += NUMBER_WORDS.contains(word) ? 1 : 0;
                words += MARK_WORDS.contains(before) && (SPELLED.contains(word) || NUMBER_WORDS.contains(word)) ? 2 : 0;
                before = word;
            }
        }
        return words >= 5 && words * 2 > figures / 2;
    }

    private static final Pattern NO_LETTERS = Pattern.compile("[^a-z]+");
    private static final Set<String> MARK_WORDS = Set.of("dash", "dot", "underscore", "point", "hyphen");
    private static final Set<String> SPELLED = Set.of("oh", "zero", "one", "zip", "tar", "img", "apk");
    private static final Set<String> NUMBER_WORDS = Set.of(
            "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "fifteen", "twenty", "thirty",
            "forty", "fifty", "sixty", "seventy", "eighty", "ninety");

    private void line(String[] lines, int i) {
        String raw = lines[i].length() > LONGEST_LINE ? lines[i].substring(0, LONGEST_LINE) : lines[i];
        if (raw.strip().startsWith("```")) {
            flush();
            fenced = !fenced;
            passed.add(new Page.Passed(i + 1, Page.Why.NAVIGATION));
            return;
        }
        if (fenced) {
            blocks.add(new Block(
                    Block.Kind.CODE, Text.of(file, i + 1, Decoded.seen(raw).strip()), 0, List.of(), voice));
            return;
        }
        Markup.Line line = markup.line(i + 1, raw);
        if (line.text().isEmpty()) {
            return;
        }
        if (line.quote() > 0) {
            flush();
            blocks.add(new Block(Block.Kind.QUOTE, Text.of(file, i + 1, line.text()), line.quote(), List.of(), voice));
            return;
        }
        if (line.code()) {
            flush();
            blocks.add(new Block(Block.Kind.CODE, Text.of(file, i + 1, line.text()), 0, List.of(), voice));
            return;
        }
        boolean again = line.text().length() > 30
                && !line.text().contains("|")
                && i > 20
                && !seen.add(line.text())
                && line.indent() == 0
                && line.text().matches(".*\\s{3,}.*|.*\\b[Nn]o\\. \\d+.*");
        if (again || PAGE_NUMBER.matcher(line.text()).matches() && line.indent() > 8) {
            passed.add(new Page.Passed(i + 1, Page.Why.NAVIGATION));
            return;
        }
        seen.add(line.text());
        if (RULE.matcher(line.text()).matches()) {
            flush();
            return;
        }
        boolean underlined = i + 1 < lines.length
                && lines[i + 1].strip().matches("[=]{3,}|[-]{3,}")
                && (i == 0 || lines[i - 1].isBlank() || blocks.isEmpty());
        boolean first = i == 0 || lines[i - 1].isBlank();
        boolean above = first
                && i + 1 < lines.length
                && HEAD_SHAPE.matcher(line.text()).matches()
                && (isListed(lines[i + 1])
                        || indentOf(lines[i + 1]) > line.indent() + 1
                        || line.text().length() < SHORT_HEAD && !lines[i + 1].isBlank() && i > 0);
        block(i + 1, line, underlined || above);
        lastLength = raw.length();
        lastText = line.text();
    }

    private void block(int number, Markup.Line line, boolean underlined) {
        String text = line.text();
        if (POST.matcher(text).matches()) {
            flush();
            voice = text;
            blocks.add(new Block(Block.Kind.PARAGRAPH, Text.of(file, number, text), 0, List.of(), "post"));
            return;
        }
        if (turns.contains(number - 1)) {
            flush();
        }
        Matcher chat = CHAT.matcher(text);
        Matcher said = SAID.matcher(text);
        if (chat.find()) {
            flush();
            voice = chat.group(1);
            text = text.substring(chat.end());
        } else if (said.find()) {
            flush();
            text = text.substring(said.end());
        }
        Matcher numbered = NUMBER.matcher(text);
        Matcher section = SECTION.matcher(text);
        Matcher lettered = LETTER.matcher(text);
        Matcher bullet = BULLET.matcher(text);
        Matcher counting = COUNTED.matcher(text);
        if (counted.contains(number - 1) && counting.find()) {
            flush();
            start(Block.Kind.STEP, line, number, text.substring(counting.end()));
        } else if (line.heading() || underlined || section.find()) {
            flush();
            start(Block.Kind.HEADING, line, number, NUMBER.matcher(text).replaceFirst(""));
            flush();
        } else if (numbered.find()) {
            flush();
            String rest = text.substring(numbered.end());
            start(
                    isShouted(rest) && rest.length() < 60 && !rest.endsWith(".") ? Block.Kind.HEADING : Block.Kind.STEP,
                    line,
                    number,
                    rest);
        } else if (LOWER_SECTION.matcher(text).find()) {
            flush();
            start(Block.Kind.STEP, line, number, LOWER_SECTION.matcher(text).replaceFirst(""));
        } else if (lettered.find()) {
            flush();
            start(Block.Kind.STEP, line, number, text.substring(lettered.end()));
        } else if (bullet.find()) {
            flush();
            start(Block.Kind.ITEM, line, number, text.substring(bullet.end()));
        } else if (!open.isEmpty() && goesOn(line)) {
            open.wrap(text, number);
        } else {
            flush();
            boolean label = text.endsWith(":") && text.length() < 70 && !text.contains(". ");
            boolean shouted = isShouted(text) && text.length() < 60 && !text.endsWith(".") && !text.contains(",");
            start(label || shouted ? Block.Kind.HEADING : Block.Kind.PARAGRAPH, line, number, text);
            if (label || shouted) {
                flush();
            }
        }
    }

    private static final Pattern HEAD_SHAPE = Pattern.compile("[\\p{Lu}\\d][^.!?;]{1,40}[\\p{L}\\d)?]");
    private static final int SHORT_HEAD = 22;

    private static boolean isListed(String line) {
        String text = line.strip();
        return BULLET.matcher(text).find()
                || NUMBER.matcher(text).find()
                || LETTER.matcher(text).find();
    }

    private static int indentOf(String line) {
        return line.length() - line.stripLeading().length();
    }

    private boolean isShouted(String text) {
        return !capitals
                && text.equals(text.toUpperCase(Locale.ROOT))
                && text.chars().filter(Character::isLetter).count() > 3;
    }

    /** Whether a line belongs to the one before: that one was full, or this one is indented below an item. */
    private boolean goesOn(Markup.Line line) {
        boolean list = kind == Block.Kind.ITEM || kind == Block.Kind.STEP;
        if (list && line.indent() > indent) {
            return true;
        }
        return !breathless
                && lastLength >= width * FULL
                && width > NARROWEST
                && !(LABELLED.matcher(line.text()).lookingAt() && line.indent() <= indent)
                && !SUM_AT_END
                        .matcher(lastText.substring(Math.max(0, lastText.length() - SUM)))
                        .find();
    }

    private void start(Block.Kind as, Markup.Line line, int number, String words) {
        kind = as;
        indent = line.indent();
        depth = as == Block.Kind.HEADING ? line.level() : line.indent() / 2;
        open.append(words, number);
    }

    private void flush() {
        if (!open.isEmpty()) {
            blocks.add(new Block(kind, open.build(), depth, List.of(), voice));
            open = new Text.Builder(file);
        }
    }
}
