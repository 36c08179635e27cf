package org.mobrak.core.learn.reading;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Keys that are held together, by the many ways in which people name them. */
public final class Chords {
    private static final Map<String, Pattern> KEYS = new LinkedHashMap<>();

    static {
        KEYS.put(
                "volume-up",
                Pattern.compile(
                        "\\b(?:upper|top) vol(?:ume)?\\b|\\bvol(?:ume)?s?\\.?[\\s-]{0,2}(?:key |button )?(?:up\\b|plus\\b|\\+)|\\bvol \\+|\\bup[ -]volume|\\bboth vol(?:ume)?s?\\b|\\bvu\\b|\\bboth volume"));
        KEYS.put(
                "volume-down",
                Pattern.compile(
                        "\\b(?:lower|bottom) vol(?:ume)?\\b|\\bvol(?:ume)?\\.?[\\s-]{0,2}(?:key |button )?(?:down\\b|dn\\b|minus\\b|−)|\\bvol(?:ume)? ?-(?=\\W|$)|\\bdown[ -]volume|\\bboth vol(?:ume)?s?\\b|\\bvd\\b|\\bboth volume"));
        KEYS.put("home", Pattern.compile("\\bhome\\b(?! screen| folder| page)|\\bmiddle (?:key|button)"));
        KEYS.put(
                "power",
                Pattern.compile(
                        "\\bpower\\b(?! of|ed|ful)|\\bpwr\\b|\\bbutton of turn on|\\bon/off\\b|\\bon button|\\bswitch-on key"));
        KEYS.put(
                "camera",
                Pattern.compile(
                        "\\bcamera (?:key|button)|\\bcamera\\b(?= power|,| \\+| and power)|(?<=\\+ )camera\\b|(?<=(?:up|down|power) and )camera\\b"));
        KEYS.put("back", Pattern.compile("\\bback (?:key|button)"));
    }

    private static final Pattern PLUG = Pattern.compile("\\bplug(?:ged|ging)?\\b|\\bconnect(?:ed|ing)?\\b|\\bcable\\b");
    private static final Pattern HOLD = Pattern.compile(
            "\\b(?:hold|holds|holding|held|press|pressed|pressing|keep|kept|push|pushed|down together|together|same time|at once|three fingers|all three|both)\\b|\\+|=");
    private static final Pattern PARTS = Pattern.compile(
            "[.;:!?(]|\\bthen\\b|\\buntil\\b|\\btill\\b|\\blet go\\b|\\brelease\\b|->|\\bto (?:confirm|continue|go on|say yes|choose|select|accept)|\\bwhen (?:you|the|it)\\b|\\bappears?\\b|\\bconfirm\\b|\\bfor yes\\b|\\bthe phone\\b|\\bwarning\\b|, (?=vol(?:ume)? ?(?:up|down|dn) (?:to|for|=))");
    private static final Pattern NOT =
            Pattern.compile("\\b(?:not|never|don't|do not|without|instead of|no)\\b[^,]{0,24}$");
    private static final Pattern MENU = Pattern.compile(
            "\\b(?:go|move|scroll|choose|select|navigate|line|menu|pick|down to|highlight|twice|once)\\b");

    /** “Volume down and plug the cable in” is one movement. */
    private static final Pattern WHILE_PLUGGING = Pattern.compile(
            "\\bvol(?:ume)?[ -]?(?:up|down|dn)\\b(?: key| button)?,? (?:and|then|while|when|as) (?:you )?(?:plug|put|connect|stick)(?:ging|ting|ing)?\\b"
                    + "|\\b(?:plug|put|connect|stick)(?:ged|ging|ting|ing)?\\b[^.;]{0,30}\\b(?:while|with|when|as) (?:you )?(?:press|hold|keep|push)(?:ing)?\\b");

    private static final Pattern TOGETHER =
            Pattern.compile("\\b(?:at the same time|together|at once|all three|three keys)\\b");

    private Chords() {}

    private static final Pattern UNTIL = Pattern.compile(
            "\\b(?:until|till) (?:(?:you|it|there|that) (?:see|appears?|comes?|is|shows?) )?([^.,;:!?()\\d]{3,40}?)(?= (?:appears?|comes?(?: up)?|shows?|is shown|lights up|becomes visible|starts)\\b|[.,;:!?()]|$| and\\b| then\\b)");
    private static final Pattern CONFIRM = Pattern.compile(
            "\\b(?:then|confirm(?: with)?|press|and)\\b[^.;]{0,20}\\b(vol(?:ume)?[ -]?(?:up|down|dn)|power)\\b[^.;]{0,12}\\b(?:to (?:confirm|continue|go on|say yes)|for yes|once)|, press (vol(?:ume)?[ -]?(?:up|down|dn))\\b|\\bconfirm(?:ed)? with (vol(?:ume)?[ -]?(?:up|down|dn)|power)\\b"
                    + "|\\bwarning\\b\\W{1,4}(?:then )?(vol(?:ume)?[ -]?(?:up|down|dn))\\b");

    /** A person's words as a chord of the catalogue; empty where they name no keys that are held together. */
    public static Optional<String> ofWords(String words) {
        return chord(Sentence.plain(words));
    }

    /** The keys of a sentence as a chord of the catalogue: what is held, until when, and what is pressed then. */
    static Optional<String> chord(String lower) {
        return in(lower).map(keys -> {
            String held = keys.replace(" + plug", "");
            boolean plugged = keys.endsWith(" + plug");
            Matcher until = UNTIL.matcher(lower);
            String cue = plugged
                    ? " until the cable is in"
                    : until.find() && until.group(1).matches(".*\\p{L}{3,}.*")
                            ? " until " + until.group(1).strip()
                            : "";
            Matcher confirm = CONFIRM.matcher(lower);
            String then = "";
            if (confirm.find()) {
                String key = IntStream.rangeClosed(1, confirm.groupCount())
                        .mapToObj(confirm::group)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse("")
                        .replaceAll("vol(?:ume)?[ -]?", "volume-")
                        .replace("dn", "down");
                then = held.contains(key) ? "" : "; press " + key;
            }
            return "hold " + held + cue + then;
        });
    }

    private static final Pattern YES = Pattern.compile(
            "\\b(?:press|tap|push|confirm(?: with)?)(?:ed|s)? (?:the )?vol(?:ume)?[ -]?(up|down|dn)\\b");

    /** The key that says yes to the warning after which the others were let go. */
    static Optional<String> yes(String lower) {
        Matcher found = YES.matcher(lower);
        return found.find() && in(lower).isEmpty()
                ? Optional.of("volume-" + found.group(1).replace("dn", "down"))
                : Optional.empty();
    }

    /** The keys of a sentence that are held at once, as {@code volume-down + power}; empty where there are none. */
    static Optional<String> in(String lower) {
        if (!lower.contains("vol")
                && !lower.contains("power")
                && !lower.contains("pwr")
                && !lower.contains("camera")
                && !lower.contains("turn on")
                && !lower.contains("home")) {
            return Optional.empty();
        }
        Set<String> union = new LinkedHashSet<>();
        for (String part : PARTS.split(lower)) {
            Set<String> keys = keys(part);
            boolean plugged = PLUG.matcher(lower).find()
                    && (lower.matches(".*\\b(?:hold|held|holding|keep|pressed|kept)\\b.*")
                            || WHILE_PLUGGING.matcher(lower).find())
                    && !MENU.matcher(part).find();
            if (keys.size() >= 2
                    && keys.stream()
                            .anyMatch(key -> key.startsWith("volume") || key.equals("home") || key.equals("camera"))) {
                boolean bothWays = keys.contains("volume-up")
                        && keys.contains("volume-down")
                        && !part.contains("both")
                        && !(keys.contains("power") && TOGETHER.matcher(part).find());
                if (!bothWays || keys.size() == 2 && !MENU.matcher(part).find()) {
                    return MENU.matcher(part).find() && !HOLD.matcher(part).find()
                            ? Optional.empty()
                            : Optional.of(String.join(" + ", keys));
                }
            }
            if (keys.size() == 1 && plugged && !keys.contains("power")) {
                return Optional.of(keys.iterator().next() + " + plug");
            }
            if (HOLD.matcher(part).find() && !MENU.matcher(part).find()) {
                union.addAll(keys);
            }
        }
        boolean clear = union.size() >= 2
                && !(union.contains("volume-up") && union.contains("volume-down"))
                && union.contains("power");
        return clear ? Optional.of(String.join(" + ", union)) : Optional.empty();
    }

    private static Set<String> keys(String part) {
        Set<String> keys = new LinkedHashSet<>();
        KEYS.forEach((key, pattern) -> {
            Matcher found = pattern.matcher(part);
            while (found.find()) {
                if (!NOT.matcher(part.substring(0, found.start())).find()) {
                    keys.add(key);
                }
            }
        });
        return keys;
    }
}
