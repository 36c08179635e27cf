package org.mobrak.core.plan;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What a person wants of a phone: state facts with certain values. Goals can be joined, unless they want different values of
 * the same fact.
 *
 * @param key the word of the command line, such as {@code root}, {@code mend:store-missing} or {@code root+recovery}
 * @param label what a person reads
 * @param wanted the facts that make it up, with the value each must have
 * @param back facts that must not be known to be otherwise than one of some values: where nobody has read them, or a route says
 *     nothing of them, they are held to be so
 */
public record Goal(String key, String label, Map<Fact, String> wanted, Map<Fact, List<String>> back) {
    public static final Goal ROOT = new Goal("root", "Permanent root", Map.of(Fact.ROOT, "permanent"));
    public static final Goal RECOVERY = new Goal("recovery", "Custom recovery", Map.of(Fact.RECOVERY, "custom"));
    public static final Goal CUSTOM_OS = new Goal("custom-os", "Custom OS", Map.of(Fact.OS_KIND, "custom"));
    public static final Goal UPDATE_KEEP_ROOT = new Goal(
            "update-keep-root", "Update and keep root", Map.of(Fact.UPDATE, "installed", Fact.ROOT, "permanent"));
    public static final Goal WRITE_PROTECTION_OFF =
            new Goal("write-protection-off", "Write protection off", Map.of(Fact.WRITE_PROTECTION, "off"));
    private static final List<String> SWITCHED_BACK = List.of("off", "absent");

    /** The maker's OS, kernel and recovery, no root, and the switches back. */
    public static final Goal STOCK = new Goal(
            "stock",
            "Back to stock",
            Map.of(Fact.OS_KIND, "stock", Fact.RECOVERY, "stock", Fact.ROOT, "none"),
            Map.of(
                    Fact.KERNEL_KIND, List.of("stock"),
                    Fact.USB_DEBUGGING, SWITCHED_BACK,
                    Fact.UNKNOWN_SOURCES, SWITCHED_BACK,
                    Fact.OEM_UNLOCK, SWITCHED_BACK));

    public static final Goal UNROOTED = new Goal("unrooted", "Without root", Map.of(Fact.ROOT, "none"));

    /** Not one of those that a phone is worked on for: it ends that somebody has it. */
    public static final Goal HAND_ON =
            new Goal("hand-on", "Emptied, to be handed on", Map.of(Fact.OWNER_DATA, "removed"));

    /** Facts whose value says how a phone stands; a goal can be to have them as they were. */
    private static final List<Fact> STATES = List.of(
            Fact.ROOT, Fact.RECOVERY, Fact.OS_KIND, Fact.KERNEL_KIND, Fact.LOCK, Fact.WRITE_PROTECTION, Fact.OTA_PATH);

    /** Parts that can be asked for by their version, old ones too: {@code radio=T5-1.0.3}. */
    private static final Map<String, Fact> PARTS = Map.of(
            "radio", Fact.BASEBAND,
            "os", Fact.OS_VERSION,
            "build", Fact.BUILD_NUMBER,
            "kernel", Fact.KERNEL_RELEASE,
            "bootloader", Fact.BOOTLOADER);

    /** What people see when something is gone, and the reading that it contradicts. */
    private static final Map<String, Map<Fact, String>> GONE = Map.of(
            "root-gone-after-restart", Map.of(Fact.ROOT, "none"),
            "root-gone-after-update", Map.of(Fact.ROOT, "none"),
            "no-root-despite-manager", Map.of(Fact.ROOT, "none"),
            "root-without-manager", Map.of(Fact.ROOT_MANAGER, "none"),
            "boots-stock-recovery", Map.of(Fact.RECOVERY, "stock"),
            "ota-fails", Map.of(Fact.OTA_PATH, "blocked"));

    private static final String AS = "as:";
    private static final String MEND = "mend:";
    private static final String NO_TROUBLE = "none";

    public Goal {
        wanted = Map.copyOf(wanted);
        back = Map.copyOf(back);
    }

    /** One that is made up of values alone. */
    public Goal(String key, String label, Map<Fact, String> wanted) {
        this(key, label, wanted, Map.of());
    }

    /** The goals of a phone that works. */
    public static List<Goal> usual() {
        return List.of(ROOT, RECOVERY, CUSTOM_OS, UPDATE_KEEP_ROOT, WRITE_PROTECTION_OFF, STOCK, UNROOTED);
    }

    /** Everything that can be wished for by its name. */
    public static List<Goal> offered() {
        return Stream.of(usual(), List.of(HAND_ON), mends())
                .flatMap(List::stream)
                .toList();
    }

    /** One goal for each trouble that people tell of: that it is gone. */
    public static List<Goal> mends() {
        return Fact.TROUBLE.domain().words().stream()
                .filter(word -> !word.equals(NO_TROUBLE))
                .map(word -> new Goal(MEND + word, "Mend: " + word.replace('-', ' '), Map.of(Fact.TROUBLE, NO_TROUBLE)))
                .toList();
    }

    /**
     * That a phone stands as it did: {@code as:recovery=stock,root=none}.
     *
     * @param before what was known of it then; what says nothing of how it stands is left out
     * @return empty where nothing is left
     */
    public static Optional<Goal> asBefore(Map<Fact, String> before) {
        Map<Fact, String> wanted = new EnumMap<>(Fact.class);
        STATES.stream()
                .filter(before::containsKey)
                .filter(fact ->
                        fact.domain().objection(before.getOrDefault(fact, "")).isEmpty())
                .forEach(fact -> wanted.put(fact, before.getOrDefault(fact, "")));
        String key = wanted.entrySet().stream()
                .map(want -> want.getKey().key() + "=" + want.getValue())
                .collect(Collectors.joining(","));
        return wanted.isEmpty() ? Optional.empty() : Optional.of(new Goal(AS + key, "As it was before", wanted));
    }

    /** The facts that say how a phone stands. */
    public static List<Fact> states() {
        return STATES;
    }

    private static Optional<Goal> parsed(String key) {
        Map<Fact, String> wanted = new EnumMap<>(Fact.class);
        String[] parts = key.substring(AS.length()).split(",", -1);
        for (String part : parts) {
            int equals = part.indexOf('=');
            Optional<Fact> fact = Fact.ofKey(part.substring(0, Math.max(0, equals)));
            fact.ifPresent(known -> wanted.put(known, part.substring(equals + 1)));
        }
        return asBefore(wanted).filter(goal -> goal.wanted.size() == parts.length);
    }

    /** That a part has a certain version. */
    private static Optional<Goal> ofPart(String key) {
        int equals = key.indexOf('=');
        String value = key.substring(equals + 1).strip();
        return Optional.ofNullable(PARTS.get(key.substring(0, equals)))
                .filter(fact -> !value.isEmpty())
                .map(fact -> new Goal(key, fact.label() + " " + value, Map.of(fact, value)));
    }

    /** The parts that can be asked for by their version. */
    public static List<String> parts() {
        return PARTS.keySet().stream().sorted().toList();
    }

    /** The goal with this key, or those between plus signs joined; empty if there is no such goal or they contradict. */
    public static Optional<Goal> ofKey(String key) {
        Optional<Goal> joined = Optional.empty();
        for (String part : key.split("\\+", -1)) {
            Optional<Goal> one = part.startsWith(AS)
                    ? parsed(part)
                    : part.contains("=")
                            ? ofPart(part)
                            : offered().stream()
                                    .filter(goal -> goal.key.equals(part))
                                    .findFirst();
            joined = joined.isEmpty() ? one : one.flatMap(joined.get()::and);
            if (joined.isEmpty()) {
                return joined;
            }
        }
        return joined;
    }

    /** This goal and another at once; empty where they want different values of the same fact. */
    public Optional<Goal> and(Goal other) {
        if (equals(other)) {
            return Optional.of(this);
        }
        boolean torn = wanted.entrySet().stream()
                .anyMatch(want -> !other.wanted
                        .getOrDefault(want.getKey(), want.getValue())
                        .equals(want.getValue()));
        Map<Fact, String> both = new EnumMap<>(wanted);
        both.putAll(other.wanted);
        Map<Fact, List<String>> back = new HashMap<>(this.back);
        back.putAll(other.back);
        return torn || mending().isPresent() && other.mending().isPresent()
                ? Optional.empty()
                : Optional.of(new Goal(key + "+" + other.key, label + " and " + other.inSentence(), both, back));
    }

    /** The label as it stands within a sentence: an abbreviation keeps its capitals. */
    public String inSentence() {
        boolean abbreviated = label.length() > 1 && Character.isUpperCase(label.charAt(1));
        return abbreviated ? label : label.substring(0, 1).toLowerCase(Locale.ROOT) + label.substring(1);
    }

    /**
     * The facts a search starts from. Whoever wants a trouble mended says that it is there; and a reading that is no younger than
     * the trouble that contradicts it does not count any more, unless it is that very trouble that is to be mended.
     */
    public Facts from(Facts facts) {
        if (mending().isPresent()) {
            return facts.supposing(Map.of(Fact.TROUBLE, mending().get()));
        }
        Map<Fact, String> gone = new EnumMap<>(Fact.class);
        facts.belief(Fact.TROUBLE)
                .readings()
                .forEach(trouble -> GONE.getOrDefault(trouble.value(), Map.of()).forEach((fact, value) -> {
                    if (facts.belief(fact).readings().stream()
                            .noneMatch(reading -> reading.takenAt().isAfter(trouble.takenAt()))) {
                        gone.put(fact, value);
                    }
                }));
        return facts.supposing(gone);
    }

    /** The trouble that it ends; empty where it is another goal. */
    public Optional<String> mending() {
        return Arrays.stream(key.split("\\+"))
                .filter(part -> part.startsWith(MEND))
                .map(part -> part.substring(MEND.length()))
                .findFirst();
    }

    public boolean isReachedIn(Facts facts) {
        return wanted.entrySet().stream()
                        .allMatch(want -> facts.said(want.getKey()).equals(List.of(want.getValue())))
                && back.entrySet().stream().allMatch(want -> want.getValue().containsAll(facts.said(want.getKey())));
    }

    /** The values that a route may bring about to serve it. */
    Map<Fact, List<String>> served() {
        Map<Fact, List<String>> served = new EnumMap<>(Fact.class);
        wanted.forEach((fact, value) -> served.put(fact, List.of(value)));
        back.forEach(served::putIfAbsent);
        return served;
    }

    /** Whether root is part of it. */
    boolean wantsRoot() {
        return wanted.containsKey(Fact.ROOT) && !"none".equals(wanted.get(Fact.ROOT));
    }

    /** The goal in the words of the facts: {@code Root permanent, Recovery custom}. */
    public String inWords() {
        return new EnumMap<>(wanted)
                .entrySet().stream()
                        .map(want -> want.getKey().label() + " " + want.getValue())
                        .collect(Collectors.joining(", "));
    }
}
