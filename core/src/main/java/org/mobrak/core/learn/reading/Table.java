package org.mobrak.core.learn.reading;

import java.util.List;
import org.mobrak.core.learn.page.Block;

/**
 * A table of a guide.
 *
 * @param heads the headings above it
 * @param before how many sentences stand before it
 */
record Table(Block head, List<Block> rows, List<String> heads, int before) {
    Table {
        rows = List.copyOf(rows);
        heads = List.copyOf(heads);
    }
}
