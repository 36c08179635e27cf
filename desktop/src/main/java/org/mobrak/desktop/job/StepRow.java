package org.mobrak.desktop.job;

import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.job.Step;

/** A line of the run sheet: a phase's heading, or a step and whether it is ticked or next. */
sealed interface StepRow {

    record Heading(Phase phase, long ticked, int all) implements StepRow {}

    record Line(Step step, boolean ticked, boolean next) implements StepRow {}
}
