package org.mobrak.core.learn.page;

import java.util.List;
import java.util.Map;

/**
 * A guide as blocks, in their order.
 *
 * @param struck what was crossed out or taken back by its layout; it says what no longer holds
 * @param passed lines that are no part of the text: menus, notes on cookies, what is hidden
 * @param spoken whether numbers stand in it as words, as in captions
 * @param seconds of a recording, by line: the second at which its words are said
 */
public record Page(
        String file,
        List<Block> blocks,
        List<Text> struck,
        List<Passed> passed,
        boolean spoken,
        List<Oddity> oddities,
        Map<Integer, Integer> seconds) {
    public Page {
        blocks = List.copyOf(blocks);
        struck = List.copyOf(struck);
        passed = List.copyOf(passed);
        oddities = List.copyOf(oddities);
        seconds = Map.copyOf(seconds);
    }

    /** A page that is no recording. */
    public Page(
            String file,
            List<Block> blocks,
            List<Text> struck,
            List<Passed> passed,
            boolean spoken,
            List<Oddity> oddities) {
        this(file, blocks, struck, passed, spoken, oddities, Map.of());
    }

    /** A line that was passed over, and why. */
    public record Passed(int line, Why why) {}

    /** Why a line is no part of the text. */
    public enum Why {
        NAVIGATION,
        HIDDEN,
        QUOTED,
        STRUCK
    }

    /** Something odd about the text itself. */
    public record Oddity(String code, int line, String text) {}
}
