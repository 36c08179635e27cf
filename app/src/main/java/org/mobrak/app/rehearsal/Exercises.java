package org.mobrak.app.rehearsal;

import java.util.List;
import java.util.Optional;
import org.mobrak.app.Outlook;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.plan.Plan;

/**
 * What of a plan can be practised apart.
 *
 * @param outlook the phone as it was known when they were worked out
 * @param keys one lesson for each chord of its sheet
 * @param mishaps what may go wrong on it, each answer played on the bench
 */
public record Exercises(Outlook outlook, List<Drill.Lesson> keys, List<WhatNow> mishaps) {
    public Exercises {
        keys = List.copyOf(keys);
        mishaps = List.copyOf(mishaps);
    }

    /** Takes a while, since every answer is played. */
    public static Exercises of(Outlook outlook, Optional<Plan> plan) {
        Optional<RunSheet> sheet = plan.map(outlook::sheet);
        return new Exercises(
                outlook,
                sheet.map(Drill::lessons).orElse(List.of()),
                sheet.map(one -> Mishaps.of(outlook, one)).orElse(List.of()));
    }

    public boolean isEmpty() {
        return keys.isEmpty() && mishaps.isEmpty();
    }
}
