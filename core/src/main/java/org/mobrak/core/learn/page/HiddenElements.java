package org.mobrak.core.learn.page;

import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Selector;

/**
 * Which elements of a page a browser does not show: by their kind (HTML Living Standard), by attributes, by their own style and by the
 * style sheets in the page (CSS 2.2 and its modules). Style sheets elsewhere are not there to be read; what their classes are usually
 * called is.
 */
final class HiddenElements {
    private static final String NEVER_SHOWN =
            "textarea, select, datalist, object, embed, canvas, audio, video, math annotation, noframes, dialog:not([open])";

    private static final Set<String> HIDING_CLASSES = Set.of(
            "sr-only",
            "visually-hidden",
            "visuallyhidden",
            "screen-reader-text",
            "d-none",
            "is-hidden",
            "hidden",
            "invisible");

    private static final int MOST_RULES = 400;
    private static final Pattern USUAL_SELECTOR =
            Pattern.compile("[\\w.#-]{1,120}(?:\\s{0,3}[>\\s]\\s{0,3}[\\w.#-]{1,120})?");
    /** So many looks at an element a page may cost; a usual one takes a hundredth of it. */
    private static final long MOST_LOOKS = 30_000_000;
    /** So deep the parser lets a page nest, about. */
    private static final int DEPTH = 500;

    private static final Pattern RULE = Pattern.compile("([^{}]{1,400})\\{([^{}]{0,2000})\\}");
    private static final Pattern FOR_PRINT =
            Pattern.compile("@media[^{}]{0,200}print[^{}]{0,200}\\{(?:[^{}]{0,400}\\{[^{}]{0,2000}\\}){0,200}\\s*\\}");
    private static final Pattern COMMENT = Pattern.compile("/\\*.{0,2000}?\\*/", Pattern.DOTALL);
    private static final Pattern LENGTH = Pattern.compile("(-?\\d{0,6}(?:\\.\\d{1,4})?)(px|em|rem|pt|vw|vh|%|)");

    /** So far outside of the window nobody scrolls; our own choice. */
    private static final double FAR = -500;

    private static final double EM_IN_PIXELS = 16;
    private static final double SMALLEST_LETTER = 2;
    private static final double HARDLY_SEEN = .1;

    private final Set<Element> byRule = Collections.newSetFromMap(new IdentityHashMap<>());

    private final int elements;
    private long left = MOST_LOOKS;

    HiddenElements(Document page) {
        this.elements = page.getAllElements().size();
        page.select("style").forEach(style -> rules(page, style.data()));
        byRule.addAll(page.select(NEVER_SHOWN));
    }

    private void rules(Document page, String sheet) {
        Matcher rules = RULE.matcher(
                FOR_PRINT.matcher(COMMENT.matcher(sheet).replaceAll(" ")).replaceAll(" "));
        for (int count = 0; rules.find() && count < MOST_RULES; count++) {
            if (hides(rules.group(2))) {
                for (String selector : rules.group(1).split(",")) {
                    select(page, selector.strip());
                }
            }
        }
    }

    /**
     * What depends on the mouse or stands before an element says nothing of the page as it lies there. A selector of many parts, each of
     * which may be anywhere above, would cost more than the page is worth.
     */
    private void select(Document page, String selector) {
        long cost = (long) elements * (selector.matches(".*[\\s>+~].*") ? DEPTH : 1);
        if (cost > left || !USUAL_SELECTOR.matcher(selector).matches()) {
            return;
        }
        left -= cost;
        try {
            byRule.addAll(page.select(selector));
        } catch (Selector.SelectorParseException unknown) {
            return;
        }
    }

    boolean has(Element element) {
        return byRule.contains(element)
                || element.hasAttr("hidden")
                || element.attr("aria-hidden").equals("true")
                || element.classNames().stream().anyMatch(HIDING_CLASSES::contains)
                || element.hasAttr("style") && hides(element.attr("style"));
    }

    /** Whether declarations take their element out of sight. */
    static boolean hides(String declarations) {
        Map<String, String> style = new HashMap<>();
        for (String one : declarations.toLowerCase(Locale.ROOT).split(";")) {
            int colon = one.indexOf(':');
            if (colon > 0) {
                style.put(
                        one.substring(0, colon).strip(),
                        one.substring(colon + 1).replace("!important", "").strip());
            }
        }
        return isOff(style) || isTooSmall(style) || isOutside(style) || isWithoutColour(style);
    }

    private static boolean isOff(Map<String, String> style) {
        return style.getOrDefault("display", "").equals("none")
                || Set.of("hidden", "collapse").contains(style.getOrDefault("visibility", ""))
                || number(style, "opacity", 1) < HARDLY_SEEN
                || style.getOrDefault("transform", "").matches("scale\\(\\s*0.*")
                || style.getOrDefault("content-visibility", "").equals("hidden");
    }

    private static boolean isTooSmall(Map<String, String> style) {
        boolean cut = style.getOrDefault("overflow", "").equals("hidden");
        return pixels(style, "font-size", EM_IN_PIXELS) < SMALLEST_LETTER
                || cut && (side(style, "height") < SMALLEST_LETTER || side(style, "width") < SMALLEST_LETTER)
                || style.getOrDefault("clip", "").matches("rect\\((?:[01](?:px)?[ ,]*){4}\\)")
                || style.getOrDefault("clip-path", "").matches("inset\\((?:100|[5-9]\\d)%.*");
    }

    private static double side(Map<String, String> style, String side) {
        return Math.min(pixels(style, side, EM_IN_PIXELS), pixels(style, "max-" + side, EM_IN_PIXELS));
    }

    private static boolean isOutside(Map<String, String> style) {
        boolean taken = Set.of("absolute", "fixed").contains(style.getOrDefault("position", ""));
        return taken
                        && Set.of("left", "top", "right", "bottom").stream()
                                .anyMatch(side -> pixels(style, side, 0) <= FAR)
                || pixels(style, "text-indent", 0) <= FAR
                || pixels(style, "margin-left", 0) <= FAR;
    }

    private static boolean isWithoutColour(Map<String, String> style) {
        String colour = style.getOrDefault("color", "");
        String ground = style.getOrDefault("background-color", style.getOrDefault("background", ""));
        return colour.equals("transparent")
                || colour.matches("rgba\\([^)]*,\\s*0(?:\\.0+)?\\)")
                || !colour.isEmpty() && colour.equals(ground);
    }

    private static double number(Map<String, String> style, String name, double usual) {
        String value = style.getOrDefault(name, "");
        return value.matches("\\d{0,3}(?:\\.\\d{1,6})?") && !value.isEmpty() ? Double.parseDouble("0" + value) : usual;
    }

    private static double pixels(Map<String, String> style, String name, double usual) {
        Matcher length = LENGTH.matcher(style.getOrDefault(name, ""));
        if (!length.matches() || length.group(1).isEmpty() || length.group(1).equals("-")) {
            return usual;
        }
        double value = Double.parseDouble(length.group(1));
        return switch (length.group(2)) {
            case "em", "rem", "vw", "vh" -> value * EM_IN_PIXELS;
            case "%" -> value == 0 ? 0 : usual;
            default -> value;
        };
    }
}
