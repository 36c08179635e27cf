package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;

/** A chord as a drawing: a line for each key, a bar for as long as it is down, and below the cue at which it is let go. Pixels. */
record DrawnChord(int width, int height, List<Bar> bars, List<Word> words) {
    private static final int NAMES = 140;
    private static final int HELD = 190;
    private static final int PRESSED = 80;
    private static final int LINE = 22;
    private static final int BASE = 15;
    private static final int GAP = 8;

    record Bar(int x, int y, int width) {}

    record Word(int x, int y, String text) {}

    static DrawnChord of(KeyChord chord) {
        List<Key> keys = chord.keys();
        List<Bar> bars = new ArrayList<>();
        List<Word> words = new ArrayList<>();
        keys.forEach(key -> words.add(new Word(0, keys.indexOf(key) * LINE + BASE, key.word())));
        int at = NAMES;
        for (Stroke stroke : chord.strokes()) {
            int width = stroke.pressed() ? PRESSED : HELD;
            for (Key key : stroke.keys()) {
                bars.add(new Bar(at, keys.indexOf(key) * LINE + 2, width - GAP));
            }
            words.add(new Word(at, keys.size() * LINE + BASE, stroke.cue()));
            at += width;
        }
        return new DrawnChord(at, (keys.size() + 1) * LINE, bars, words);
    }
}
