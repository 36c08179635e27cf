package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.learn.page.Text;

/** A thing to do, as it was told; filled while its sentences are read. */
public final class StepRead {
    final Sentence first;
    final List<Sentence> sentences = new ArrayList<>();
    /** Sentences that tell what helps, and no more. */
    final List<Sentence> helps = new ArrayList<>();

    final List<Remedy> remedies = new ArrayList<>();
    final List<String> signs = new ArrayList<>();
    String phase = "do";
    Optional<String> mode = Optional.empty();
    Optional<Read<String>> keys = Optional.empty();
    Optional<Read<Integer>> normal = Optional.empty();
    Optional<Read<Integer>> worry = Optional.empty();
    boolean noReturn;
    /** The names of the files that it takes. */
    final List<String> takes = new ArrayList<>();
    /** Whether the phone goes into the step's mode after what was done before. */
    boolean byItself;
    /** Whether the data goes here. */
    boolean wipes;

    StepRead(Sentence first) {
        this.first = first;
        sentences.add(first);
    }

    /** What to do where it goes otherwise. */
    public record Remedy(String when, String then) {}

    String lower() {
        return sentences.stream().map(Sentence::lower).collect(Collectors.joining(" "));
    }

    /** Whether something is written or run there, and not only gone to. */
    boolean works() {
        return keys.isEmpty() && sentences.stream().anyMatch(Placing::isWork);
    }

    Text text() {
        Text.Builder text = new Text.Builder(first.text().file());
        // What must not be done is told among the dangers, and is no part of what is to be done.
        sentences.stream().filter(one -> one == first || !Acts.isNegated(one)).forEach(sentence -> {
            String value = sentence.value();
            int from = 0;
            for (int i = 1; i <= value.length(); i++) {
                if (i == value.length()
                        || sentence.text().lineAt(i) != sentence.text().lineAt(from)) {
                    text.wrap(value.substring(from, i).strip(), sentence.text().lineAt(from));
                    from = i;
                }
            }
        });
        return text.build();
    }
}
