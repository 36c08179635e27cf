package org.mobrak.app.workshop;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.page.Pages;

/**
 * What is otherwise in a guide since it was read before.
 *
 * @param fresh lines that were not there
 * @param gone lines that are there no more
 */
public record Since(List<Fresh> fresh, List<String> gone) {
    static final Since NOTHING = new Since(List.of(), List.of());

    /** Of so many of a hundred lines a text is still the same guide; our own choice. */
    private static final int SAME = 40;

    public Since {
        fresh = List.copyOf(fresh);
        gone = List.copyOf(gone);
    }

    /** A line that was not there before. */
    public record Fresh(String file, int line, String text) {}

    public boolean isNothing() {
        return fresh.isEmpty() && gone.isEmpty();
    }

    /** The same thread read anew; nothing where the two texts are of different guides. */
    static Since of(List<Learner.Source> before, List<Learner.Source> now) {
        Set<String> old = new HashSet<>(texts(before));
        Set<String> here = new HashSet<>(texts(now));
        long kept = old.stream().filter(here::contains).count();
        if (old.isEmpty() || kept * 100 < (long) old.size() * SAME || kept == old.size() && kept == here.size()) {
            return NOTHING;
        }
        List<Fresh> fresh = new ArrayList<>();
        for (Learner.Source source : now) {
            for (Pages.Shown line : Pages.shown(source.bytes())) {
                String text = line.text().strip();
                if (!text.isEmpty() && !old.contains(text)) {
                    fresh.add(new Fresh(source.name(), line.number(), text));
                }
            }
        }
        return new Since(
                fresh,
                texts(before).stream()
                        .filter(text -> !here.contains(text))
                        .distinct()
                        .toList());
    }

    private static List<String> texts(List<Learner.Source> sources) {
        return sources.stream()
                .flatMap(source -> Pages.shown(source.bytes()).stream())
                .map(line -> line.text().strip())
                .filter(text -> !text.isEmpty())
                .toList();
    }
}
