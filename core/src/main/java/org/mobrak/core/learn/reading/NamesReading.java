package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.mobrak.core.learn.page.Block;

/** Who made a phone and what it was sold as, by the capital words beside its model number and in the title. */
final class NamesReading {
    /** Words that stand with a capital in titles and at the heads of sentences, and are no names. */
    private static final Set<String> COMMON = new java.util.HashSet<>(List.of(
            ("a an the and or of on in to for from with without by at is are was it its this that these those my your our his her you we i he she they me us them not no yes "
                            + "how what when where why which who guide tutorial howto root rooting rooted unroot unlock unlocking unlocked bootloader loader recovery custom stock firmware rom os system kernel flash flashing install installing installation update updated upgrade downgrade back factory software phone phones tablet device devices model models only all one every everything after before new old easy quick simple complete full final step steps part first second third "
                            + "re fwd aw subject post posted question help please solved solution fix fixed working works tested windows linux mac usb pc sd card sim battery download downloads file files tool toolkit app apps manager package packages version build hello hi dear thanks thank okay ok so now then if as but here there get getting put putting take use using make made write writing written read start warning warnings danger edit note notes important attention memo page voice message method hard soft way ways very your own slowly button explained "
                            + "january february march april may june july august september october november december jan feb mar apr jun jul aug sep oct nov dec monday tuesday wednesday thursday friday saturday sunday mon tue wed thu fri sat sun european american international edition group club wiki forum blog news home permanent temporary write-protection protection official tutorial german english spanish italian french polish russian chinese my mine wednesday tinkering finally journey long sorry corporate mail says gadget courier review user senior member posted author revision handout workshop team project series family variant "
                            + "settings developer options debugging driver drivers mode enter password menu wipe data cache reset reboot restart confirm cancel open close choose select press hold volume power key keys screen logo icon shop store market internet wifi it's i'm don't do does did can could will would should must have has had been being am go goes going comes come came let lets like want wants need needs given setup two three four five six seven eight nine ten both either dual nothing nobody anyone somebody about purpose applies program price prerequisites risk proof sum md5 sha sha1 sha256 slot field start usb-debugging firmware:  public beta alpha stable release releases changelog changes added removed")
                    .split("\\s+")));

    private static final Pattern NAME = Pattern.compile(
            "(?<![\\p{L}\\d'])\\p{Lu}[\\p{L}’'-]*[\\p{Ll}][\\p{L}’'-]*(?:[ ][\"“]?(?:\\p{Lu}[\\p{L}’'-]*(?<!-)|\\d{1,2}(?![.\\d%:])|[IVX]{1,4}|[A-Z]\\d{1,3}|[A-Z]{2,4})(?![\\w.]|-\\d)){0,12}");
    private static final Pattern SMALL = Pattern.compile(
            "(?:^|[=,:;(] ?|\\b(?:the|my|a|an|for|on|is|own|called) )(\\p{L}{4,}(?: \\p{L}{3,})?(?: \\d{1,2}| \\p{L}{1,4})?)[ ,(:-]{1,3}(?:the |model |exactly )?$");
    /** “The Lark (AB-50)”. */
    private static final Pattern SINGLE = Pattern.compile(
            "\\b(?:[Tt]he|[Aa]|[Mm]y|[Oo]ur|[Tt]his|[Yy]our) [\"“]?(\\p{Lu}\\p{Ll}{2,})[\"”]? ?\\((?:the |model |type |exactly )?$");

    private static final Pattern BYLINE = Pattern.compile(
            "(?:\\b(?:by|von|from|dr|mr|mrs|ms|frau|herr|thanks|thank you|user|author|to|dear|hi|hello|de|napisał|por|автор|wrote|greets|regards|cheers|sold by|locked by|one for|twin for|that of|version for|variant for|branded)\\.?:?|@|^[-—–*])\\s?\"?$");
    private static final Pattern MAKES =
            Pattern.compile("\\b(\\p{Lu}[\\p{L}-]{2,})(?:'s|’s|-| own| USB)? ?(?:Drivers?|drivers?|USB driver)");
    private static final int HEAD = 30;
    private static final int BEFORE = 46;

    private final List<Sentence> sentences;
    private final Map<String, Integer> counts = new HashMap<>();
    private final boolean capitals;

    /** A maker and the name it was sold under; either may be empty. */
    record Name(String maker, String shop, Sentence sentence) {}

    NamesReading(List<Sentence> sentences) {
        this.sentences = sentences;
        int shouted = 0;
        for (Sentence sentence : sentences) {
            shouted += sentence.value().equals(sentence.value().toUpperCase(Locale.ROOT)) ? 1 : 0;
            for (String word : WORDS.split(sentence.value())) {
                counts.merge(bare(word), 1, Integer::sum);
            }
        }
        capitals = shouted * 2 > sentences.size() && sentences.size() > 3;
    }

    private static final Pattern WORDS = Pattern.compile("[^\\p{L}\\p{N}'’-]+");

    private static String bare(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        return lower.endsWith("'s") || lower.endsWith("’s") ? lower.substring(0, lower.length() - 2) : lower;
    }

    /** By the key of a model, its name; models beside which none stands have the guide's own. */
    Map<String, Name> read(Map<String, ModelsReading.Named> models) {
        Map<String, Name> found = new LinkedHashMap<>();
        Optional<Name> own = general(models);
        models.forEach((key, model) -> beside(model)
                .filter(name -> own.isEmpty()
                        || own.get().maker().isEmpty()
                        || name.maker().isEmpty()
                        || own.get().maker().equals(name.maker()))
                .map(name -> name.maker().isEmpty() && own.isPresent()
                        ? new Name(own.get().maker(), name.shop(), name.sentence())
                        : name)
                .or(() -> own)
                .ifPresent(name -> found.put(key, name)));
        return found;
    }

    /** What the whole guide is about: the name that stands beside a model number, else in the title. */
    Optional<Name> general(Map<String, ModelsReading.Named> models) {
        Map<String, Name> candidates = new LinkedHashMap<>();
        Map<String, Double> weights = new LinkedHashMap<>();
        for (Sentence sentence : sentences) {
            if (sentence.index() > HEAD) {
                break;
            }
            for (Name name : names(sentence)) {
                weigh(name, weight(name, sentence), candidates, weights);
            }
        }
        models.values().forEach(model -> beside(model).ifPresent(name -> weigh(name, 2.5, candidates, weights)));
        return weights.entrySet().stream()
                .filter(entry -> entry.getValue() >= 1.5)
                .max(Map.Entry.comparingByValue())
                .map(entry -> withMaker(candidates.getOrDefault(entry.getKey(), new Name("", "", sentences.get(0)))))
                .filter(name -> !name.maker().isEmpty() || !name.shop().isEmpty());
    }

    private static void weigh(Name name, double weight, Map<String, Name> candidates, Map<String, Double> weights) {
        String key = (name.maker() + " " + name.shop()).toLowerCase(Locale.ROOT);
        candidates.putIfAbsent(key, name);
        weights.merge(key, weight, Double::sum);
    }

    private double weight(Name name, Sentence sentence) {
        double weight = sentence.index() < 2 ? 1.4 : sentence.is(Block.Kind.HEADING) ? 1 : .5;
        weight += name.shop().isEmpty() || name.maker().isEmpty() ? -.4 : .6;
        weight += counts.getOrDefault(bare(name.maker()), 0) > 1 ? .5 : 0;
        String first = name.shop().isEmpty() ? "" : bare(name.shop().split(" ")[0]);
        weight += !first.isEmpty() && counts.getOrDefault(first, 0) > 1 ? .5 : 0;
        boolean makes =
                sentences.stream().anyMatch(one -> one.lower().contains("driver") && makes(one.value(), name.maker()));
        boolean told = !name.shop().isEmpty()
                && Pattern.compile(
                                "(?i)(?:^\\W*(?:phone|device|tablet|name|sold as|handset)\\W{1,3}|\\b(?:phone|device|tablet) (?:is|was) (?:an? |the |called )?)(?:\\p{L}+ )?"
                                        + Pattern.quote(name.shop()))
                        .matcher(sentence.value())
                        .find();
        return weight + (makes ? 1 : 0) + (told ? 1 : 0);
    }

    private static boolean makes(String text, String maker) {
        Matcher owner = MAKES.matcher(text);
        return !maker.isEmpty() && owner.find() && owner.group(1).equalsIgnoreCase(maker);
    }

    /** “Tussle 2” is a name of the shops; who made it stands before it elsewhere. */
    private Name withMaker(Name name) {
        if (!name.maker().isEmpty()) {
            return name;
        }
        Pattern before = Pattern.compile("(\\p{Lu}\\p{Ll}{2,})(?:'s|’s)?,? [\"“']?" + Pattern.quote(name.shop()));
        for (Sentence sentence : sentences) {
            Matcher found = before.matcher(sentence.value());
            if (found.find() && !isCommon(found.group(1))) {
                return new Name(found.group(1), name.shop(), sentence);
            }
        }
        Pattern behind = Pattern.compile(Pattern.quote(name.shop())
                + "[\"”']?,? (?:from|by|made by|which is made by|of the maker) (\\p{Lu}\\p{Ll}{2,})\\b|(\\p{Lu}\\p{Ll}{2,}) (?:»|>|/|›) "
                + Pattern.quote(name.shop())
                + "|^\\W*(?:[Mm]aker|[Mm]ake|[Bb]rand|[Mm]anufacturer|[Vv]endor)\\W{1,3}(\\p{Lu}\\p{L}{2,})\\W*$");
        for (Sentence sentence : sentences) {
            Matcher found = behind.matcher(sentence.value());
            if (found.find()) {
                String maker = IntStream.rangeClosed(1, 3)
                        .mapToObj(found::group)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse("");
                if (!isCommon(maker)) {
                    return new Name(maker, name.shop(), sentence);
                }
            }
        }
        for (Sentence sentence : sentences) {
            Matcher owner = MAKES.matcher(sentence.value());
            if (owner.find() && !isCommon(owner.group(1))) {
                return new Name(owner.group(1), name.shop(), name.sentence());
            }
        }
        return name;
    }

    /** Names in a sentence: two words or more, or one and a number. */
    private List<Name> names(Sentence sentence) {
        List<Name> names = new ArrayList<>();
        if (capitals) {
            return names;
        }
        Matcher found = NAME.matcher(sentence.value());
        while (found.find()) {
            String before = sentence.lower().substring(Math.max(0, found.start() - 14), found.start());
            if (!BYLINE.matcher(before).find()) {
                name(List.of(found.group().replaceAll("[\"“”]", "").split(" ")), sentence)
                        .ifPresent(names::add);
            }
        }
        return names;
    }

    private static Optional<Name> name(List<String> said, Sentence sentence) {
        List<String> own = new ArrayList<>();
        for (String word : said) {
            boolean model = ModelTokens.isCandidate(word) && word.length() > 2;
            // “Run HarrowKey” orders something, and is nobody's name.
            if (own.isEmpty() && (isCommon(word) || Acts.isVerb(bare(word)))) {
                continue;
            }
            if (isCommon(word) || model) {
                break;
            }
            own.add(word);
        }
        if (own.size() < 2
                || own.size() > 5
                || own.get(0).length() < 3
                || !Character.isLetter(own.get(0).charAt(0))) {
            return Optional.empty();
        }
        boolean onlyShop =
                own.get(1).chars().noneMatch(Character::isLetter) || own.get(1).length() == 1;
        String maker = onlyShop ? "" : own.get(0).replaceFirst("['’]s$", "");
        return Optional.of(new Name(maker, String.join(" ", onlyShop ? own : own.subList(1, own.size())), sentence));
    }

    static boolean isCommon(String word) {
        return COMMON.contains(bare(word));
    }

    /** The name that stands right before a model number, or at the end of the sentence before. */
    private Optional<Name> beside(ModelsReading.Named model) {
        for (Mention mention : model.mentions()) {
            Sentence sentence = mention.sentence();
            String before = sentence.value().substring(0, mention.start());
            String near = before.substring(Math.max(0, before.length() - BEFORE));
            Optional<Name> last = names(sentence).stream()
                    .filter(name -> near.contains(name.shop())
                            && near.length()
                                            - near.lastIndexOf(name.shop())
                                            - name.shop().length()
                                    < 34)
                    .reduce((one, two) -> two);
            if (last.isPresent() && !last.get().shop().isEmpty()) {
                return last;
            }
            Optional<Name> small = small(sentence, near);
            if (small.isPresent()) {
                return small;
            }
            Matcher single = SINGLE.matcher(near);
            if (single.find() && !isCommon(single.group(1)) && !capitals) {
                return Optional.of(new Name("", single.group(1), sentence));
            }
            if (mention.start() < 4 && sentence.index() > 0) {
                Sentence previous = sentences.get(sentence.index() - 1);
                Optional<Name> ending = names(previous).stream()
                        .filter(name ->
                                previous.value().replaceFirst("[.,;: ]+$", "").endsWith(name.shop()))
                        .findFirst();
                if (ending.isPresent()) {
                    return ending;
                }
            }
        }
        return Optional.empty();
    }

    /** In a text without capitals, or with nothing else: the words that stand before the number and are no words of the language. */
    private static Optional<Name> small(Sentence sentence, String near) {
        Matcher found = SMALL.matcher(near);
        if (!found.find()) {
            return Optional.empty();
        }
        List<String> words = List.of(found.group(1).split(" "));
        boolean names = words.stream().limit(2).noneMatch(NamesReading::isCommon)
                && words.size() >= 2
                && words.get(1).matches("\\p{L}{3,}|\\d{1,2}");
        boolean verbs = words.stream().limit(2).anyMatch(word -> Acts.isVerb(bare(word)));
        if (!names || verbs) {
            return Optional.empty();
        }
        boolean onlyShop = words.get(1).matches("\\d+");
        return Optional.of(new Name(
                onlyShop ? "" : words.get(0),
                String.join(" ", onlyShop ? words : words.subList(1, words.size())),
                sentence));
    }
}
