package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;

/** Who made a phone and what it was sold as, by the capital words beside its model number and in the title. */
final class NamesReading {
    /** Words that stand with a capital in titles and at the heads of sentences, and are no names. */
    private static final Set<String> COMMON = new java.util.HashSet<>(List.of(
            ("a an the and or of on in to for from with without by at is are was it its this that these those my your our his her you we i he she they me us them not no yes "
                            + "how what when where why which who guide tutorial howto root rooting rooted unroot unlock unlocking unlocked bootloader loader recovery custom stock firmware rom os system kernel flash flashing install installing installation update updated upgrade downgrade back factory software phone phones tablet device devices model models only all one every everything after before new old easy quick simple complete full final step steps part first second third "
                            + "re fwd aw subject post posted question help please solved solution fix fixed working works tested windows linux mac usb pc sd card sim battery download downloads file files tool toolkit app apps manager package packages version build android hello hi dear thanks thank okay ok so now then if as but here there get getting put putting take use using make made write writing written read start warning warnings danger edit note notes important attention memo page voice message method hard soft way ways very your own slowly button explained "
                            + "january february march april may june july august september october november december jan feb mar apr jun jul aug sep oct nov dec monday tuesday wednesday thursday friday saturday sunday mon tue wed thu fri sat sun european american international edition group club wiki forum blog news home permanent temporary write-protection protection official tutorial german english spanish italian french polish russian chinese my mine wednesday tinkering finally journey long sorry corporate mail says gadget courier review user senior member posted author revision handout workshop team project series family variant "
                            + "settings developer options debugging driver drivers mode enter password menu wipe data cache reset reboot restart confirm cancel open close choose select press hold volume power key keys screen logo icon shop store market internet wifi it's i'm don't do does did can could will would should must have has had been being am go goes going comes come came let lets like want wants need needs given setup two three four five six seven eight nine ten both either dual nothing nobody anyone somebody about purpose applies program price prerequisites risk proof sum md5 sha sha1 sha256 slot field start usb-debugging firmware:  public beta alpha stable release releases changelog changes added removed")
                    .split("\\s+")));

    private static final Pattern NAME = Pattern.compile(
            "(?:[\\p{Lu}][\\p{L}’'-]*[\\p{Ll}][\\p{L}’'-]*|[\\p{Lu}]{3,})(?:[ ](?:[\\p{Lu}][\\p{L}’'-]*|[\\p{Lu}]|\\d{1,2}(?![.\\d%:])|[IVX]{1,4}|[A-Z]\\d{1,3}|[A-Z]{2,4})(?![\\w.]))*");
    private static final Pattern LOWER_BEFORE_BRACKET = Pattern.compile(
            "(?:^|[=,:;] ?|\\b(?:the|my|a|an|for|on|is|have|has) )((?:[\\p{L}]{3,}) (?:[\\p{L}\\d]+ ?){1,3})[(,]\\s?$");
    private static final Pattern OWNER = Pattern.compile(
            "\\b([\\p{Lu}][\\p{L}-]{2,})(?:'s|’s|-| own| USB)? ?(?:Drivers?|drivers?|USB driver|phones|page)");

    private final List<Sentence> sentences;
    private final Map<String, Integer> counts = new HashMap<>();

    /** A maker and the name it was sold under. */
    record Name(String maker, String shop, Sentence sentence) {}

    NamesReading(List<Sentence> sentences) {
        this.sentences = sentences;
        for (Sentence sentence : sentences) {
            for (String word : sentence.value().split("[^\\p{L}\\p{N}'’-]+")) {
                counts.merge(word.replaceFirst("['’]s$", "").toLowerCase(Locale.ROOT), 1, Integer::sum);
            }
        }
    }

    /** By the key of a model, its name; models beside which none stands have the guide's own. */
    Map<String, Name> read(Map<String, ModelsReading.Named> models) {
        Map<String, Name> found = new LinkedHashMap<>();
        Optional<Name> own = general();
        models.forEach((key, model) -> beside(model, own).or(() -> own).ifPresent(name -> found.put(key, name)));
        return found;
    }

    /** What the whole guide is about. */
    Optional<Name> general() {
        Map<String, Name> candidates = new LinkedHashMap<>();
        Map<String, Double> weights = new LinkedHashMap<>();
        for (Sentence sentence : sentences) {
            if (sentence.index() > 25 && !sentence.lower().contains("driver")) {
                break;
            }
            for (Name name : names(sentence)) {
                String key = (name.maker() + " " + name.shop()).toLowerCase(Locale.ROOT);
                candidates.putIfAbsent(key, name);
                weights.merge(key, weight(name, sentence), Double::sum);
            }
        }
        return weights.entrySet().stream()
                .filter(entry -> entry.getValue() >= 1.5)
                .max(Map.Entry.comparingByValue())
                .map(entry -> candidates.get(entry.getKey()));
    }

    private double weight(Name name, Sentence sentence) {
        double weight = sentence.index() < 2 ? 2 : sentence.is(Block.Kind.HEADING) ? 1.2 : .7;
        weight += name.shop().isEmpty() ? -1 : .6;
        weight += counts.getOrDefault(name.maker().toLowerCase(Locale.ROOT), 0) > 1 ? .6 : 0;
        String first = name.shop().split(" ")[0].toLowerCase(Locale.ROOT);
        weight += !first.isEmpty() && counts.getOrDefault(first, 0) > 1 ? .4 : 0;
        boolean makes =
                sentences.stream().anyMatch(one -> one.lower().contains("driver") && owns(one.value(), name.maker()));
        return weight + (makes ? 1 : 0);
    }

    private static boolean owns(String text, String maker) {
        Matcher owner = OWNER.matcher(text);
        return owner.find() && owner.group(1).equalsIgnoreCase(maker);
    }

    /** Names of two words or more in a sentence. */
    private List<Name> names(Sentence sentence) {
        List<Name> names = new ArrayList<>();
        boolean shouted = sentence.value().equals(sentence.value().toUpperCase(Locale.ROOT));
        Matcher found = NAME.matcher(sentence.value());
        while (found.find()) {
            List<String> words = new ArrayList<>(List.of(found.group().split(" ")));
            while (!words.isEmpty() && isCommon(words.get(0))) {
                words.remove(0);
            }
            List<String> own = new ArrayList<>();
            for (String word : words) {
                boolean model = ModelTokens.isCandidate(word) && word.length() > 2;
                if (isCommon(word) || model) {
                    break;
                }
                own.add(word);
            }
            if (own.size() >= 2 && own.size() <= 5 && !shouted) {
                String maker = own.get(0).replaceFirst("['’]s$", "");
                names.add(new Name(maker, String.join(" ", own.subList(1, own.size())), sentence));
            }
        }
        return names;
    }

    static boolean isCommon(String word) {
        return COMMON.contains(word.toLowerCase(Locale.ROOT).replaceFirst("['’]s$", ""));
    }

    /** The name that stands right before a model number. */
    private Optional<Name> beside(ModelsReading.Named model, Optional<Name> own) {
        for (ModelsReading.Mention mention : model.mentions()) {
            String before = mention.sentence().value().substring(0, mention.start());
            String near = before.substring(Math.max(0, before.length() - 60));
            Matcher lower = LOWER_BEFORE_BRACKET.matcher(near);
            Optional<Name> last = names(mention.sentence()).stream()
                    .filter(name -> near.replaceFirst("[\\s(,:–—-]{1,4}(?:the |model |exactly |that's |is )?$", "")
                            .endsWith(name.shop()))
                    .reduce((one, two) -> two);
            if (last.isPresent()
                    && (own.isEmpty() || own.get().maker().equals(last.get().maker()))) {
                return last;
            }
            if (own.isEmpty() && lower.find() && mention.stance() != Stance.AGAINST) {
                String[] words = lower.group(1).strip().split(" ");
                if (words.length >= 2
                        && !isCommon(words[0])
                        && words[0].matches("\\p{L}{3,}")
                        && words[1].matches("\\p{L}{3,}.*")) {
                    return Optional.of(new Name(
                            words[0], String.join(" ", List.of(words).subList(1, words.length)), mention.sentence()));
                }
            }
        }
        return Optional.empty();
    }
}
