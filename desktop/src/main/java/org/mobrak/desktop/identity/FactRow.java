package org.mobrak.desktop.identity;

import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;

/** A line of the list of facts: a group's heading, or a fact and what is believed of it. */
sealed interface FactRow {

    record Heading(String text) implements FactRow {}

    record Line(Fact fact, Belief belief) implements FactRow {}
}
