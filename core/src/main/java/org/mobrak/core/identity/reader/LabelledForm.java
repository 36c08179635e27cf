package org.mobrak.core.identity.reader;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Source;

/**
 * A screen or sticker on which values stand beside their labels; the wordings are data, in {@code labels.json}: lower-case, as they
 * have been seen (common practice, no published source; the bootloader's variable names are those its published protocol gives). A star
 * stands for any one word; {@code as} says how the value is read, {@code values} what a value means. It is JSON and not YAML because every
 * start reads it.
 *
 * @param source what a reading from it counts as
 * @param rules what each wording stands for
 * @param marks wordings that tell the form and nothing else
 */
record LabelledForm(Source source, Map<String, Rule> rules, Set<String> marks) {

    private static final Pattern FIRST_WORD = Pattern.compile("^[^\\s-]++(?=[\\s-]\\p{L}+$)");
    private static final Pattern LAST_WORD = Pattern.compile("(?<=\\s)[^\\s]++$");

    /** What a label stands for and how its value is read; the values are lower-case. */
    record Rule(Fact fact, LabelValue as, Map<String, String> values) {}

    /** The form's entry in the data file. */
    private record Entry(Source source, Map<String, Wordings> labels, List<String> marks) {}

    private record Wordings(List<String> wordings, Optional<String> as, Map<String, String> values) {}

    /** All forms that ship with Mobrak. */
    static List<LabelledForm> shipped() {
        try (InputStream in = LabelledForm.class.getResourceAsStream("labels.json")) {
            List<Entry> entries = JsonMapper.builder()
                    .addModule(new com.fasterxml.jackson.datatype.jdk8.Jdk8Module())
                    .build()
                    .readValue(in, new TypeReference<>() {});
            return entries.stream().map(LabelledForm::of).toList();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    private static LabelledForm of(Entry entry) {
        Map<String, Rule> rules = new HashMap<>();
        entry.labels().forEach((key, said) -> {
            Fact fact = Fact.ofKey(key).orElseThrow();
            LabelValue as = said.as()
                    .map(word -> LabelValue.valueOf(word.toUpperCase(Locale.ROOT)))
                    .orElse(LabelValue.TEXT);
            Map<String, String> values = Optional.ofNullable(said.values()).orElse(Map.of());
            said.wordings().forEach(wording -> rules.put(wording, new Rule(fact, as, values)));
        });
        return new LabelledForm(entry.source(), Map.copyOf(rules), Set.copyOf(new HashSet<>(entry.marks())));
    }

    /** What a label stands for here; a star in a wording stands for any one word. */
    Optional<Rule> rule(String label) {
        return Optional.ofNullable(rules.get(label))
                .or(() -> Optional.ofNullable(rules.get(firstWordAsStar(label))))
                .or(() -> Optional.ofNullable(rules.get(lastWordAsStar(label))));
    }

    boolean knows(String label) {
        return marks.contains(label) || rule(label).isPresent();
    }

    /** Whether the label stands in the data as it is, star or not. */
    boolean names(String label) {
        return marks.contains(label) || rules.containsKey(label);
    }

    private static String firstWordAsStar(String label) {
        return FIRST_WORD.matcher(label).replaceFirst("*");
    }

    private static String lastWordAsStar(String label) {
        return LAST_WORD.matcher(label).replaceFirst("*");
    }
}
