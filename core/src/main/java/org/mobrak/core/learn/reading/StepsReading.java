package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.reading.Sentence.Section;

/** What is to be done, in its order, from any form in which people tell it; with keys, signs, waits and remedies beside their step. */
final class StepsReading {
    private static final Set<Section> NO_STEPS =
            EnumSet.of(Section.EXCLUDED, Section.NEEDS, Section.FILES, Section.PHONES, Section.CHANGES, Section.UNDO);
    private static final int FEW = 3;
    private static final int MANY = 22;
    private static final Cue SIGN = Cues.of("stepsReading.sign");
    private static final Cue REMEDY = Cues.of("stepsReading.remedy");
    private static final Cue WRONG = Cues.of("stepsReading.wrong");
    private static final Cue PROVE = Cues.of("stepsReading.prove");
    private static final Cue GATHER = Cues.of("stepsReading.gather");
    private static final Cue PREPARE = Cues.of("stepsReading.prepare");
    private static final Cue TIDY = Cues.of("stepsReading.tidy");
    private static final Cue NO_RETURN =
            Cue.of("no way back", "cannot be undone", "can't be undone", "point of no return");

    private final List<Sentence> sentences;
    private final List<StepRead> steps = new ArrayList<>();
    private final boolean numbered;
    private final boolean bulleted;

    StepsReading(List<Sentence> sentences) {
        this.sentences = sentences;
        numbered = sentences.stream()
                        .filter(one -> one.is(Block.Kind.STEP) && one.part() == 0 && !NO_STEPS.contains(one.section()))
                        .filter(one -> Acts.isAct(one) || one.section() == Section.STEPS)
                        .count()
                >= FEW;
        bulleted = sentences.stream()
                        .filter(one -> one.is(Block.Kind.ITEM) && one.part() == 0 && !NO_STEPS.contains(one.section()))
                        .filter(Acts::isAct)
                        .count()
                >= 2;
    }

    List<StepRead> read() {
        Optional<StepRead> open = Optional.empty();
        for (Sentence sentence : sentences) {
            if (sentence.takenBack() || sentence.aside()) {
                continue;
            }
            if (isOver(sentence)) {
                open = Optional.empty();
                continue;
            }
            if (ASKED.matcher(sentence.lower()).matches()) {
                continue;
            }
            Optional<Sentence> trouble = trouble(sentence);
            if (trouble.isPresent() && open.isPresent()) {
                open.get()
                        .remedies
                        .add(new StepRead.Remedy(trouble.get().value().replaceFirst("\\?\\s*$", ""), sentence.value()));
                open.get().helps.add(sentence);
                continue;
            }
            boolean again = open.isPresent()
                    && waits(sentence)
                    && open.get().sentences.stream().anyMatch(StepsReading::waits);
            boolean begins = begins(sentence, open)
                    || again && goesOn(sentence, open.get())
                    || isWait(sentence)
                            && open.filter(step -> goesOn(sentence, step)).isEmpty();
            if (begins) {
                StepRead step = new StepRead(sentence);
                steps.add(step);
                open = Optional.of(step);
            } else if (open.isPresent() && goesOn(sentence, open.get())) {
                open.get().sentences.add(sentence);
            } else if (open.isPresent()
                    && sentence.block() != open.get().first.block()
                    && !isNear(sentence, open.get())) {
                open = Optional.empty();
            }
        }
        withdraw();
        List<StepRead> parted = Parting.of(List.copyOf(steps));
        steps.clear();
        steps.addAll(parted);
        steps.forEach(this::fill);
        keysBeside();
        merge();
        return steps;
    }

    /** Keys that are told beside the list of steps belong to the step that leads there. */
    private void keysBeside() {
        for (Sentence sentence : sentences) {
            boolean step = steps.stream()
                    .anyMatch(one -> one.sentences.contains(sentence) || one.first.block() == sentence.block());
            Optional<String> mode = step
                            || sentence.quoted()
                            || sentence.aside()
                            || sentence.takenBack()
                            || NO_KEYS.contains(sentence.section())
                            || Acts.isNegated(sentence)
                    ? Optional.empty()
                    : mode(sentence.lower());
            Optional<String> keys = mode.flatMap(any -> Chords.chord(sentence.lower()));
            boolean known =
                    keys.isEmpty() || steps.stream().anyMatch(one -> one.mode.equals(mode) && one.keys.isPresent());
            if (!known) {
                steps.stream()
                        .filter(one -> one.mode.equals(mode) && one.phase.equals("do") && GOES.in(one.first.lower()))
                        .findFirst()
                        .ifPresent(one -> one.keys = keys.map(said -> Read.of(said, sentence, 0, Sure.LIKELY)));
            }
        }
    }

    private static final EnumSet<Section> NO_KEYS =
            EnumSet.of(Section.EXCLUDED, Section.CHANGES, Section.UNDO, Section.TALK);
    private static final Cue GOES = Cue.of(
            "into",
            "to",
            "in(?:side)?",
            "go",
            "goes",
            "boot(?:s|ed)?",
            "start(?:s|ed)?",
            "enter",
            "open",
            "reach",
            "get",
            "recovery:?",
            "download mode");

    /** “And how do you get there?” */
    private static final Pattern ASKED = Pattern.compile(
            "^\\W*(?:and |so |but |ok(?:ay)?,? )?(?:how|what|where|which|why|who|does|do|is|can)\\b[^.!]{2,120}\\?\\W*$");

    private static final Pattern TROUBLE = Pattern.compile(
            "^\\W*(?:is it |it(?:'s| is) |still |you are |now )?(?:stuck|hang(?:s|ing)?|hung|nothing|black|dark|loops?|looping|error|refuse[sd]?|timed out|won't|doesn't|not (?:there|seen|found|listed)|no (?:root|signal|icon))\\b[^.!]{0,60}\\?\\W*$");

    /** The question about what went wrong that a sentence answers. */
    private Optional<Sentence> trouble(Sentence sentence) {
        return Optional.of(sentence.index() - 1)
                .filter(before -> before >= 0)
                .map(sentences::get)
                .filter(before -> TROUBLE.matcher(before.lower()).matches()
                        && !sentence.lower().strip().endsWith("?"));
    }

    /** It tells how long something usually takes. */
    private static boolean waits(Sentence sentence) {
        return Durations.in(sentence.lower()).stream().anyMatch(span -> !span.worry());
    }

    private static final Cue LASTS = Cues.of("stepsReading.lasts");

    /** A wait is something to do, also where it is only told. */
    private static boolean isWait(Sentence sentence) {
        return !sentence.isListed()
                && !NO_STEPS.contains(sentence.section())
                && sentence.section() != Section.TALK
                && !sentence.is(Block.Kind.QUOTE)
                && LASTS.in(sentence.lower())
                && sentence.lower().length() < 220
                && !Durations.in(sentence.lower()).isEmpty()
                && !WRONG.in(sentence.lower());
    }

    /** What cannot belong to a step. */
    private boolean isOver(Sentence sentence) {
        return sentence.is(Block.Kind.HEADING)
                || sentence.quoted()
                || sentence.section() == Section.CHANGES
                || sentence.section() == Section.EXCLUDED;
    }

    private boolean begins(Sentence sentence, Optional<StepRead> open) {
        if (sentence.index() == 0
                && !sentence.isListed()
                && Chords.in(sentence.lower()).isEmpty()
                && FileNames.names(sentence.value()).isEmpty()) {
            return false;
        }
        if (sentence.is(Block.Kind.CODE)) {
            boolean joins = open.isPresent()
                    && (open.get()
                                    .sentences
                                    .get(open.get().sentences.size() - 1)
                                    .value()
                                    .endsWith(":")
                            || open.get().first.is(Block.Kind.CODE));
            return !joins && sentence.section() != Section.UNDO;
        }
        boolean shut = NO_STEPS.contains(sentence.section());
        if (sentence.is(Block.Kind.STEP) && sentence.part() == 0 && !Acts.isNegated(sentence)) {
            return !shut && (sentence.section() == Section.STEPS || Acts.isAct(sentence) || numbered)
                    || shut && sentence.section() == Section.CHANGES;
        }
        if (Acts.isNegated(sentence)) {
            return false;
        }
        if (sentence.part() > 0 && sentence.isListed()) {
            // “3. Not now! Hold the key first”: what is to be done comes behind what is not.
            boolean own =
                    open.filter(step -> step.first.block() == sentence.block()).isEmpty();
            return own && !NO_STEPS.contains(sentence.section()) && Acts.isAct(sentence);
        }
        if (sentence.is(Block.Kind.ITEM)) {
            return !shut
                    && Acts.isAct(sentence)
                    && (!numbered || sentence.section() == Section.STEPS)
                    && (bulleted || sentence.section() == Section.STEPS);
        }
        boolean told = (!numbered && !bulleted) || sentence.section() == Section.STEPS && !isBesideList(sentence);
        return told && !shut && sentence.section() != Section.TALK && Acts.isAct(sentence) && !isCondition(sentence);
    }

    /** Talk about a list that itself holds the steps. */
    private boolean isBesideList(Sentence sentence) {
        return sentences.stream()
                .anyMatch(other -> other.is(Block.Kind.STEP) && other.heads().equals(sentence.heads()));
    }

    private static boolean isCondition(Sentence sentence) {
        return sentence.lower()
                .matches(
                        ".*\\(?(?:another|an other|other) (?:guide|thread|page)\\b.*|^\\W*(?:(?:boot ?loader|battery|charge|devices?|models?|os|system|time|difficulty|level)(?: \\w+)?: |if yours|if you have (?:the|a)|owners of|those |people |whoever|who |thanks|good luck|greet|by questions).*");
    }

    private static boolean isNear(Sentence sentence, StepRead step) {
        return sentence.index() - step.sentences.get(step.sentences.size() - 1).index() <= 1
                && (sentence.is(Block.Kind.CODE)
                        || sentence.isListed()
                                && sentence.block().depth() > step.first.block().depth()
                        || sentence.is(Block.Kind.CAPTION));
    }

    private boolean goesOn(Sentence sentence, StepRead step) {
        boolean same = sentence.block() == step.first.block()
                || sentence.block()
                        == step.sentences.get(step.sentences.size() - 1).block();
        boolean tells = SIGN.in(sentence.lower())
                || !Durations.in(sentence.lower()).isEmpty()
                || REMEDY.begins(sentence.lower())
                || Acts.isNegated(sentence);
        return same && (sentence.isListed() || tells || sentence.lower().length() < 60)
                || isNear(sentence, step) && (sentence.isListed() || sentence.is(Block.Kind.CODE) || tells);
    }

    /** What was wrong is no step. */
    private void withdraw() {
        steps.removeIf(step -> WRONG.in(step.first.lower()) && !step.first.is(Block.Kind.STEP));
    }

    private void fill(StepRead step) {
        for (Sentence sentence : step.sentences) {
            String lower = sentence.lower();
            if (step.keys.isEmpty() && !WRONG.in(lower)) {
                step.keys = Chords.chord(lower).map(keys -> Read.of(keys, sentence, 0, Sure.LIKELY));
            } else if (step.keys.isPresent() && !step.keys.get().value().contains(";")) {
                Optional<String> yes = Chords.yes(lower);
                step.keys = step.keys.map(read ->
                        yes.map(key -> read.as(read.value() + "; press " + key)).orElse(read));
            }
            if (step.mode.isEmpty()) {
                step.mode = mode(lower);
            }
            if (!WRONG.in(lower)) {
                waits(step, sentence);
            }
            Matcher clauses = Pattern.compile("[^.;!]+").matcher(sentence.value());
            while (clauses.find()) {
                String clause = clauses.group().strip();
                if (SIGN.in(Sentence.plain(clause))
                        && !Acts.NEVER.matcher(Sentence.plain(clause)).find()) {
                    step.signs.add(shown(clause));
                }
            }
            if (sentence != step.first && REMEDY.begins(lower)
                    || lower.matches("^if (?:it|nothing|the phone|that|this|there is no).*")) {
                remedy(step, sentence.value());
            }
            step.noReturn |= NO_RETURN.in(lower);
        }
        int before = step.first.index() - 1;
        if (step.mode.isEmpty()
                && before >= 0
                && ASKED.matcher(sentences.get(before).lower()).matches()) {
            step.mode = mode(sentences.get(before).lower());
        }
        String text = withoutFiles(step.first.lower());
        if (OFF.matcher(text).find() && step.keys.isEmpty() && step.mode.isEmpty()) {
            step.mode = Optional.of("off");
        }
        step.phase = PROVE.in(text)
                ? "prove"
                : GATHER.in(text)
                        ? "gather"
                        : TIDY.in(text) ? "tidy" : PREPARE.in(text) && step.keys.isEmpty() ? "prepare" : "do";
        if (step.keys.isPresent() && step.mode.isEmpty()) {
            List<String> heads = step.first.heads();
            step.mode = heads.isEmpty()
                    ? Optional.empty()
                    : mode(heads.get(heads.size() - 1).toLowerCase(Locale.ROOT));
        }
        // Only one mode asks before it begins.
        if (step.keys.isPresent()
                && step.mode.isEmpty()
                && step.keys.get().value().contains("; press volume")) {
            step.mode = Optional.of("download");
        }
        if (step.keys.isPresent() && step.mode.isEmpty()) {
            int next = step.sentences.get(step.sentences.size() - 1).index() + 1;
            for (int i = next; i < Math.min(sentences.size(), next + 2) && step.mode.isEmpty(); i++) {
                step.mode = mode(sentences.get(i).lower());
            }
        }
    }

    /** What is seen, without what is held until then. */
    private static String shown(String clause) {
        Matcher until = UNTIL.matcher(clause);
        String rest = until.find() ? clause.substring(until.end()).strip() : "";
        return rest.length() > 5 ? rest : clause;
    }

    /** A name may hold any word. */
    private static String withoutFiles(String lower) {
        StringBuilder text = new StringBuilder(lower);
        FileNames.names(lower).forEach(name -> {
            for (int i = name.start(); i < name.end(); i++) {
                text.setCharAt(i, ' ');
            }
        });
        return text.toString();
    }

    private static final Pattern UNTIL = Pattern.compile("(?i)\\b(?:until|till)\\b");
    private static final Pattern OFF = Pattern.compile(
            "\\b(?:switch|turn|power|shut)(?:ed)? (?:the |your |it )?(?:phone |tablet |device )?(?:off|down)\\b(?! again)|\\b(?:phone|tablet|it) (?:completely )?off\\b(?! again)|\\bpowered (?:it )?(?:off|down)\\b|^\\W*off[,.:]");

    private static void remedy(StepRead step, String value) {
        int parts = value.indexOf(", ") > 0
                ? value.indexOf(", ")
                : value.indexOf(": ") > 0 ? value.indexOf(": ") : value.indexOf("? ");
        if (parts > 3 && parts < value.length() - 4) {
            step.remedies.add(new StepRead.Remedy(
                    value.substring(0, parts + 1).replaceFirst("[,:]$", ""),
                    value.substring(parts + 2).strip()));
        }
    }

    private static void waits(StepRead step, Sentence sentence) {
        for (Durations.Span span : Durations.in(sentence.lower())) {
            Read<Integer> read = Read.of(span.minutes(), sentence, span.start(), Sure.LIKELY);
            if (span.worry()) {
                step.worry = step.worry.isPresent() ? step.worry : Optional.of(read);
            } else {
                step.normal = step.normal.isPresent() ? step.normal : Optional.of(read);
            }
        }
    }

    /** Into which mode a sentence leads, or in which it is. */
    static Optional<String> mode(String said) {
        // Where the phone comes from is not where it is led.
        String lower = said.contains("from the") ? FROM.matcher(said).replaceAll("") : said;
        if (DOWNLOAD.in(lower)) {
            return Optional.of("download");
        }
        if (CONSOLE.in(lower)) {
            return Optional.of("flash-console");
        }
        return RECOVERY.in(lower) ? Optional.of("recovery") : Optional.empty();
    }

    private static final Pattern FROM =
            Pattern.compile("\\bfrom the (?:flash )?(?:console|(?:boot)?loader|download mode)\\b");
    private static final Cue DOWNLOAD = Cues.of("stepsReading.download");
    private static final Cue CONSOLE = Cues.of("stepsReading.console");
    private static final Cue RECOVERY = Cues.of("stepsReading.recovery");

    /** A guide in very small pieces is told in fewer steps. */
    private void merge() {
        for (int i = 0; steps.size() > MANY && i + 1 < steps.size(); i++) {
            StepRead one = steps.get(i);
            StepRead two = steps.get(i + 1);
            boolean close = two.first.index()
                                    - one.sentences
                                            .get(one.sentences.size() - 1)
                                            .index()
                            <= 1
                    && !two.first.is(Block.Kind.STEP);
            if (close && !(one.keys.isPresent() && two.keys.isPresent())) {
                one.sentences.addAll(two.sentences);
                one.remedies.addAll(two.remedies);
                one.signs.addAll(two.signs);
                one.mode = one.mode.or(() -> two.mode);
                one.keys = one.keys.or(() -> two.keys);
                one.normal = one.normal.or(() -> two.normal);
                one.worry = one.worry.or(() -> two.worry);
                steps.remove(i + 1);
            }
        }
    }
}
