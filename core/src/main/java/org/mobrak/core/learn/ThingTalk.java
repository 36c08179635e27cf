package org.mobrak.core.learn;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.learn.Lesson.Sure;

/** What a guide says of money, tools and their versions, slots, chipset, kernel and carriers. */
final class ThingTalk {
    private static final int NEAR = 24;
    private static final String AMOUNT = "([0-9]{1,4}(?:\\.[0-9]{2})?)";
    private static final String CURRENCY = "(usd|eur|gbp|chf|\\$|€|£|dollars?|us dollars|euros?)";
    private static final Pattern PRICE = Pattern.compile(
            "(?<![\\w.])(?:" + CURRENCY + " ?" + AMOUNT + "|" + AMOUNT + " ?" + CURRENCY + ")(?![\\w.]*[0-9])");
    private static final Map<String, String> CURRENCIES = Map.of(
            "$",
            "USD",
            "dollar",
            "USD",
            "dollars",
            "USD",
            "us dollars",
            "USD",
            "€",
            "EUR",
            "euro",
            "EUR",
            "euros",
            "EUR",
            "£",
            "GBP");
    private static final Pattern TOOL = Pattern.compile(
            "(?i)((?:[a-z][a-z-]{1,20} ){0,2}(?:flasher|toolkit|tool|drivers?|writer))(?: version| v\\.?)? ?v?([0-9]{1,3}(?:\\.[0-9]{1,3}){1,3})( ?\\+| (?:or|and) (?:newer|later|above|higher)| (?:or|and) (?:older|earlier|below))?");
    private static final Pattern SLOT = Pattern.compile(
            "(?i)\\b(?:in|into|under|to) the (?:slot|field|box) (?:named |called |labelled |marked |for the |for )?[“\"']?([a-z][a-z0-9 _-]{0,19}?)[”\"']?(?=[.,;)]|$| and )");
    private static final Pattern CHIPSET =
            Pattern.compile("(?i)\\bchipset(?: is| must be|:| of)? ([A-Z]{1,5}-?[0-9]{1,5}[A-Z]{0,2})\\b");
    private static final Pattern KERNEL = Pattern.compile(
            "(?i)\\bkernel(?:s)?(?: version| release)?:?(?: is| must be)?( older than| before| below| up to| at most| from| at least)? ([0-9]{1,2}\\.[0-9]{1,3}(?:\\.[0-9]{1,3})?)(?![\\w.-]*[0-9a-z])( (?:or|and) (?:older|earlier|below|nothing newer)| (?:or|and) (?:newer|later|above)| ?\\+)?");
    private static final Pattern NOT_FOR = Pattern.compile("(?i)^not (?:for|on) ");
    private static final Pattern BOOTLOADER = Pattern.compile(
            "(?i:\\bbootloader(?: version| revision)?(?: is| must be|:)?) ([A-Z0-9]{2,8}(?:[-.][A-Z0-9]{1,8}){0,3})\\b( (?:or|and) (?:newer|later|higher|up|older|earlier|lower))?");
    private static final Pattern MARKETS = Pattern.compile(
            "(?i)^(?:.{0,80}?[,(:] ?)?(?:only )?(?:for )?(?:the )?(carrier|region)s?(?: variants?)?:? +(.{2,200})$");

    private final Wordings words;
    private final Heard heard;

    ThingTalk(Wordings words, Heard heard) {
        this.words = words;
        this.heard = heard;
    }

    void hear(Here here) {
        if (here.isIn("replies") || here.report() || here.line().kind() == GuideLine.Kind.QUOTE) {
            return;
        }
        for (Clause clause : here.clauses()) {
            markets(clause, here);
            if (!clause.negated()) {
                slot(clause);
            }
            if (!clause.excluding()) {
                figures(clause);
            }
        }
    }

    /** Most clauses have no figure in them, and then none of these is told. */
    private void figures(Clause clause) {
        if (clause.text().chars().anyMatch(Character::isDigit)) {
            tools(clause);
            bootloader(clause);
            if (!clause.negated()) {
                price(clause);
                kernel(clause);
                chipset(clause);
            }
        }
    }

    /** “Not with flasher 3.09”: a no just before a thing is of that thing. */
    private boolean isDenied(Clause clause, int start) {
        return clause.negated()
                && Wordings.any(clause.lower().substring(Math.max(0, start - NEAR), start), words.negations());
    }

    private static <T> Said<T> said(T value, Clause clause, Sure sure) {
        return new Said<>(value, clause.line(), sure);
    }

    /** A sum of money is the price only where one is asked. */
    private void price(Clause clause) {
        Matcher found = PRICE.matcher(clause.lower());
        if (heard.price.isEmpty() && Wordings.any(clause.lower(), words.costs()) && found.find()) {
            String amount = found.group(2) == null ? found.group(3) : found.group(2);
            String sign = found.group(1) == null ? found.group(4) : found.group(1);
            String currency = CURRENCIES.getOrDefault(sign, sign.toUpperCase(Locale.ROOT));
            heard.price = Optional.of(said(new Heard.Price(amount, currency), clause, Sure.LIKELY));
        }
    }

    private void tools(Clause clause) {
        Matcher found = TOOL.matcher(clause.text());
        while (found.find()) {
            if (found.group(1).toLowerCase(Locale.ROOT).startsWith("no ") || isDenied(clause, found.start())) {
                continue;
            }
            String name = named(found.group(1));
            String version = found.group(2);
            String side = Optional.ofNullable(found.group(3)).orElse("").toLowerCase(Locale.ROOT);
            boolean older = side.contains("older") || side.contains("earlier") || side.contains("below");
            boolean only = Wordings.contains(clause.lower(), "only") || Wordings.contains(clause.lower(), "exactly");
            heard.tools.putIfAbsent(
                    name.toLowerCase(Locale.ROOT),
                    new Heard.Tool(
                            said(name, clause, Sure.LIKELY),
                            name.toLowerCase(Locale.ROOT).contains("driver") ? "driver" : "tool",
                            older ? Optional.empty() : Optional.of(version),
                            older || only ? Optional.of(version) : Optional.empty()));
        }
    }

    /** The name without the verb and the article before it. */
    private String named(String text) {
        List<String> parts = Arrays.asList(text.strip().split(" "));
        int start = 0;
        while (start < parts.size() - 1
                && (words.verbs().contains(parts.get(start).toLowerCase(Locale.ROOT))
                        || words.small().contains(parts.get(start).toLowerCase(Locale.ROOT)))) {
            start++;
        }
        return String.join(" ", parts.subList(start, parts.size()));
    }

    private void kernel(Clause clause) {
        Matcher found = KERNEL.matcher(clause.text());
        if (heard.kernel.isPresent() || !found.find()) {
            return;
        }
        String before = Optional.ofNullable(found.group(1)).orElse("").toLowerCase(Locale.ROOT);
        String after = Optional.ofNullable(found.group(3)).orElse("").toLowerCase(Locale.ROOT);
        Optional<String> release = Optional.of(found.group(2));
        Optional<String> none = Optional.empty();
        Heard.Bounds bounds = before.matches(" (?:older than|before|below)")
                ? new Heard.Bounds(none, none, release)
                : before.matches(" (?:up to|at most)") || after.matches(".*(?:older|earlier|below|nothing newer)")
                        ? new Heard.Bounds(none, release, none)
                        : before.matches(" (?:from|at least)") || after.matches(" ?\\+|.*(?:newer|later|above)")
                                ? new Heard.Bounds(release, none, none)
                                : new Heard.Bounds(none, none, none);
        boolean bound = bounds.atLeast().isPresent()
                || bounds.atMost().isPresent()
                || bounds.below().isPresent();
        if (bound) {
            heard.kernel = Optional.of(said(bounds, clause, Sure.LIKELY));
        }
    }

    /** Of the one file of the line; else of the file that was named last. */
    private void slot(Clause clause) {
        Matcher found = SLOT.matcher(clause.text());
        if (!clause.lower().contains(" the ") || !found.find()) {
            return;
        }
        List<String> names = FileMentions.names(clause.line().text());
        Optional<Heard.NamedFile> file = names.size() == 1
                ? Optional.ofNullable(heard.files.get(names.get(0)))
                : heard.files.size() == 1 ? heard.files.values().stream().findFirst() : Optional.empty();
        file.filter(one -> one.slot.isEmpty())
                .ifPresent(one -> one.slot = Optional.of(said(found.group(1).strip(), clause, Sure.LIKELY)));
    }

    private void chipset(Clause clause) {
        Matcher found = CHIPSET.matcher(clause.text());
        if (found.find()) {
            heard.chipsets.putIfAbsent(found.group(1), said(found.group(1), clause, Sure.LIKELY));
        }
    }

    /** Only what stands under the word itself: a name alone could be anything. */
    private void markets(Clause clause, Here here) {
        boolean out = clause.excluding() || here.isIn("excluded");
        Matcher found = MARKETS.matcher(NOT_FOR.matcher(clause.text()).replaceFirst(""));
        boolean may = clause.lower().contains("carrier") || clause.lower().contains("region");
        if (!may || !found.matches() || clause.negated() && !out) {
            return;
        }
        Fact of = found.group(1).toLowerCase(Locale.ROOT).startsWith("c") ? Fact.CARRIER : Fact.REGION;
        for (String name : found.group(2).split(",| and | or |[.;]")) {
            String one = name.strip();
            if (one.matches("\\p{Lu}[\\p{L}\\p{N}-]{1,20}(?: \\p{Lu}[\\p{L}\\p{N}-]{1,20})?")) {
                (out ? heard.otherMarkets : heard.markets)
                        .computeIfAbsent(of, none -> new LinkedHashMap<>())
                        .putIfAbsent(one, said(one, clause, Sure.LIKELY));
            }
        }
    }

    /** One that is named exactly is what the phone must have; “or newer” no grammar of the maker's may order, so a person is told. */
    private void bootloader(Clause clause) {
        Matcher found = BOOTLOADER.matcher(clause.text());
        while (found.find()) {
            if (found.group(1).chars().noneMatch(Character::isDigit) || isDenied(clause, found.start())) {
                continue;
            }
            if (found.group(2) == null) {
                heard.bootloader = heard.bootloader.or(() -> Optional.of(said(found.group(1), clause, Sure.LIKELY)));
            } else {
                heard.hazards.add(said(Listening.shortened(clause.text(), 400), clause, Sure.LIKELY));
            }
            return;
        }
    }
}
