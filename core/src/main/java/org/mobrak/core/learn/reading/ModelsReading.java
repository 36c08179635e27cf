package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.mobrak.core.learn.page.Block;

/**
 * Which model numbers and builds a guide names, and whether it is for them. A word is taken for a model number by several
 * witnesses together: its shape, the words before it, the title, files that are called like it, others that differ in their end.
 */
final class ModelsReading {
    private static final int ENOUGH = 4;
    private static final int NEAR = 30;
    private static final Pattern LABEL = Pattern.compile(
            "(?:\\bmodels?|\\bmodell|\\bmine is|\\bmine\\b|\\bmy\\b|\\bit's the|\\btypes?|\\bmodel (?:no|number|name)|\\bnumber|\\bsticker|\\blabel|\\bvariants?|\\bphones?|\\bdevices?|\\btablets?|\\bexactly|\\bcalled|\\bengraved|\\bnamed|\\bit says|\\btelling|\\bsay)\\W{0,3}(?:(?:is|are|no|the|a|=|of|for|in|on|this|number|with|whose|must be|should be|it should be)\\W{1,3}){0,3}$");
    private static final Pattern ARTICLE = Pattern.compile(
            "(?:\\bthe|\\bmy|\\bmine is|\\ba|\\ban|\\bonly|\\bfor|\\bon|\\bour|\\bits?|\\bis|\\bplain|\\byour|\\bthis|\\bboth|\\ball|\\band|\\bor|\\bhis|\\bher|\\bnot)\\W{1,3}$");
    private static final Pattern PART = Pattern.compile(
            "(?:\\bchip(?:set)?|\\bkernel|\\bprocessor|\\bcpu|\\brom|\\bport|\\bslot|\\bpage|\\bhandout|\\bno\\.|\\berror|\\bcode|\\broom|\\bpost|\\bstep|\\bmenu|\\bpress|\\bkey|\\bcom|\\bpatch|\\bthread|\\bissue|\\brule|\\breply|\\bversion|\\bver\\.?|\\brev(?:ision)?\\.?|\\brelease|\\bstage|\\bpin|\\bbus|\\broute|\\bmenus?|\\bbootloaders?|\\bboot loader|\\bloader|\\bpages?|\\bchapter|\\bsee)\\W{1,2}$");
    private static final Pattern BUILD = Pattern.compile(
            "(?:\\bbuilds?|\\bbuild (?:number|no)|\\bfirmwares?|\\bkompilacja|\\bbaseband|\\bsoftware(?: version)?|\\bfw|\\bradio|\\bincremental|\\bbuild id|\\bbuildnumber|\\bmodem|\\brelease)\\W{1,3}(?:(?:is|are|number|no|of|the|seen|working|known|tested|that|which|works?|good|fine|ok|end(?:s|ing)?(?: in| with)?|up to|from|version|will|should|must|then|says?|reads?|be|becomes?|shows?|=)\\W{1,2}){0,3}$");
    private static final Cue LATER = Cues.of("modelsReading.later");
    private static final Pattern RANGE_OF_LETTERS =
            Pattern.compile("\\b([A-Za-z]{0,4}\\d{2,5})([A-Z])\\s?[-–]\\s?([A-Z])\\b");
    /** A number alone, in a list with model numbers. */
    private static final Pattern BARE =
            Pattern.compile("(?:(?<![\\w.])(\\d{3,5}[A-Z][\\w/]*), ?)(\\d{3,5})(?![\\w.%])");
    /** Its last digits are left open. */
    private static final Pattern OPEN = Pattern.compile("[A-Z]{1,5}-[A-Z]{0,3}\\d{1,4}x{1,2}");

    private static final Pattern WITH_WORD =
            Pattern.compile("^ (Lite|Slim|Plus|Mini|Pro|Max|EU|US|Duo|Neo|Duos|LTE)\\b(?! version)");

    private final List<Sentence> sentences;
    private final List<String> files;
    private final Map<String, List<Mention>> byKey = new LinkedHashMap<>();
    private static final int MOST_TOKENS = 60;
    private final Map<Integer, List<ModelTokens.Token>> tokens = new HashMap<>();
    /** The first post of a thread may name the phone, though others answer. */
    private static final int ASIDE_HEAD = 6;

    private final Map<String, Integer> scores = new LinkedHashMap<>();
    private final Map<String, Named> models = new LinkedHashMap<>();
    private final Map<String, Named> builds = new LinkedHashMap<>();

    /** A place where a model or build is named, and what is said of it. */
    record Mention(String value, Sentence sentence, int start, int end, int shape, Stance stance, boolean worked) {}

    /** A model or a build after all that is said of it. */
    record Named(String value, Stance stance, Read<String> read, List<Mention> mentions) {}

    ModelsReading(List<Sentence> sentences, List<String> files) {
        this.sentences = sentences;
        this.files = files.stream().map(ModelTokens.Token::key).toList();
    }

    /** Models by their key. */
    Map<String, Named> models() {
        return models;
    }

    /** Builds by their key. */
    Map<String, Named> builds() {
        return builds;
    }

    ModelsReading read() {
        for (Sentence sentence : sentences) {
            if (sentence.value().chars().anyMatch(Character::isDigit)) {
                mentions(sentence);
            }
        }
        shortened();
        lettered();
        unnumber();
        spread();
        List<List<Mention>> ends = byKey.values().stream()
                .filter(mentions -> isEndOfAnother(mentions.get(0).value())
                        && mentions.stream()
                                .noneMatch(mention ->
                                        LABEL.matcher(before(mention, NEAR)).find()))
                .toList();
        byKey.values().removeAll(ends);
        Set<String> labelled = labelledBuilds();
        byKey.forEach((key, mentions) -> {
            if (!labelled.contains(key)) {
                scores.put(key, score(key, mentions));
            }
        });
        related();
        scores.forEach((key, score) -> {
            if (score >= ENOUGH) {
                models.put(key, named(key));
            }
        });
        Set<String> more = buildsOf(models.keySet());
        labelled.addAll(more);
        // A short name in the title of what has a longer one is no model of its own.
        models.keySet()
                .removeIf(key -> models.keySet().stream()
                        .anyMatch(other -> other.length() > key.length()
                                && other.startsWith(key)
                                && byKey.getOrDefault(other, List.of()).stream()
                                        .anyMatch(one -> one.value().length() > key.length()
                                                && "_-"
                                                                .indexOf(one.value()
                                                                        .charAt(Math.min(
                                                                                one.value()
                                                                                                .length()
                                                                                        - 1,
                                                                                key.length())))
                                                        >= 0)
                                && byKey.getOrDefault(key, List.of()).stream()
                                        .allMatch(one -> one.stance() == Stance.NONE)));
        // “This is the Q115 … model number Q-115B”: the number that is labelled says it in full.
        models.keySet()
                .removeIf(key -> models.keySet().stream()
                        .anyMatch(other -> other.length() == key.length() + 1
                                && other.startsWith(key)
                                && isNumbered(other)
                                && !isNumbered(key)
                                && byKey.getOrDefault(key, List.of()).size() == 1));
        labelled.forEach(key -> {
            models.remove(key);
            builds.put(key, named(key));
        });
        ends.stream()
                .flatMap(List::stream)
                .filter(mention -> mention.stance() == Stance.AGAINST)
                .forEach(mention -> builds.putIfAbsent(
                        "*" + mention.value(),
                        new Named(
                                "*" + mention.value(),
                                Stance.AGAINST,
                                Read.of(mention.value(), mention.sentence(), mention.start(), Sure.LIKELY)
                                        .as("*" + mention.value()),
                                List.of(mention))));
        first();
        List<Map.Entry<String, Named>> inOrder = new ArrayList<>(models.entrySet());
        inOrder.sort(java.util.Comparator.comparingInt((Map.Entry<String, Named> entry) ->
                        entry.getValue().mentions().get(0).sentence().index())
                .thenComparingInt(entry -> entry.getValue().mentions().get(0).start())
                .thenComparing(entry -> entry.getValue().value()));
        models.clear();
        inOrder.forEach(entry -> models.put(entry.getKey(), entry.getValue()));
        return this;
    }

    /** The words “model number” stand before it. */
    private boolean isNumbered(String key) {
        return byKey.getOrDefault(key, List.of()).stream()
                .anyMatch(mention -> MODEL_NUMBER.matcher(before(mention, NEAR)).find());
    }

    private static final Pattern MODEL_NUMBER =
            Pattern.compile("\\bmodel (?:number|no\\.?)\\W{1,2}(?:is |says |reads )?(?:the )?$");
    private static final Pattern NOT_THE = Pattern.compile(
            "\\b(?:not|never|but not|nor|except) (?:for |on |with )?the (\\d{2,5}[a-z]{0,2})\\b(?![.,]\\d|%| ?(?:mb|gb|percent))");

    /** “The AB-200, not the 205”: the letters are those of the one before. */
    private void shortened() {
        Map<String, Mention> whole = new LinkedHashMap<>();
        byKey.values().forEach(mentions -> whole.put(mentions.get(0).value(), mentions.get(0)));
        for (Sentence sentence : sentences) {
            Matcher found = NOT_THE.matcher(sentence.lower());
            while (found.find()) {
                String said = sentence.value().substring(found.start(1), found.end(1));
                int digits = (int) said.chars().filter(Character::isDigit).count();
                whole.values().stream()
                        .filter(one -> one.sentence().index() <= sentence.index()
                                && sentence.index() - one.sentence().index() <= 3)
                        .filter(one -> SERIES.matcher(one.value()).matches()
                                && one.value().replaceAll("\\D", "").length() == digits)
                        .findFirst()
                        .ifPresent(one -> byKey.computeIfAbsent(
                                        ModelTokens.Token.key(one.value().replaceFirst("\\d.*$", "") + said),
                                        none -> new ArrayList<>())
                                .add(new Mention(
                                        one.value().replaceFirst("\\d.*$", "") + said,
                                        sentence,
                                        found.start(1),
                                        found.end(1),
                                        3,
                                        Stance.AGAINST,
                                        true)));
            }
        }
    }

    private static final Pattern DIGITS_AND_LETTER = Pattern.compile("(\\d{2,5})[A-Z]{1,2}");

    /** “The AB-200 … the 200K”: what is named by its digits and a letter has the letters of the one that is named in full. */
    private void lettered() {
        Map<String, String> whole = new LinkedHashMap<>();
        byKey.values().stream()
                .map(mentions -> mentions.get(0).value())
                .filter(value -> SERIES.matcher(value).matches())
                .forEach(value -> whole.putIfAbsent(
                        value.replaceAll("\\D", ""), value.replaceFirst("(\\d)[A-Za-z]{0,3}$", "$1")));
        for (List<Mention> mentions : List.copyOf(byKey.values())) {
            Mention first = mentions.get(0);
            Matcher shape = DIGITS_AND_LETTER.matcher(first.value());
            String known = shape.matches() ? whole.get(shape.group(1)) : null;
            if (known != null) {
                String full = known + first.value().substring(shape.group(1).length());
                byKey.remove(ModelTokens.Token.key(first.value()));
                mentions.forEach(one -> byKey.computeIfAbsent(ModelTokens.Token.key(full), none -> new ArrayList<>())
                        .add(new Mention(full, one.sentence(), one.start(), one.end(), 3, one.stance(), true)));
            }
        }
    }

    private static final Pattern SERIES = Pattern.compile("[A-Za-z]{1,6}[-_.]?\\d{2,5}[A-Za-z]{0,3}");

    private static final Pattern NUMBERING = Pattern.compile("[a-z]\\d{1,2}");
    private static final int MANY = 4;

    /** “Q1 … Q2 … Q3”: a letter that is counted up numbers questions, and is no model. */
    private void unnumber() {
        Map<Character, Long> counted = new HashMap<>();
        byKey.keySet().stream()
                .filter(key -> NUMBERING.matcher(key).matches())
                .forEach(key -> counted.merge(key.charAt(0), 1L, Long::sum));
        byKey.keySet()
                .removeIf(key -> NUMBERING.matcher(key).matches() && counted.getOrDefault(key.charAt(0), 0L) >= MANY);
    }

    /** What is said of one member of a list is said of all. */
    private void spread() {
        Map<Sentence, List<Mention>> bySentence = new LinkedHashMap<>();
        byKey.values()
                .forEach(mentions -> mentions.forEach(one -> bySentence
                        .computeIfAbsent(one.sentence(), none -> new ArrayList<>())
                        .add(one)));
        bySentence.values().forEach(mentions -> {
            mentions.sort(java.util.Comparator.comparingInt(Mention::start));
            for (int i = 1; i < mentions.size(); i++) {
                Mention before = mentions.get(i - 1);
                Mention own = mentions.get(i);
                boolean list = before.start() == own.start() && !before.value().equals(own.value())
                        || own.start() >= before.end()
                                && JOINED.matcher(own.sentence().lower().substring(before.end(), own.start()))
                                        .matches();
                boolean carries = before.stance() == Stance.FOR || before.stance() == Stance.AGAINST;
                if (list && carries && own.stance() != Stance.AGAINST && own.stance() != before.stance()) {
                    Mention said = new Mention(
                            own.value(),
                            own.sentence(),
                            own.start(),
                            own.end(),
                            own.shape(),
                            before.stance(),
                            own.worked());
                    mentions.set(i, said);
                    List<Mention> all = byKey.get(ModelTokens.Token.key(own.value()));
                    if (all != null) {
                        all.replaceAll(one -> one == own ? said : one);
                    }
                }
            }
        });
    }

    private static final Pattern JOINED =
            Pattern.compile("(?:\\s?(?:,|/|&|\\+|;|and|or)\\s?){1,2}(?:the |also the )?(?:[a-z0-9 ]{0,3})?");

    /** Where nothing is told to be in, the phone that is named first and best is what the guide speaks of. */
    private void first() {
        boolean some = models.values().stream().anyMatch(named -> named.stance() == Stance.FOR);
        models.entrySet().stream()
                .filter(entry -> entry.getValue().stance() == Stance.NONE
                        || entry.getValue().stance() == Stance.WARY)
                .filter(entry -> entry.getValue().mentions().stream().noneMatch(one -> one.stance() == Stance.AGAINST))
                .filter(entry -> !some
                        || entry.getValue().mentions().size() > 1
                                && entry.getKey().length() > 2
                                && files.stream().anyMatch(file -> file.contains(entry.getKey())))
                .max(java.util.Comparator.comparingInt(entry -> scores.getOrDefault(entry.getKey(), 0) * 4
                        + Math.min(4, entry.getValue().mentions().size())
                        - Math.min(
                                20,
                                entry.getValue().mentions().get(0).sentence().index() / 2)))
                .ifPresent(entry -> models.put(
                        entry.getKey(),
                        new Named(
                                entry.getValue().value(),
                                Stance.FOR,
                                entry.getValue().read().as(Sure.LIKELY),
                                entry.getValue().mentions())));
    }

    private static final Pattern ALIKE = Pattern.compile("[\\p{L}\\d]{1,6}-[\\p{L}\\d]{2,8}");
    private final List<Understood.Odd> odd = new ArrayList<>();

    /** What looks like a model number and is none, and what is told to be in and to be out. */
    List<Understood.Odd> odd() {
        List<Understood.Odd> all = new ArrayList<>(odd);
        models.values().stream()
                .filter(named -> named.stance() == Stance.AGAINST)
                .forEach(named -> named.mentions().stream()
                        .filter(mention -> mention.stance() == Stance.AGAINST)
                        .filter(mention -> named.mentions().stream()
                                .anyMatch(other ->
                                        other.stance() == Stance.FOR || other.stance() == Stance.NONE && isHead(other)))
                        .findFirst()
                        .ifPresent(mention -> all.add(new Understood.Odd(
                                "contradiction",
                                mention.sentence().text().lineAt(mention.start()),
                                named.value() + " is told to be in and to be out; it was left out."))));
        return all;
    }

    /** Letters of another alphabet stand where those of a model number would. */
    private void alike(Sentence sentence) {
        if (sentence.value().chars().noneMatch(one -> one > 0x7f && Character.isLetter(one))) {
            return;
        }
        Matcher found = ALIKE.matcher(sentence.value());
        while (found.find()) {
            boolean foreign = found.group().chars().anyMatch(one -> one > 0x7f && Character.isLetter(one));
            if (foreign
                    && found.group()
                            .replaceAll("[^\\x00-\\x7f]", "O")
                            .matches("[A-Z]{1,5}-[A-Z]{0,2}\\d{1,4}[A-Z]{0,2}")) {
                odd.add(new Understood.Odd(
                        "look-alike",
                        sentence.text().lineAt(found.start()),
                        "“" + found.group() + "” has letters of another alphabet; it was not taken."));
            }
        }
    }

    private void mentions(Sentence sentence) {
        String text = sentence.value();
        alike(sentence);
        Matcher range = RANGE_OF_LETTERS.matcher(text);
        while (range.find()) {
            for (char letter = range.group(2).charAt(0);
                    letter <= range.group(3).charAt(0);
                    letter++) {
                boolean inner = letter != range.group(2).charAt(0);
                add(range.group(1) + letter, sentence, range.start(), range.end(), 3, inner);
            }
        }
        ranges(sentence);
        Matcher bare = BARE.matcher(text);
        while (bare.find()) {
            String digits = bare.group(2);
            String other = bare.group(1);
            if (other != null
                    && ModelTokens.isCandidate(other.replaceFirst("/.*", ""))
                    && other.replaceAll("\\D", "").startsWith(digits.substring(0, 1))) {
                add(digits, sentence, bare.start(2), bare.end(2), 3, false);
            }
        }
        for (ModelTokens.Token token : tokens(sentence)) {
            String[] parts = token.value().split("/");
            Matcher word = WITH_WORD.matcher(text.substring(token.end()));
            if (parts.length == 1
                    && word.find()
                    && !text.substring(token.end() + word.end()).matches("(?s) \\([A-Z]{1,6}[-.]?\\d.*")) {
                add(
                        token.value() + " " + word.group(1),
                        sentence,
                        token.start(),
                        token.end() + word.end(),
                        token.shape(),
                        false);
                continue;
            }
            if (OPEN.matcher(token.value()).matches() && !hasSister(token.value())) {
                int open = token.value().length()
                        - token.value().replaceFirst("x+$", "").length();
                add(
                        token.value().replaceFirst("x+$", "?".repeat(open)),
                        sentence,
                        token.start(),
                        token.end(),
                        token.shape(),
                        true);
                continue;
            }
            add(
                    parts.length > 1 && !isSuffix(parts[1]) && parts[1].length() < 2 ? token.value() : parts[0],
                    sentence,
                    token.start(),
                    token.end(),
                    token.shape(),
                    false);
            for (int i = 1; i < parts.length && parts.length < 12; i++) {
                String base = parts[0].replaceFirst("[A-Za-z]{1,3}$", "");
                if (isSuffix(parts[i])) {
                    add(base + parts[i], sentence, token.start(), token.end(), token.shape(), true);
                } else if (ModelTokens.isCandidate(parts[i]) && parts[i].length() > 2) {
                    add(parts[i], sentence, token.start(), token.end(), token.shape(), false);
                }
            }
        }
    }

    /** “MP-3x or MP-3c”: beside others that end in a small letter the x is one as well. */
    private boolean hasSister(String value) {
        Pattern sister = Pattern.compile(Pattern.quote(value.replaceFirst("x+$", "")) + "[a-wyz]\\b");
        return sentences.stream()
                .anyMatch(sentence -> sister.matcher(sentence.value()).find());
    }

    private static final Pattern RANGE = Pattern.compile(
            "(?<![\\w.])([A-Z]{1,6}[-_.]?)(\\d{2,5})(?: to | - |-|–| through | thru | up to | until | ?\\.{2,3} ?| ?… ?)(?:\\1)?(\\d{2,5})(?![\\w.%])");
    private static final int LONGEST_RANGE = 40;

    /** “AB-500 to AB-504”: those between are named as well. */
    private void ranges(Sentence sentence) {
        Matcher found = RANGE.matcher(sentence.value());
        while (found.find()) {
            int low = Integer.parseInt(found.group(2));
            int high = Integer.parseInt(found.group(3));
            boolean fair =
                    found.group(2).length() == found.group(3).length() && high > low && high - low <= LONGEST_RANGE;
            for (int number = low + 1; fair && number < high; number++) {
                add(
                        found.group(1) + ("%0" + found.group(2).length() + "d").formatted(number),
                        sentence,
                        found.start(),
                        found.end(),
                        3,
                        true);
            }
            if (fair) {
                add(found.group(1) + found.group(3), sentence, found.start(), found.end(), 3, false);
            }
        }
    }

    private static boolean isSuffix(String part) {
        return part.matches("[A-Z]{1,3}");
    }

    private void add(String value, Sentence sentence, int start, int end, int shape, boolean worked) {
        Stance stance = stance(sentence, start, end);
        byKey.computeIfAbsent(ModelTokens.Token.key(value), none -> new ArrayList<>())
                .add(new Mention(value, sentence, start, end, shape, stance, worked));
    }

    private static final Pattern WHICH =
            Pattern.compile(".*\\b(?:which|what) (?:phones?|models?|devices?|ones)\\b.*\\?\\s*");

    private Stance stance(Sentence sentence, int start, int end) {
        if (sentence.quoted() || sentence.aside() && sentence.index() > ASIDE_HEAD) {
            Stance said = Stance.of(sentence, start, end);
            return said == Stance.FOR ? Stance.NONE : said;
        }
        boolean qualified =
                QUALIFIED.matcher(sentence.lower().substring(end)).lookingAt() || isOfAFile(sentence, start);
        if (sentence.section() == Sentence.Section.EXCLUDED) {
            return qualified ? Stance.UNSURE : Stance.AGAINST;
        }
        Stance said = Stance.of(sentence, start, end);
        if (said == Stance.AGAINST && qualified) {
            return Stance.UNSURE;
        }
        // “On the AB-1 with 6.0 it does not help” is said of the version.
        boolean version = said == Stance.AGAINST
                && WITH_VERSION.matcher(sentence.lower().substring(end)).lookingAt();
        if (version) {
            return Stance.NONE;
        }
        if (said == Stance.UNSURE
                && sentence.lower().strip().endsWith("?")
                && sentence.index() + 1 < sentences.size()) {
            String answer = sentences.get(sentence.index() + 1).lower();
            return REFUSED.begins(answer) ? Stance.AGAINST : GRANTED.begins(answer) ? Stance.FOR : said;
        }
        if (said == Stance.AGAINST || said == Stance.UNSURE) {
            return said;
        }
        if (TAKES.matcher(sentence.lower().substring(end)).lookingAt()) {
            return Stance.FOR;
        }
        boolean asked = said == Stance.NONE
                && sentence.index() > 0
                && WHICH.matcher(sentences.get(sentence.index() - 1).lower()).matches();
        return turnedAwayByNext(sentence, end) ? Stance.AGAINST : asked ? Stance.FOR : said;
    }

    /** “AB-1 with build 12 or newer” is out with that build alone, and what an old file does to a phone is said of the file. */
    private static final Pattern QUALIFIED = Pattern.compile(
            "\\W{0,3}(?:with|on|from|running|after|since|if on) (?:the |a )?(?:[\\w'’-]{3,14} )?(?:builds?|firmware|kernel|software|boot ?loader|loader|update|patch(?: level)?)\\b");

    private static final Cue OLD_FILE = Cue.of(
            "old",
            "older",
            "throw (?:it|that) away",
            "delete (?:it|that)",
            "withdrawn",
            "superseded",
            "replaced",
            "earlier");

    private static boolean isOfAFile(Sentence sentence, int start) {
        return OLD_FILE.in(sentence.lower())
                && FileNames.names(sentence.value()).stream()
                        .anyMatch(file -> file.end() < start && start - file.end() < NEAR);
    }

    /** “AB-1 takes that.zip”. */
    private static final Pattern TAKES = Pattern.compile(
            "\\W{0,2}(?:takes?|needs?|gets?|uses?|wants?|->|=>|=|:)\\W{1,3}(?:the )?[\\w.-]+\\.(?:zip|img|tar|apk|md5|bin)\\b");

    /** “The AB-1? No.” */
    private static final Cue REFUSED = Cues.of("modelsReading.refused");

    private static final Cue GRANTED = Cues.of("modelsReading.granted");
    private static final Pattern WITH_VERSION =
            Pattern.compile("\\W{0,3}(?:(?:with|on|running|and) )(?:os )?\\d+\\.\\d");

    private boolean hasTokenBehind(Sentence sentence, int from) {
        return tokens(sentence).stream().anyMatch(token -> token.start() >= from);
    }

    private List<ModelTokens.Token> tokens(Sentence sentence) {
        return tokens.computeIfAbsent(sentence.index(), none -> {
            List<ModelTokens.Token> found = ModelTokens.in(sentence.value());
            return found.size() <= MOST_TOKENS ? found : found.subList(0, MOST_TOKENS);
        });
    }

    /** “The other is sold as well. It has another loader; it dies.” */
    private boolean turnedAwayByNext(Sentence sentence, int end) {
        int next = sentence.index() + 1;
        if (next >= sentences.size() || hasTokenBehind(sentence, end)) {
            return false;
        }
        Sentence after = sentences.get(next);
        boolean same = after.block() == sentence.block() || after.is(Block.Kind.CAPTION);
        boolean refers = REFERS.begins(after.lower());
        return same && refers && !hasTokenBehind(after, 0) && Stance.isTurnedAwayBy(after.lower());
    }

    private static final Cue REFERS = Cues.of("modelsReading.refers");

    /** What stands behind the word for builds, or in a shape that only builds have. */
    private Set<String> labelledBuilds() {
        Set<String> found = new LinkedHashSet<>();
        byKey.forEach((key, mentions) -> {
            for (Mention mention : mentions) {
                String before = before(mention, NEAR);
                if (BUILD.matcher(before).find()
                        || mention.value()
                                .matches(
                                        "[A-Z0-9]{2,}(?:[._]\\d{1,4}){3,6}[A-Za-z]?|\\d{1,2}(?:\\.\\d{1,3})?\\.[A-Z]{1,2}(?:\\.\\d{1,4}){1,3}|[A-Z]\\d{1,3}\\.\\d{1,3}(?:-\\w+)?|[A-Z]{2,4}(?:\\.\\d{2,4}){2,4}[a-z]?|\\w+_[A-Z]{1,3}_\\d{2,5}")) {
                    found.add(key);
                }
            }
        });
        return found;
    }

    /** A model with more behind a mark is one of its builds; so is what is written like the end of a build. */
    private Set<String> buildsOf(Set<String> known) {
        Set<String> found = new LinkedHashSet<>();
        for (String key : byKey.keySet()) {
            String value = byKey.get(key).get(0).value();
            boolean labelled = byKey.get(key).stream()
                    .anyMatch(mention -> LABEL.matcher(before(mention, NEAR)).find());
            boolean longer = !labelled
                    && known.stream()
                            .anyMatch(model -> key.length() > model.length() + 2
                                    && key.startsWith(model)
                                    && value.substring(Math.min(value.length(), lengthOf(value, model.length())))
                                            .matches("[._-].*\\d.*"));
            if (longer) {
                found.add(key);
            }
        }
        Set<String> whole = new LinkedHashSet<>(found);
        byKey.forEach((key, mentions) -> {
            String value = mentions.get(0).value();
            Matcher shape = END_OF_BUILD.matcher(value);
            boolean end = shape.matches()
                    && (whole.stream()
                                    .anyMatch(build -> build.matches(
                                            ".*[._-]" + shape.group(1).toLowerCase(Locale.ROOT) + "\\d{1,3}"))
                            || mentions.stream()
                                    .anyMatch(mention ->
                                            BUILD.matcher(before(mention, NEAR)).find()));
            if (end && scores.getOrDefault(key, 0) < ENOUGH + 3) {
                found.add(key);
            }
        });
        return found;
    }

    private static final Pattern END_OF_BUILD = Pattern.compile("([A-Z]{1,2})\\d{1,3}[a-z]?");

    /** The part behind the last mark of a build that is named whole is of the same form. */
    private boolean isEndOfAnother(String value) {
        Matcher shape = END_OF_BUILD.matcher(value);
        if (!shape.matches()) {
            return false;
        }
        Pattern end = Pattern.compile("(?i).*[._-]" + shape.group(1) + "\\d{"
                + (value.length() - shape.group(1).length()) + "}");
        return byKey.values().stream()
                .map(mentions -> mentions.get(0).value())
                .anyMatch(other -> other.length() > value.length() + 4
                        && end.matcher(other).matches());
    }

    /** How many characters of a value make up so many of its key. */
    private static int lengthOf(String value, int keyLength) {
        int seen = 0;
        int at = 0;
        while (at < value.length() && seen < keyLength) {
            seen += "_- ".indexOf(value.charAt(at)) < 0 ? 1 : 0;
            at++;
        }
        return at;
    }

    private static String before(Mention mention, int most) {
        String lower = mention.sentence().lower();
        return lower.substring(Math.max(0, mention.start() - most), mention.start());
    }

    private int score(String key, List<Mention> mentions) {
        int best = -9;
        int repeated = 0;
        for (Mention mention : mentions) {
            String before = before(mention, NEAR);
            int score = mention.shape();
            score += LABEL.matcher(before).find() ? 3 : ARTICLE.matcher(before).find() ? 1 : 0;
            score += mention.sentence().index() < 2 && mention.shape() > 1 ? 2 : 0;
            score += mention.sentence().is(Block.Kind.HEADING) && mention.shape() > 1 ? 1 : 0;
            score += isInBrackets(mention) || isBehindName(mention) ? 2 : 0;
            score += mention.stance() == Stance.AGAINST ? 1 : 0;
            score += isAlone(mention) ? 2 : 0;
            score -= PART.matcher(before).find() ? 6 : 0;
            score -= isBesidePart(mention) ? 5 : 0;
            best = Math.max(best, score);
            repeated = Math.min(2, repeated + (mention.shape() > 1 ? 1 : 0));
        }
        boolean inFile = key.length() >= 3 && files.stream().anyMatch(file -> file.contains(key));
        return best + (repeated > 1 ? 1 : 0) + (inFile ? 2 : 0);
    }

    private static boolean isInBrackets(Mention mention) {
        String text = mention.sentence().value();
        int at = mention.start();
        return at > 2
                && IN_BRACKET.matcher(text.substring(Math.max(0, at - 14), at)).find();
    }

    private static final Pattern IN_BRACKET =
            Pattern.compile("\\w ?\\((?:the |model |exactly |mine: ?|type |that's )?$");
    private static final Pattern NAMED = Pattern.compile(
            "(?:\\p{Lu}\\p{L}{2,}|\\p{L}{4,} \\p{L}{3,})(?: \\p{L}{1,3}| \\d{1,2})?[,:]? (?:the |exactly |model |\\()?$");

    /** A name of a phone stands before it. */
    private static boolean isBehindName(Mention mention) {
        String before = mention.sentence().value().substring(0, mention.start());
        Matcher named = NAMED.matcher(before.substring(Math.max(0, before.length() - 40)));
        return named.find()
                && mention.shape() > 0
                && !NamesReading.isCommon(named.group().strip().split("[\\s,:]")[0]);
    }

    /** A list of nothing but models. */
    private static boolean isAlone(Mention mention) {
        return mention.sentence().isListed() && mention.start() <= 2 && mention.shape() > 0
                || mention.sentence().value().length() - (mention.end() - mention.start()) < 12 && mention.shape() > 1;
    }

    private static boolean isBesidePart(Mention mention) {
        String lower = mention.sentence().lower();
        String after = lower.substring(mention.end(), Math.min(lower.length(), mention.end() + 12))
                .strip();
        return after.matches("(?:chip|chipset|processor|kernel|drivers?|page|firmware file|build|modem|radio).*");
    }

    /** What differs from a model in its end alone is a model as well. */
    private void related() {
        List<String> sure = scores.entrySet().stream()
                .filter(entry -> entry.getValue() >= ENOUGH)
                .map(Map.Entry::getKey)
                .toList();
        scores.replaceAll((key, score) -> {
            if (score >= ENOUGH || score < 0) {
                return score;
            }
            boolean sister = sure.stream().anyMatch(other -> isSister(key, other) || isOfOneLine(key, other));
            return sister ? score + 3 : score;
        });
    }

    /** “AB-10” and “AB-2x”: the letters before the dash are the same. */
    private boolean isOfOneLine(String one, String other) {
        String value = byKey.getOrDefault(one, List.of()).stream()
                .findFirst()
                .map(Mention::value)
                .orElse("");
        String known = byKey.getOrDefault(other, List.of()).stream()
                .findFirst()
                .map(Mention::value)
                .orElse("");
        int dash = value.indexOf('-');
        return dash > 0
                && known.indexOf('-') == dash
                && known.startsWith(value.substring(0, dash))
                && Math.abs(value.length() - known.length()) <= 2;
    }

    private static boolean isSister(String one, String other) {
        int same = IntStream.range(0, Math.min(one.length(), other.length()))
                .filter(i -> one.charAt(i) != other.charAt(i))
                .findFirst()
                .orElse(Math.min(one.length(), other.length()));
        return same >= 3 && same >= other.length() - 3 && Math.abs(one.length() - other.length()) <= 3
                || same >= 2 && one.length() == other.length() && same >= other.length() - 2;
    }

    /** What all mentions of a name come to. */
    private Named named(String key) {
        List<Mention> mentions = byKey.getOrDefault(key, List.of());
        long against =
                mentions.stream().filter(one -> one.stance() == Stance.AGAINST).count();
        long wary = mentions.stream().filter(one -> one.stance() == Stance.WARY).count();
        long good = mentions.stream()
                .filter(one -> one.stance() == Stance.FOR || one.stance() == Stance.NONE && isHead(one))
                .count();
        boolean headed = mentions.stream()
                .anyMatch(one -> isHead(one) && one.stance() != Stance.AGAINST && one.stance() != Stance.WARY);
        boolean asked = mentions.stream().allMatch(one -> one.stance() == Stance.UNSURE);
        Stance stance = against > 0 && !(headed && good > against)
                ? Stance.AGAINST
                : asked ? Stance.UNSURE : good > 0 ? Stance.FOR : wary > 0 ? Stance.WARY : Stance.NONE;
        Mention shown = mentions.stream()
                .filter(one -> one.stance() == stance)
                .findFirst()
                .orElse(mentions.get(0));
        Sure sure = shown.worked()
                ? Sure.GUESS
                : good > 1 || headed || LABEL.matcher(before(shown, NEAR)).find() ? Sure.CERTAIN : Sure.LIKELY;
        String value = ENDS_IN.matcher(before(shown, NEAR)).find() ? "*" + shown.value() : shown.value();
        return new Named(value, stance, Read.of(value, shown.sentence(), shown.start(), sure), mentions);
    }

    /** “If the build ends in C185”: only its end is told. */
    private static final Pattern ENDS_IN =
            Pattern.compile("\\b(?:build|firmware|number|version)\\b[^.;]{0,12}\\bend(?:s|ing)? (?:in|with|on) \\W?$");

    private static boolean isHead(Mention mention) {
        return mention.sentence().is(Block.Kind.HEADING) || mention.sentence().index() < 2;
    }

    private static final Pattern WORD = Pattern.compile("\\bbuilds?\\b|\\bfirmware\\b");

    /** The word for builds, or the model it is of, stands before it. */
    static boolean isLabelled(Mention mention) {
        return BUILD.matcher(before(mention, 2 * NEAR)).find()
                || WORD.matcher(before(mention, NEAR)).find();
    }

    /** A build that only others speak of is their phone's. */
    static boolean isAside(Mention mention) {
        return mention.sentence().aside();
    }

    /** Whether a build is what the phone has only afterwards. */
    static boolean isLater(Mention mention) {
        String lower = mention.sentence().lower();
        return LATER.in(lower.substring(Math.max(0, mention.start() - 40), mention.start()));
    }
}
