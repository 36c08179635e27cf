package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What else a guide binds itself to: carriers, regions, the chipset, the kernel's release, the bootloader. */
public final class ThingsReading {
    private static final Pattern LABELLED = Pattern.compile(
            "(?i)(?:^|\\b(?:for|only for|not for|only|not) )(?:the )?(carriers?|regions?|chipset)\\b(?::| is)? ((?-i:[A-Z][\\w-]+(?: [A-Z][\\w-]+)?)(?:(?:, | and | or | & )(?-i:[A-Z][\\w-]+(?: [A-Z][\\w-]+)?)){0,8})");
    private static final Pattern OUT_CARRIER = Pattern.compile(
            "(?:\\bsold by|\\b(?:ones|phones|units|those|branded|version)(?: bought)? (?:from|of|by)|\\bbought from another carrier, for instance|\\bof|\\bfrom|\\bby|\\bthe) (\\p{Lu}[\\p{L}]{3,20})(?= (?:in |version|ones|phones|telephone|branding|model)|[,.:;)]|$)");
    private static final Cue DENIED = Cues.of("thingsReading.denied");
    private static final Cue SELLER = Cues.of("thingsReading.seller");
    private static final Pattern KERNEL = Pattern.compile(
            "\\bkernels?\\b(?: version| release)?(?: is| must be)? ?(older than|below|before|newer than|at least|from|up to|at most|>=|<=|<)? ?(\\d+\\.\\d+(?:\\.\\d+)?)(?![\\w.-])( or (?:older|newer|later|below|up|higher|earlier)| and (?:nothing )?(?:older|newer|later|below)|\\+)?");
    private static final Pattern BOOTLOADER = Pattern.compile(
            "\\b(?:boot ?loader)(?: version)? ([A-Z0-9][\\w]*[-.][\\w.-]*\\d\\w*)(?! or (?:later|newer))");

    private final Map<String, List<Read<String>>> markets = new LinkedHashMap<>();
    private final List<Read<String>> excludedCarriers = new ArrayList<>();
    private Optional<Read<Bounds>> kernel = Optional.empty();
    private Optional<Read<String>> bootloader = Optional.empty();

    ThingsReading(List<Sentence> sentences) {
        for (Sentence sentence : sentences) {
            if (!sentence.quoted() && sentence.section() != Sentence.Section.CHANGES) {
                labelled(sentence);
                denied(sentence);
                kernel(sentence);
                bootloader(sentence);
            }
        }
    }

    /** By the key of a fact, the values it is for. */
    Map<String, List<Read<String>>> markets() {
        return markets;
    }

    List<Read<String>> excludedCarriers() {
        return excludedCarriers;
    }

    Optional<Read<Bounds>> kernel() {
        return kernel;
    }

    Optional<Read<String>> bootloader() {
        return bootloader;
    }

    private void labelled(Sentence sentence) {
        Matcher found = LABELLED.matcher(sentence.value());
        while (found.find()) {
            String fact = found.group(1).toLowerCase(java.util.Locale.ROOT).replaceFirst("s$", "");
            boolean not = sentence.lower()
                    .substring(Math.max(0, found.start() - 1), found.start(2))
                    .contains("not ");
            for (String name : found.group(2).split(", | and | or | & ")) {
                Read<String> read =
                        Read.of(name, sentence, sentence.value().indexOf(name, found.start(2)), Sure.LIKELY);
                if (not && fact.equals("carrier")) {
                    excludedCarriers.add(read);
                } else if (!not) {
                    markets.computeIfAbsent(fact, none -> new ArrayList<>()).add(read);
                }
            }
        }
    }

    private void denied(Sentence sentence) {
        if (!SELLER.in(sentence.lower()) || !DENIED.in(sentence.lower())) {
            return;
        }
        Matcher found = OUT_CARRIER.matcher(sentence.value());
        while (found.find()) {
            String name = found.group(1);
            boolean known =
                    excludedCarriers.stream().anyMatch(read -> read.value().equals(name));
            if (!NamesReading.isCommon(name) && !known) {
                excludedCarriers.add(Read.of(name, sentence, found.start(1), Sure.LIKELY));
            }
        }
    }

    private void kernel(Sentence sentence) {
        Matcher found = KERNEL.matcher(sentence.lower());
        if (kernel.isPresent() || !sentence.lower().contains("kernel") || !found.find()) {
            return;
        }
        String before = found.group(1) == null ? "" : found.group(1);
        String after = found.group(3) == null ? "" : found.group(3);
        String release = found.group(2);
        Optional<Bounds> bounds = switch (before) {
            case "older than", "below", "before", "<" -> Optional.of(new Bounds("", "", release));
            case "at least", "from", "newer than", ">=" -> Optional.of(new Bounds(release, "", ""));
            case "up to", "at most", "<=" -> Optional.of(new Bounds("", release, ""));
            default ->
                after.isEmpty()
                        ? Optional.empty()
                        : after.contains("nothing newer") || after.matches(" (?:or|and) (?:older|below|earlier)")
                                ? Optional.of(new Bounds("", release, ""))
                                : Optional.of(new Bounds(release, "", ""));
        };
        kernel = bounds.map(value -> Read.of(value, sentence, found.start(2), Sure.CERTAIN));
    }

    private void bootloader(Sentence sentence) {
        Matcher found = BOOTLOADER.matcher(sentence.value());
        if (bootloader.isEmpty()
                && found.find()
                && sentence.lower().matches(".*\\b(?:with|for|only) (?:the )?boot ?loader.*")) {
            bootloader = Optional.of(Read.of(found.group(1), sentence, found.start(1), Sure.LIKELY));
        }
    }

    /**
     * Between which releases a kernel must be; empty text where there is no bound.
     *
     * @param below the release that is too new already
     */
    public record Bounds(String atLeast, String atMost, String below) {}
}
