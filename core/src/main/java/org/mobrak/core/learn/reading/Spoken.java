package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Text;

/** Numbers and names as they are spelled out aloud (“b v seven twenty t”, “four point oh point four”), written as they are written. */
final class Spoken {
    private static final Map<String, String> MARKS =
            Map.of("point", ".", "dot", ".", "underscore", "_", "dash", "-", "hyphen", "-", "minus", "-");
    private static final Pattern WORD = Pattern.compile("[A-Za-z0-9]+");
    private static final Pattern BETWEEN = Pattern.compile("[ \\n]|-|, ");
    /** Single letters that are words of the language. */
    private static final Set<String> WORDS = Set.of("a", "i");

    /** A word, and what it is written as. */
    private record Part(int from, int to, String as, Kind kind) {}

    private enum Kind {
        NUMBER,
        LETTER,
        MARK,
        WORD
    }

    /** The same text with the names that were spelled out, letter by letter and figure by figure, written together. */
    Text named(Text text) {
        return NAME.matcher(text.value()).find() ? written(text, true) : text;
    }

    private static final Pattern NAME = Pattern.compile(
            "(?i)(?<![a-z0-9'’])[a-z](?:[ -][a-z])?[ -](?:oh|zero|one|two|three|four|five|six|seven|eight|nine)\\b");

    /** The same text with what was spelled out written together. */
    Text written(Text text) {
        return written(text, false);
    }

    private Text written(Text text, boolean names) {
        String value = text.value();
        List<Part> parts = parts(value);
        Text.Builder out = new Text.Builder(text.file());
        int from = 0;
        for (int i = 0; i < parts.size(); ) {
            int file = names ? i : fileEnd(parts, i, value);
            if (file > i) {
                copy(out, text, from, parts.get(i).from());
                out.append(
                        file(parts.subList(i, file)), text.lineAt(parts.get(i).from()));
                from = parts.get(file - 1).to();
                i = file;
                continue;
            }
            int end = runEnd(parts, i, value);
            boolean no = end - i < 1 || !isSpelled(parts.subList(i, end)) || names && !isName(parts.subList(i, end));
            if (no) {
                i++;
                continue;
            }
            copy(out, text, from, parts.get(i).from());
            boolean article =
                    value.substring(0, parts.get(i).from()).matches("(?is).*\\b(?:the|a|our|my|your|mine is|this)\\s");
            out.append(
                    joined(parts.subList(i, end), article),
                    text.lineAt(parts.get(i).from()));
            from = parts.get(end - 1).to();
            i = end;
        }
        copy(out, text, from, value.length());
        return out.build();
    }

    private static void copy(Text.Builder out, Text text, int from, int to) {
        int begin = from;
        for (int i = from + 1; i <= to; i++) {
            if (i == to || text.lineAt(i) != text.lineAt(begin)) {
                out.append(text.value().substring(begin, i), text.lineAt(begin));
                begin = i;
            }
        }
    }

    private static List<Part> parts(String value) {
        List<Part> parts = new ArrayList<>();
        Matcher words = WORD.matcher(value);
        while (words.find()) {
            String word = words.group();
            String lower = word.toLowerCase(Locale.ROOT);
            boolean cut = words.start() > 0 && "'’".indexOf(value.charAt(words.start() - 1)) >= 0;
            Kind kind = cut
                    ? Kind.WORD
                    : NumberWords.of(lower) >= 0 || word.chars().allMatch(Character::isDigit)
                            ? Kind.NUMBER
                            : MARKS.containsKey(lower)
                                    ? Kind.MARK
                                    : word.length() == 1 && !WORDS.contains(word) ? Kind.LETTER : Kind.WORD;
            parts.add(new Part(words.start(), words.end(), word, kind));
        }
        return parts;
    }

    private static int runEnd(List<Part> parts, int from, String value) {
        int end = from;
        while (end < parts.size()
                && (parts.get(end).kind() != Kind.WORD || end > from && isNamePart(parts, end))
                && !(end > from && isSaidAgain(parts, end))
                && (end == from
                        || BETWEEN.matcher(value.substring(
                                        parts.get(end - 1).to(), parts.get(end).from()))
                                .matches())) {
            end++;
        }
        while (end > from && parts.get(end - 1).kind() == Kind.MARK) {
            end--;
        }
        // “this grey one b v seven”: the one is no part of the name.
        boolean named = end - from > 2
                && parts.get(from).as().equals("one")
                && parts.get(from + 1).kind() == Kind.LETTER;
        return named ? from : end;
    }

    /**
     * Where a file's name ends that begins there: “q root dash v three dot zip”. Its words stand beside marks, its first one may have
     * single letters before it. The same place where none begins.
     */
    private static int fileEnd(List<Part> parts, int from, String value) {
        int at = from;
        int marks = 0;
        while (at < parts.size()
                && (at == from
                        || BETWEEN.matcher(value.substring(
                                        parts.get(at - 1).to(), parts.get(at).from()))
                                .matches())) {
            Part part = parts.get(at);
            boolean before = at > from && parts.get(at - 1).kind() == Kind.MARK;
            boolean after = at + 1 < parts.size() && parts.get(at + 1).kind() == Kind.MARK;
            if (before
                    && part.kind() == Kind.WORD
                    && parts.get(at - 1).as().equalsIgnoreCase("dot")
                    && part.as().toLowerCase(Locale.ROOT).matches("zip|img|apk|tar|bin|exe|bat|sh|md")) {
                return marks > 1 && at - from > 2 ? at + 1 : from;
            }
            boolean prefix = at == from
                    && at + 1 < parts.size()
                    && parts.get(at + 1).kind() == Kind.NUMBER
                    && part.as().toLowerCase(Locale.ROOT).matches("[b-df-hj-np-tv-xz]{2,3}");
            if (part.kind() == Kind.WORD && !before && !after && !prefix
                    || part.kind() == Kind.MARK && (before || at == from)) {
                return from;
            }
            marks += part.kind() == Kind.MARK ? 1 : 0;
            at++;
        }
        return from;
    }

    /** Such a name as it is written. */
    private static String file(List<Part> parts) {
        StringBuilder name = new StringBuilder();
        for (int i = 0; i < parts.size(); i++) {
            String word = parts.get(i).as().toLowerCase(Locale.ROOT);
            if (parts.get(i).kind() == Kind.MARK) {
                name.append(MARKS.getOrDefault(word, "").strip());
            } else if (NumberWords.TENS.containsKey(word) && i + 1 < parts.size() && isOne(parts.get(i + 1))) {
                name.append(NumberWords.TENS.get(word)
                        + NumberWords.ONES.getOrDefault(parts.get(++i).as().toLowerCase(Locale.ROOT), 0));
            } else {
                name.append(NumberWords.of(word) >= 0 ? String.valueOf(NumberWords.of(word)) : word);
            }
        }
        return name.toString();
    }

    /** “One one five b, b like bravo”: the letter is said again to be understood. */
    private static boolean isSaidAgain(List<Part> parts, int at) {
        return parts.get(at).kind() == Kind.LETTER
                && parts.get(at).as().equalsIgnoreCase(parts.get(at - 1).as())
                && at + 1 < parts.size()
                && parts.get(at + 1).as().toLowerCase(Locale.ROOT).matches("like|as|for");
    }

    /** “underscore insecure”, “dot tar”: a word of a file's name. */
    private static boolean isNamePart(List<Part> parts, int at) {
        String before = parts.get(at - 1).as().toLowerCase(Locale.ROOT);
        return before.equals("underscore")
                || before.equals("dot")
                        && parts.get(at).as().toLowerCase(Locale.ROOT).matches("tar|zip|img|apk|exe|bat|sh|bin|md");
    }

    /** A number, or letters beside a number or a mark; “i” and “a” alone are words. */
    private static boolean isSpelled(List<Part> run) {
        boolean numbers = run.stream().anyMatch(part -> part.kind() == Kind.NUMBER);
        long letters = run.stream().filter(part -> part.kind() == Kind.LETTER).count();
        // “That one is newer”, “oh, and”.
        if (run.size() == 1 && run.get(0).as().toLowerCase(Locale.ROOT).matches("one|oh|o")) {
            return false;
        }
        return numbers && run.get(0).kind() != Kind.MARK
                || letters >= 3 && run.get(0).kind() == Kind.LETTER;
    }

    /** Letters first, and then at least two figures or numbers that are spelled out. */
    private static boolean isName(List<Part> run) {
        long letters = run.stream().filter(part -> part.kind() == Kind.LETTER).count();
        long figures = run.stream().filter(Spoken::isOne).count();
        return run.get(0).kind() == Kind.LETTER && letters >= 1 && figures >= 2;
    }

    private static String joined(List<Part> run, boolean article) {
        StringBuilder out = new StringBuilder();
        boolean pointed = run.stream()
                .anyMatch(
                        part -> part.as().equalsIgnoreCase("point") || part.as().equalsIgnoreCase("dot"));
        boolean named = run.stream().anyMatch(part -> part.as().equalsIgnoreCase("underscore"));
        boolean lettered = run.stream().anyMatch(part -> part.kind() == Kind.LETTER);
        for (int i = 0; i < run.size(); i++) {
            Part part = run.get(i);
            String lower = part.as().toLowerCase(Locale.ROOT);
            if (part.kind() == Kind.LETTER) {
                out.append(
                        named ? part.as().toLowerCase(Locale.ROOT) : part.as().toUpperCase(Locale.ROOT));
            } else if (part.kind() == Kind.WORD) {
                out.append(part.as().toLowerCase(Locale.ROOT));
            } else if (part.kind() == Kind.MARK) {
                out.append(MARKS.get(lower));
            } else if (NumberWords.TENS.containsKey(lower)
                    && i + 1 < run.size()
                    && isOne(run.get(i + 1))
                    && !lettered) {
                out.append(NumberWords.TENS.get(lower)
                        + NumberWords.ONES.getOrDefault(run.get(++i).as().toLowerCase(Locale.ROOT), 0));
            } else {
                String digits = NumberWords.of(lower) >= 0 ? String.valueOf(NumberWords.of(lower)) : part.as();
                boolean afterNumber = i > 0 && run.get(i - 1).kind() == Kind.NUMBER && !lettered && !pointed;
                out.append(afterNumber && run.size() != 3 ? " " : "")
                        .append(pointed && !named && afterNumberOf(run, i) ? "." : "")
                        .append(pointed && !named && i > 0 && run.get(i - 1).kind() == Kind.LETTER ? " " : "")
                        .append(digits);
            }
        }
        boolean threeOnes = run.size() == 3 && run.stream().allMatch(Spoken::isOne);
        // “The two zero five” is a phone, “on two zero five” a version.
        return threeOnes && !article ? String.join(".", out.toString().split("")) : out.toString();
    }

    /** “four point oh four”: the second point is not said. */
    private static boolean afterNumberOf(List<Part> run, int at) {
        return at > 0 && run.get(at - 1).kind() == Kind.NUMBER && !isTens(run.get(at - 1));
    }

    private static boolean isTens(Part part) {
        return NumberWords.TENS.containsKey(part.as().toLowerCase(Locale.ROOT));
    }

    private static boolean isOne(Part part) {
        return part.kind() == Kind.NUMBER
                && NumberWords.ONES.containsKey(part.as().toLowerCase(Locale.ROOT));
    }
}
