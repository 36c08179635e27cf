package org.mobrak.core.plan;

import java.util.List;
import org.mobrak.core.fit.Truth;

/**
 * One figure of a plan with the sum behind it.
 *
 * @param name what it is
 * @param total the figure, with its unit
 * @param lines what it is made of
 * @param source where the rule or the inputs come from
 * @param enough where the phone must have it: whether it has; else yes
 */
public record Figure(String name, String total, List<Line> lines, String source, Truth enough) {
    public Figure {
        lines = List.copyOf(lines);
    }

    /** One part: of what, how it is worked out, and what it comes to. */
    public record Line(String what, String sum) {}

    static Figure of(String name, String total, List<Line> lines, String source) {
        return new Figure(name, total, lines, source, Truth.YES);
    }
}
