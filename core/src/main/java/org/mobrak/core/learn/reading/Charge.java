package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How full the battery must be: what is asked for, not what somebody's own happened to have. */
final class Charge {
    private static final Cue BATTERY = Cues.of("charge.battery");
    private static final Pattern AMOUNT = Pattern.compile(
            "(?<![\\w.,-])(\\d{1,3})(?:\\s?-\\s?(\\d{1,3}))?\\s?(%|percent|per cent|pct)?(?![\\w.,]*\\d|\\s?(?:mb|gb|minutes?|mins?|seconds?|hours?|mah|times|inch|days?|ways?|steps?|euros?|dollars))");
    private static final Cue LEAST = Cues.of("charge.least");
    private static final Cue STATUS = Cues.of("charge.status");

    private final Optional<Read<Integer>> read;
    private final Optional<Understood.Odd> clash;

    private Charge(Optional<Read<Integer>> read, Optional<Understood.Odd> clash) {
        this.read = read;
        this.clash = clash;
    }

    Optional<Read<Integer>> read() {
        return read;
    }

    /** Two amounts that are both asked for. */
    Optional<Understood.Odd> clash() {
        return clash;
    }

    /** An amount, and how much speaks for it. */
    private record Candidate(Read<Integer> read, int weight) {}

    static Charge in(List<Sentence> sentences) {
        List<Candidate> all = new ArrayList<>();
        for (Sentence sentence : sentences) {
            String lower = sentence.lower();
            if (sentence.takenBack() || sentence.aside()) {
                continue;
            }
            bare(sentence, sentences, all);
            boolean quoted = sentence.quoted();
            if (!quoted && ChargeWords.isAbout(sentence) && sentence.section() != Sentence.Section.CHANGES) {
                ChargeWords.least(sentence).forEach(read -> all.add(new Candidate(read, WORDED)));
                Matcher full = FULLY.matcher(lower);
                if (full.find()) {
                    all.add(new Candidate(Read.of(100, sentence, full.start(), Sure.LIKELY), 1));
                }
            }
            if (!quoted
                    && (BATTERY.in(lower)
                            || lower.contains("charge")
                            || lower.contains("percent")
                            || lower.contains("%"))
                    && sentence.section() != Sentence.Section.CHANGES) {
                amounts(sentence, all);
                refused(sentence, all);
                words(sentence, all);
                answered(sentence, sentences, all);
            }
        }
        int most = all.stream().mapToInt(Candidate::weight).max().orElse(0);
        List<Candidate> best = all.stream()
                .filter(one -> one.weight() > 0 && one.weight() >= Math.min(most, ASKED))
                .toList();
        // Of several amounts that are asked for the safer one is taken, where they stand apart.
        Optional<Candidate> chosen =
                best.stream().filter(one -> one.weight() == most).findFirst();
        Optional<Candidate> other = chosen.flatMap(first -> best.stream()
                .filter(one -> one.read().value() > first.read().value()
                        && one.weight() >= ASKED
                        && one.read().line() != first.read().line())
                .findFirst());
        Optional<Understood.Odd> clash = other.map(one -> new Understood.Odd(
                "contradiction", one.read().line(), "Two battery levels are asked for; the higher was taken."));
        return new Charge(other.or(() -> chosen).map(Candidate::read), clash);
    }

    private static final int ASKED = 7;
    private static final int WORDED = 4;

    private static final Pattern FULLY = Pattern.compile(
            "\\bcharge (?:it |the phone |the battery |your phone )?(?:up )?(?:fully|completely|to the full)\\b|\\b(?:battery|phone) (?:must|has to|should) be (?:full|fully charged)\\b");

    private static final Pattern HAS_TO_BE = Pattern.compile(
            "\\b(?:has|have|needs?|ought) to be (?:over|above|at least|more than) (\\d{2})\\b(?! ?(?:mb|gb|min|sec|hours?))");

    /** “Charge it up, I say seventy”, “charge (I'd call 50 the least)”. */
    private static final Pattern OPINED = Pattern.compile(
            "\\bcharged?\\b.{0,40}?\\b(?:i(?:'d)?|we(?:'d)?|you want|let's|to|till|until) (?:would )?(?:say|call|want|have|take|go for)?\\s?(\\d{2})(?: percent| ?%)?(?: the least|\\W*$|, | at least)");

    private static void refused(Sentence sentence, List<Candidate> all) {
        Matcher opined = OPINED.matcher(sentence.lower());
        if (opined.find()) {
            all.add(new Candidate(
                    Read.of(Integer.parseInt(opined.group(1)), sentence, opined.start(1), Sure.LIKELY), 4));
        }
        Matcher over = HAS_TO_BE.matcher(sentence.lower());
        if (over.find()) {
            all.add(new Candidate(Read.of(Integer.parseInt(over.group(1)), sentence, over.start(1), Sure.LIKELY), 6));
        }
        Matcher found = REFUSES.matcher(sentence.lower());
        if (found.find()) {
            int group = found.group(1) == null ? 2 : 1;
            int value = Integer.parseInt(found.group(group));
            if (value >= 5) {
                all.add(new Candidate(Read.of(value, sentence, found.start(group), Sure.LIKELY), 5));
            }
        }
    }

    private static void amounts(Sentence sentence, List<Candidate> all) {
        String lower = sentence.lower();
        Matcher amounts = AMOUNT.matcher(lower);
        while (amounts.find()) {
            int value = Integer.parseInt(amounts.group(1));
            boolean marked = amounts.group(3) != null;
            String before = lower.substring(Math.max(0, amounts.start() - 50), amounts.start());
            String after = lower.substring(amounts.end(), Math.min(lower.length(), amounts.end() + 50));
            boolean about = BATTERY.in(before) || BATTERY.in(after);
            boolean tight = before.matches(
                    ".*(?:batt(?:ery)?|charge[d]?|akku|charge)\\W{1,4}(?:(?:of|to|at|over|above|least|not|is|must|be|more|than|the|minimum|min|level|around|should|or|in|>|>=|<|than|about|ca|for|with|up|have|has|well|needs?|keep|on)\\W{1,4}){0,5}$");
            boolean near =
                    about && before.matches(".*(?:\\bmin|\\bminimum|\\bat least|\\bnot (?:go )?below|>=?|≥)\\W{0,3}$");
            if (value < 5
                    || value > 100
                    || !about && !(marked && sentence.section() == Sentence.Section.NEEDS)
                    || !marked && !tight && !near && !after.matches("\\W{0,2}(?:percent|or more|in the batt).*")) {
                continue;
            }
            String clause = clause(lower, amounts.start(), amounts.end());
            boolean least = LEAST.in(clause)
                    || clause.matches(".*(?:>=?|≥|\\+).*")
                    || sentence.isListed()
                    || sentence.section() == Sentence.Section.NEEDS
                    || tight && before.matches(".*(?:to|over|above|>=|>|least|charge[d]?)\\W{1,4}$");
            boolean status = STATUS.in(clause.replaceFirst("has been charged", ""))
                    && !before.matches(".*(?:not go|go) below $|.*at least $|.*charged to at least $");
            int weight = (marked ? 1 : 0) + (about ? 1 : 0) + (least ? 3 : 0) - (status ? 4 : 0) + (tight ? 1 : 0);
            boolean strong = before.matches(
                            ".*(?:\\bmin|\\bminimum|\\bat least|\\bnot (?:go )?below|\\bover|\\babove|>=?|≥|\\bno less than|\\bmust be charged to)\\W{0,3}(?:of |is |to |at least )?$")
                    || after.matches(
                            "\\W{0,2}(?:%|percent)?\\s?(?:\\+|or more|(?:is |as )?(?:the |a )?minimum|min\\b|at least|at the least|and up|or better|or higher|or above|would do|is enough).*");
            if (status && !strong) {
                continue;
            }
            weight += strong ? 4 : 0;
            boolean turned = after.matches("\\W{0,3}(?:no|nope)\\b.*") || before.matches(".*\\b(?:not|others say) $");
            all.add(new Candidate(
                    Read.of(value, sentence, amounts.start(1), least && marked && about ? Sure.CERTAIN : Sure.LIKELY),
                    turned ? -1 : least || !status && (tight || marked && about) ? weight : 0));
        }
    }

    /** “You don't need that much, the thread says 40”: the battery was spoken of just before. */
    private static void bare(Sentence sentence, List<Sentence> sentences, List<Candidate> all) {
        boolean about = false;
        for (int i = Math.max(0, sentence.index() - 2); i < sentence.index(); i++) {
            about |= BATTERY.in(sentences.get(i).lower())
                    || sentences.get(i).lower().matches(".*\\d\\s?(?:%|percent).*");
        }
        Matcher bare = Pattern.compile(
                        "\\b(?:says|enough,?|would do|do with|need|want|minimum|min|at least)\\s(?:is |about )?(\\d{2})\\b(?!\\s?(?:%|percent|min|mb|sec))|\\b(\\d{2}) would do\\b")
                .matcher(sentence.lower());
        if (about && bare.find()) {
            int group = bare.group(1) == null ? 2 : 1;
            all.add(new Candidate(
                    Read.of(Integer.parseInt(bare.group(group)), sentence, bare.start(group), Sure.LIKELY), 4));
        }
    }

    private static String clause(String lower, int start, int end) {
        int from = Math.max(
                lower.lastIndexOf(", ", start),
                Math.max(lower.lastIndexOf("; ", start), lower.lastIndexOf("(", start)));
        from = start - from < 22 && lower.substring(0, Math.max(0, from)).matches(".*\\b(?:battery|charge)\\b.*")
                ? Math.max(0, lower.lastIndexOf(", ", Math.max(0, from - 1)))
                : from;
        int to = lower.indexOf(", ", end);
        int semicolon = lower.indexOf("; ", end);
        to = to < 0 ? lower.length() : to;
        to = semicolon >= 0 ? Math.min(to, semicolon) : to;
        return lower.substring(Math.max(0, from), to);
    }

    private static void words(Sentence sentence, List<Candidate> all) {
        String lower = sentence.lower();
        Matcher half = Pattern.compile("\\b(half|two thirds|three quarters)\\b(?! an hour| a minute| hour)")
                .matcher(lower);
        if (half.find()
                && BATTERY.in(lower)
                && lower.matches(".*(?:not less|at least|the least|minimum|more than|over|above|must|need|charge).*")
                && all.stream().noneMatch(one -> one.weight() > 2)
                && !lower.contains("%")) {
            all.add(new Candidate(Read.of(ChargeWords.share(half.group(1)), sentence, half.start(), Sure.LIKELY), 3));
        }
        Matcher tens = TENS.matcher(lower);
        while (tens.find()) {
            String before = lower.substring(Math.max(0, tens.start() - 44), tens.start());
            boolean marked = tens.group(2) != null;
            boolean least = before.matches(
                    ".*(?:over|above|at least|minimum|not below|under|less than|need|must|write|says?|wants?|to)\\s(?:about )?$");
            boolean about = BATTERY.in(before) || BATTERY.in(lower);
            if (about && (marked && !STATUS.in(before) || least && before.matches(".*\\bbatter.*"))) {
                all.add(new Candidate(
                        Read.of(Math.max(0, NumberWords.of(tens.group(1))), sentence, tens.start(), Sure.LIKELY),
                        least ? 4 : 2));
            }
        }
    }

    private static final Pattern TENS = Pattern.compile(
            "\\b(twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)\\b(?:[- ](?:one|two|three|four|five|six|seven|eight|nine))?\\s?(percent|per cent|%)?");

    /** “Below 30 percent it refuses.” */
    private static final Pattern REFUSES = Pattern.compile(
            "\\b(?:below|under|with less than|less than) (\\d{1,2}) ?(?:%|percent)?[^.;]{0,30}\\b(?:refuses|won't|will not|does not|doesn't|stops|nothing)\\b|\\b(?:refuses|won't (?:start|run)|stops)\\b[^.;]{0,30}\\b(?:below|under|less than) (\\d{1,2})\\b");

    /** “Battery? – 30 or so.” */
    private static final Pattern BARE_QUESTION =
            Pattern.compile("^\\W*(?:and )?(?:the )?(?:battery|charge|charged)\\W*\\?\\W*$");

    private static final Pattern BARE_ANSWER = Pattern.compile(
            "^\\W*(?:i'd say|i would say|say|about|at least|over|above|more than|like)? ?(\\d{2})(?: ?%| percent)?(?: or so| at least| is enough| will do)?\\W*$");

    /** “Charged? – More than half.” */
    private static final Pattern HALF = Pattern.compile(
            "^\\W*(?:more than|over|above|at least|yes,? (?:more than|over)) (half|two thirds|three quarters)\\b.{0,20}$");

    /** “What does one need? Battery! Half, at the least.” and “at, fifty percent? no, thirty.” */
    private static void answered(Sentence sentence, List<Sentence> sentences, List<Candidate> all) {
        int next = sentence.index() + 1;
        String lower = sentence.lower().strip();
        if (next >= sentences.size() || !BATTERY.in(lower) && !lower.matches(".*\\d\\s?(?:%|percent)\\W*\\?.*")) {
            return;
        }
        for (int i = next; i < Math.min(sentences.size(), next + 2); i++) {
            String after = sentences.get(i).lower().strip();
            Matcher bare = BARE_ANSWER.matcher(after);
            if (lower.length() < 20 && BARE_QUESTION.matcher(lower).matches() && bare.find()) {
                all.add(new Candidate(
                        Read.of(Integer.parseInt(bare.group(1)), sentences.get(i), bare.start(1), Sure.LIKELY), 5));
            }
            Matcher most = HALF.matcher(after);
            if (lower.length() < 40 && lower.endsWith("?") && most.find()) {
                all.add(new Candidate(
                        Read.of(ChargeWords.share(most.group(1)), sentences.get(i), most.start(1), Sure.LIKELY), 4));
            }
            if (lower.length() < 30 && after.matches("half,? .*least.*")) {
                all.add(new Candidate(Read.of(50, sentences.get(i), 0, Sure.LIKELY), 4));
            }
        }
        Matcher corrected = Pattern.compile("(\\d{1,2})\\s?(?:percent|%)?\\W*\\? no\\b.{0,40}?\\b(\\d{2})\\b")
                .matcher(lower + " " + sentences.get(next).lower()
                        + (next + 1 < sentences.size()
                                ? " " + sentences.get(next + 1).lower()
                                : ""));
        if (corrected.find()) {
            int value = Integer.parseInt(corrected.group(2));
            all.replaceAll(one ->
                    one.read().value() == Integer.parseInt(corrected.group(1)) ? new Candidate(one.read(), -1) : one);
            int at = sentences.get(next).lower().indexOf(corrected.group(2));
            Sentence from = at >= 0
                    ? sentences.get(next)
                    : next + 1 < sentences.size()
                                    && sentences.get(next + 1).lower().contains(corrected.group(2))
                            ? sentences.get(next + 1)
                            : sentence;
            all.add(new Candidate(
                    Read.of(value, from, Math.max(0, from.lower().indexOf(corrected.group(2))), Sure.LIKELY), 5));
        }
    }
}
