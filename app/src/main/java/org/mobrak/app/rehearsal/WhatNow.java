package org.mobrak.app.rehearsal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * Something went wrong amid the work: what now? Each answer was played on the bench, so what it is worth is no opinion.
 *
 * @param key under which it is remembered how well it is known
 * @param situation what happened, and what is seen
 */
public record WhatNow(String key, String situation, List<Answer> answers) {
    public WhatNow {
        answers = List.copyOf(answers);
    }

    /**
     * Something a person could do.
     *
     * @param comes what is seen when it is done
     */
    public record Answer(String words, Worth worth, String comes) {}

    /** The answer after which the phone stands best. */
    public Answer best() {
        return answers.stream().min(Comparator.comparing(Answer::worth)).orElseThrow();
    }

    public boolean isRight(Answer answer) {
        return answer.worth() == best().worth();
    }

    /** The same with its answers in another order, so that nobody learns a place by heart. */
    public WhatNow shuffled(long seed) {
        List<Answer> other = new ArrayList<>(answers);
        Collections.shuffle(other, new Random(seed));
        return new WhatNow(key, situation, other);
    }
}
