package org.mobrak.desktop.fit;

import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Verdict;

/** A row of the board: the heading of a verdict, or a route. */
sealed interface BoardRow {

    /** A verdict and how many routes have it. */
    record Heading(Verdict verdict, int count) implements BoardRow {}

    /** One route held against the phone. */
    record Strip(RouteFit fit) implements BoardRow {}
}
