package org.mobrak.core.learn.reading;

import java.util.List;

/** Whether a text is a guide at all: somebody tells what to do, with what, and for what. Sales, reviews, questions and news are none. */
final class Sifting {
    private static final Cue SALE = Cues.of("sifting.sale");
    private static final Cue REVIEW = Cues.of("sifting.review");
    private static final Cue QUESTION = Cues.of("sifting.question");
    private static final Cue NEWS = Cues.of("sifting.news");

    private final List<Sentence> sentences;
    private final Phrases phrases;
    private final List<RowRead> rows;
    private final List<StepRead> steps;
    private final List<Understood.File> files;
    private final int phones;
    private final Outcome outcome;

    Sifting(
            List<Sentence> sentences,
            Phrases phrases,
            List<RowRead> rows,
            List<StepRead> steps,
            List<Understood.File> files,
            int phones,
            Outcome outcome) {
        this.sentences = sentences;
        this.phrases = phrases;
        this.rows = rows;
        this.steps = steps;
        this.files = files;
        this.phones = phones;
        this.outcome = outcome;
    }

    private long count(Cue cue) {
        return sentences.stream().filter(sentence -> cue.in(sentence.lower())).count();
    }

    boolean isGuide() {
        return why().isEmpty();
    }

    /** Why it is none; empty where it is one. */
    String why() {
        if (sentences.isEmpty() && rows.isEmpty()) {
            return "The text is empty.";
        }
        long links = sentences.stream()
                .filter(sentence ->
                        sentence.lower().contains("://") && sentence.lower().split("\\s+").length <= 3)
                .count();
        if (links * 2 > sentences.size() + rows.size()) {
            return "It is a list of links; save the pages themselves.";
        }
        if (count(OTHER) > 1 && count(OTHER) >= count(PHONE)) {
            return "It is about another kind of machine.";
        }
        double doing = doing();
        double against = Math.min(4, count(SALE) + count(phrases.shop())) * 2.5
                + Math.min(5, count(REVIEW)) * 1.2
                + Math.min(4, count(QUESTION)) * 2
                + Math.min(5, count(NEWS)) * 1.2
                + titled();
        if (doing < LEAST) {
            return "Neither steps nor files for a phone were found in it.";
        }
        return doing - against < LEAST ? "It sells, asks, reviews or tells news more than it says what to do." : "";
    }

    private static final Cue OTHER = Cues.of("sifting.other");
    private static final Cue PHONE = Cues.of("sifting.phone");
    private static final double LEAST = 2.4;

    /** A title that says so itself. */
    private double titled() {
        return sentences.stream()
                        .limit(5)
                        .anyMatch(sentence -> sentence.lower().length() < 140 && TITLED.in(sentence.lower()))
                ? 4
                : 0;
    }

    private static final Cue TITLED = Cues.of("sifting.titled");

    /** How much of it says what to do, and with what. */
    double doing() {
        long orders = steps.stream()
                .filter(step ->
                        Acts.begins(step.first.lower()) && step.first.lower().length() < 300)
                .count();
        long keys = steps.stream().filter(step -> step.keys.isPresent()).count();
        long waits = steps.stream()
                .filter(step -> step.normal.isPresent() || step.worry.isPresent())
                .count();
        long summed = files.stream().filter(file -> !file.sums().isEmpty()).count();
        long code = sentences.stream()
                .filter(sentence -> sentence.is(org.mobrak.core.learn.page.Block.Kind.CODE))
                .count();
        double doing = Math.min(8, orders)
                + Math.min(3, (steps.size() - orders) * .4)
                + Math.min(4, files.size() * 1.5)
                + Math.min(3, summed * 1.5)
                + Math.min(2, keys)
                + Math.min(2, waits * .7)
                + Math.min(3, code)
                + Math.min(
                        4,
                        rows.stream()
                                        .filter(row -> row.stance() == Stance.FOR
                                                && (!row.files().isEmpty()
                                                        || !row.versions().isEmpty()
                                                        || !row.builds().isEmpty()
                                                        || !row.models().isEmpty()))
                                        .count()
                                * 1.5)
                + (outcome.family().isPresent() ? 1 : 0);
        boolean about = !outcome.effects().isEmpty()
                || outcome.family().isPresent()
                || phones > 0
                || !files.isEmpty()
                || outcome.wipes().isPresent();
        return about ? doing : 0;
    }
}
