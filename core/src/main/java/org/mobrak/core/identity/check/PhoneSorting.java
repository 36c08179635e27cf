package org.mobrak.core.identity.check;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadTexts;

/**
 * Sorts texts by the phone they are of, before anything is mixed: by serial number, else by model number. A text that names
 * neither goes with the one whose name is most like its own.
 */
public final class PhoneSorting {
    private final ReadTexts reader;
    private final Map<String, List<RawText>> heaps = new LinkedHashMap<>();
    private final List<RawText> nameless = new ArrayList<>();

    /** The texts of one phone; the name is its model number, or empty where that is not known. */
    public record Heap(String name, List<RawText> texts) {
        public Heap {
            texts = List.copyOf(texts);
        }
    }

    private PhoneSorting(ReadTexts reader) {
        this.reader = reader;
    }

    /** One heap for each phone that the texts tell apart, in the order in which they came. */
    public static List<Heap> sort(List<RawText> texts, ReadTexts reader) {
        PhoneSorting sorting = new PhoneSorting(reader);
        texts.forEach(sorting::put);
        sorting.nameless.forEach(sorting::putByName);
        return sorting.heaps.values().stream()
                .map(heap -> new Heap(facts(heap, reader).value(Fact.MODEL).orElse(""), heap))
                .toList();
    }

    /**
     * Whether texts are of another phone than the one these facts are of: the model numbers differ, and so does the serial
     * number or, where that is not known of both, the device code.
     */
    public static boolean isAnotherPhone(Facts phone, List<RawText> texts, ReadTexts reader) {
        Facts other = facts(texts, reader);
        return differ(Fact.MODEL, phone, other)
                && (differ(Fact.SERIAL, phone, other)
                        || !bothKnow(Fact.SERIAL, phone, other) && differ(Fact.DEVICE, phone, other));
    }

    private static boolean bothKnow(Fact fact, Facts one, Facts other) {
        return one.value(fact).isPresent() && other.value(fact).isPresent();
    }

    private static boolean differ(Fact fact, Facts one, Facts other) {
        return bothKnow(fact, one, other) && !one.value(fact).equals(other.value(fact));
    }

    private void put(RawText text) {
        Facts facts = facts(List.of(text), reader);
        Optional<String> key = facts.value(Fact.SERIAL).or(() -> facts.value(Fact.MODEL));
        key.ifPresentOrElse(
                name -> heaps.computeIfAbsent(name, fresh -> new ArrayList<>()).add(text), () -> nameless.add(text));
    }

    private void putByName(RawText text) {
        List<RawText> nearest = heaps.values().stream()
                .max(Comparator.comparingInt(heap -> likeness(heap.get(0).name(), text.name())))
                .orElseGet(() -> heaps.computeIfAbsent("", fresh -> new ArrayList<>()));
        nearest.add(text);
    }

    /** How many characters two names have in common at their beginning. */
    private static int likeness(String one, String other) {
        int same = 0;
        while (same < Math.min(one.length(), other.length()) && one.charAt(same) == other.charAt(same)) {
            same++;
        }
        return same;
    }

    /** What texts say, with nothing else known. */
    public static Facts facts(List<RawText> texts, ReadTexts reader) {
        return new Ledger(texts.stream()
                        .flatMap(text -> reader.of(text, Instant.EPOCH).readings().stream())
                        .toList())
                .facts();
    }
}
