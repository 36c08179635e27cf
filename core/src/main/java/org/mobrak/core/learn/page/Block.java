package org.mobrak.core.learn.page;

import java.util.List;

/**
 * A piece of a guide by its layout.
 *
 * @param depth how deep a list or a heading lies, from 0
 * @param cells of a row, in the order of its columns; empty elsewhere
 * @param voice who says it, or in which post; empty where all is by one
 */
public record Block(Kind kind, Text text, int depth, List<Cell> cells, String voice) {
    public Block {
        cells = List.copyOf(cells);
    }

    /** What a piece is by its layout. */
    public enum Kind {
        HEADING,
        PARAGRAPH,
        ITEM,
        /** A numbered item. */
        STEP,
        /** The head of a table. */
        HEAD,
        ROW,
        CODE,
        /** What somebody shows or says in a recording. */
        CAPTION,
        QUOTE
    }

    /** A cell of a table. */
    public record Cell(Text text) {}

    static Block of(Kind kind, Text text) {
        return new Block(kind, text, 0, List.of(), "");
    }

    Block with(Kind other) {
        return new Block(other, text, depth, cells, voice);
    }

    Block in(String post) {
        return new Block(kind, text, depth, cells, post);
    }
}
