package org.mobrak.core.learn.reading;

import java.util.List;
import java.util.Locale;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.page.Text;

/**
 * A sentence of a guide, or a line that stands for one.
 *
 * @param lower its words in small letters, with plain apostrophes and dashes, as long as the text itself
 * @param heads the headings above it, the nearest last
 * @param index among all sentences of the guide, from 0
 * @param part which sentence of its block it is, from 0
 * @param quoted whether it is somebody else's words
 * @param aside whether it stands in a post of somebody who does not tell the way
 * @param takenBack whether the next words say that it was wrong
 */
public record Sentence(
        Text text,
        String lower,
        Block block,
        List<String> heads,
        Section section,
        int index,
        int part,
        boolean quoted,
        boolean aside,
        boolean takenBack) {
    public Sentence {
        heads = List.copyOf(heads);
    }

    Sentence setAside() {
        return new Sentence(text, lower, block, heads, section, index, part, quoted, true, takenBack);
    }

    /** Some of its words, as a sentence of their own. */
    Sentence part(int from, int to) {
        Text words = text.sub(from, to);
        return new Sentence(words, plain(words.value()), block, heads, section, index, part, quoted, aside, takenBack);
    }

    Sentence takeBack() {
        return new Sentence(text, lower, block, heads, section, index, part, quoted, aside, true);
    }

    static String plain(String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        String plain = lower.length() == text.length() ? lower : text;
        return plain.replace('’', '\'')
                .replace('‘', '\'')
                .replace('“', '"')
                .replace('”', '"')
                .replace('\u00a0', ' ')
                .replace('–', '-')
                .replace('—', '-')
                .replace('\n', ' ');
    }

    public String value() {
        return text.value();
    }

    boolean is(Block.Kind kind) {
        return block.kind() == kind;
    }

    boolean isListed() {
        return is(Block.Kind.ITEM) || is(Block.Kind.STEP);
    }

    @Override
    public boolean equals(Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return index;
    }

    /** What a heading says of the sentences below it. */
    public enum Section {
        NONE,
        PHONES,
        EXCLUDED,
        NEEDS,
        FILES,
        STEPS,
        DANGERS,
        CHANGES,
        UNDO,
        TALK
    }
}
