package org.mobrak.core.identity.reader;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Source;

/**
 * Labels and values as a person copies them from a screen or a sticker: on one line or one under the other, in free order,
 * with the prefixes that tools print before them.
 *
 * <p>Some labels stand on several screens. Then the screen to which most labels of the text belong has it.
 */
final class LabelledReader implements FormReader {
    private static final Pattern PREFIX = Pattern.compile("^(?:\\([a-z ]{1,20}\\)|INFO|[<>*•-])\\s*");
    private static final Pattern PAIR = Pattern.compile("(.{1,40}?)\\s*(?::(?!//)|=|\\t| {2,}| - )\\s*(.*)");

    /** All from the first blank or bracket on. */
    private static final Pattern FIRST_WORD = Pattern.compile("[\\s(].*", Pattern.DOTALL);

    private static final Pattern BLANKS = Pattern.compile("\\s+");
    private static final int LONGEST_LABEL = 40;

    private static final Set<String> NOTHING = Set.of("unknown", "n/a", "not available", "-", "…");

    /** In a long text, one label alone is a coincidence. */
    private static final int A_SHORT_TEXT = 12;

    private static final int KERNEL_LINES = 3;

    private final List<LabelledForm> forms = LabelledForm.shipped();

    /** A label of some form, its value as far as it stands on the same line, and the line's index. */
    private record Entry(String label, String value, int index) {}

    @Override
    public void read(Page page) {
        List<Entry> entries = entries(page);
        if (entries.isEmpty()) {
            return;
        }
        Map<Source, Long> weights = new EnumMap<>(Source.class);
        forms.forEach(form -> weights.put(form.source(), weight(form, entries)));
        long best = weights.values().stream().max(Comparator.naturalOrder()).orElse(0L);
        if (best > 1 || best == 1 && page.size() <= A_SHORT_TEXT) {
            entries.forEach(entry -> take(page, entry, weights));
        }
    }

    private static long weight(LabelledForm form, List<Entry> entries) {
        return entries.stream().map(Entry::label).distinct().filter(form::names).count();
    }

    private List<Entry> entries(Page page) {
        return page.open().boxed().flatMap(index -> entry(page, index).stream()).toList();
    }

    private Optional<Entry> entry(Page page, int index) {
        if (page.raw(index).isBlank()) {
            return Optional.empty();
        }
        String line = PREFIX.matcher(page.line(index)).replaceFirst("");
        Matcher pair = PAIR.matcher(line);
        if (pair.matches() && isLabel(pair.group(1))) {
            return Optional.of(new Entry(normal(pair.group(1)), pair.group(2).strip(), index));
        }
        return isLabel(line) ? Optional.of(new Entry(normal(line), "", index)) : Optional.empty();
    }

    private boolean isLabel(String text) {
        if (text.length() > LONGEST_LABEL) {
            return false;
        }
        String label = normal(text);
        return forms.stream().anyMatch(form -> form.knows(label));
    }

    private static String normal(String label) {
        return BLANKS.matcher(label.strip().toLowerCase(Locale.ROOT)).replaceAll(" ");
    }

    private void take(Page page, Entry entry, Map<Source, Long> weights) {
        Optional<LabelledForm> form = forms.stream()
                .filter(one -> Objects.requireNonNull(weights.get(one.source())) > 0 && one.knows(entry.label()))
                .max(Comparator.comparing((LabelledForm one) -> weights.get(one.source()))
                        .thenComparing(LabelledForm::source, Comparator.reverseOrder()));
        if (form.isEmpty()) {
            return;
        }
        page.take(entry.index());
        form.get()
                .rule(entry.label())
                .ifPresent(rule -> say(page, rule, form.get().source(), entry));
    }

    private static void say(Page page, LabelledForm.Rule rule, Source source, Entry entry) {
        int first = entry.value().isEmpty() ? nextLine(page, entry.index()) : entry.index();
        if (first < 0) {
            return;
        }
        String text = entry.value().isEmpty() ? page.line(first) : entry.value();
        page.take(first);
        if (NOTHING.contains(text.toLowerCase(Locale.ROOT))) {
            return;
        }
        Optional<String> value =
                rule.values().isEmpty() ? rule.as().read(text) : Optional.of(meaning(rule.values(), text));
        value.ifPresent(known -> page.say(rule.fact(), known, source, first));
        if (rule.as() == LabelValue.KERNEL && value.isPresent()) {
            sayKernelDetails(page, source, text, first);
        }
    }

    /** A value without a meaning stays as it is, to be refused by the fact's domain and so to be told of. */
    private static String meaning(Map<String, String> values, String text) {
        String word = text.toLowerCase(Locale.ROOT);
        String first = FIRST_WORD.matcher(word).replaceFirst("");
        return values.getOrDefault(word, values.getOrDefault(first, word));
    }

    private static int nextLine(Page page, int index) {
        int next = index + 1;
        return next < page.size() && page.isOpen(next) && !page.line(next).isEmpty() ? next : -1;
    }

    /** Under the kernel's release stand its builder and its date, over up to two more lines. */
    private static void sayKernelDetails(Page page, Source source, String text, int first) {
        List<String> lines = new ArrayList<>(List.of(text));
        for (int i = first + 1; i < page.size() && i < first + KERNEL_LINES; i++) {
            if (page.isOpen(i)
                    && (page.line(i).contains("@")
                            || BannerDate.in(page.line(i)).isPresent())) {
                page.take(i);
                lines.add(page.line(i));
            }
        }
        String all = lines.stream().collect(Collectors.joining(" "));
        BannerDate.in(all).ifPresent(built -> page.say(Fact.KERNEL_BUILT, built, source, first));
        Matcher builder = Pattern.compile("[^\\s()]+@[^\\s()]+").matcher(all);
        if (builder.find()) {
            page.say(Fact.KERNEL_BUILDER, builder.group(), source, first);
        }
    }
}
