package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.reading.Sentence.Section;

/** What must be so before, what is lost, and what to be wary of. */
final class StatesReading {
    private static final Set<Section> OTHER = EnumSet.of(Section.CHANGES, Section.UNDO, Section.TALK);
    private static final Cue NO = Cues.of("statesReading.no");
    private static final Cue STRONG = Cues.of("statesReading.strong");
    private static final int MOST_DANGERS = 20;

    private final List<Sentence> sentences;
    private final Phrases phrases;
    private final Map<String, Map<String, Read<String>>> needs = new LinkedHashMap<>();

    StatesReading(List<Sentence> sentences, Phrases phrases) {
        this.sentences = sentences;
        this.phrases = phrases;
    }

    /** By the key of a fact and its value, where it was read. */
    Map<String, Map<String, Read<String>>> needs() {
        return needs;
    }

    StatesReading read() {
        for (Sentence sentence : sentences) {
            boolean quoted = sentence.quoted();
            if (!quoted && !sentence.aside() && !OTHER.contains(sentence.section())) {
                phrases.needs().forEach(need -> need(need, sentence));
            }
        }
        hosts();
        return this;
    }

    private void need(Phrases.Need need, Sentence sentence) {
        String lower = sentence.lower();
        boolean listed = sentence.section() == Section.NEEDS
                && need.listed().matcher(bare(lower)).matches();
        int at = listed ? 0 : need.in().at(lower);
        if (at < 0) {
            return;
        }
        String before = lower.substring(Math.max(Math.max(0, at - 34), Stance.clauseStart(lower, at)), at);
        String here = lower.substring(at, Math.min(lower.length(), at + 60));
        boolean denied = NO.in(before.replaceFirst(".*, ", ""))
                || here.matches(
                                "[^,.;]{0,26}\\b(?:is not|are not|isn't|not needed|unnecessary|doesn't matter|makes no odds)\\b.*")
                        && !here.matches(".*(?:if|must).*")
                || lower.strip().endsWith("?")
                || lower.matches(
                        "^\\W*(?:if|when) (?:you have|your|yours).*\\b(?:this is not|not enough|you must|see|go)\\b.*")
                || sentence.takenBack();
        if (!denied) {
            needs.computeIfAbsent(need.fact(), none -> new LinkedHashMap<>())
                    .putIfAbsent(need.is(), Read.of(need.is(), sentence, at, listed ? Sure.CERTAIN : Sure.LIKELY));
        }
    }

    private static String bare(String lower) {
        return lower.strip().replaceFirst("[.;,:!]+$", "").replaceFirst("^(?:an?|the|your) (?=\\w)", "");
    }

    /** A computer's system is a need only where the guide names one alone. */
    private void hosts() {
        Map<String, Read<String>> named = new LinkedHashMap<>();
        for (Sentence sentence : sentences) {
            if (sentence.section() != Section.TALK) {
                phrases.hosts().forEach((host, cue) -> {
                    int at = cue.at(sentence.lower());
                    if (at >= 0) {
                        named.putIfAbsent(host, Read.of(host, sentence, at, Sure.LIKELY));
                    }
                });
            }
        }
        if (named.size() == 1 && named.containsKey("windows")) {
            needs.put("hostOs", named);
        }
    }

    /** Whether data is lost; empty where nothing tells. */
    Optional<Read<Boolean>> wipes() {
        Optional<Read<Boolean>> lost = Optional.empty();
        Optional<Read<Boolean>> kept = Optional.empty();
        for (Sentence sentence : sentences) {
            if (OTHER.contains(sentence.section()) && sentence.section() != Section.TALK
                    || sentence.quoted()
                    || sentence.lower().strip().endsWith("?")) {
                continue;
            }
            String lower = sentence.lower();
            int keep = phrases.kept().at(lower);
            int wipe = phrases.wipes().at(lower);
            if (keep >= 0 && kept.isEmpty()) {
                kept = Optional.of(Read.of(false, sentence, keep, Sure.LIKELY));
            }
            if (wipe >= 0 && lost.isEmpty() && !isDenied(sentence, wipe)) {
                lost = Optional.of(Read.of(true, sentence, wipe, Sure.LIKELY));
            }
        }
        if (lost.isEmpty() && kept.isEmpty()) {
            return answered();
        }
        if (lost.isPresent() && kept.isPresent()) {
            return weigh(lost.get(), kept.get());
        }
        return lost.or(() -> Optional.empty()).or(keptOf(kept));
    }

    private static final Pattern ASKED = Pattern.compile(
            "\\b(?:does|do|will|would|is)\\b.{0,24}\\b(?:delete|wipe|erase|lose|lost|gone|deleted|wiped)\\b");

    /** “Does it delete anything? – No.” */
    private Optional<Read<Boolean>> answered() {
        for (int i = 0; i + 1 < sentences.size(); i++) {
            String answer = sentences.get(i + 1).lower().strip();
            boolean asked = ASKED.matcher(sentences.get(i).lower()).find();
            if (asked && answer.matches("\\W*(?:no|nope|nothing|yes|yep|everything|all)\\b.{0,40}")) {
                boolean lost = answer.matches("\\W*(?:yes|yep|everything|all)\\b.*");
                return Optional.of(Read.of(lost, sentences.get(i + 1), 0, Sure.LIKELY));
            }
        }
        return Optional.empty();
    }

    private static java.util.function.Supplier<Optional<Read<Boolean>>> keptOf(Optional<Read<Boolean>> kept) {
        return () -> kept;
    }

    /** Where both are said, what is said of everything counts, and a wipe that is a step. */
    private Optional<Read<Boolean>> weigh(Read<Boolean> lost, Read<Boolean> kept) {
        String losing = Sentence.plain(lost.at().value());
        String keeping = Sentence.plain(kept.at().value());
        boolean whole =
                losing.matches(".*\\b(?:everything|all your|wipe data|factory reset|all data|format data|itself)\\b.*");
        boolean partly = keeping.matches(".*\\b(?:card|internal storage|photos|music|backup|on the|of the card)\\b.*")
                && !keeping.matches(".*\\b(?:no data|nothing|all my)\\b.*");
        return whole && partly
                ? Optional.of(lost)
                : keeping.matches(".*\\b(?:nothing|no data|no wipe|data (?:is|are|stays)|all my|survived)\\b.*")
                        ? Optional.of(kept)
                        : Optional.of(lost);
    }

    private static boolean isDenied(Sentence sentence, int at) {
        String lower = sentence.lower();
        String before = lower.substring(Math.max(Stance.clauseStart(lower, at), at - 40), at);
        return NO.in(before)
                || lower.matches(".*\\b(?:unlocking|unlock(?:ed)?|only the unlock) (?:does|deletes|wipes|would).*")
                || lower.matches(
                        ".*\\b(?:if you (?:let|tick|choose)|would (?:wipe|erase)|as that would|that one does|on purpose).*")
                || before.matches(".*\\b(?:line above|not \").*");
    }

    /** Sentences that warn, the strongest first where there are many. */
    List<Read<String>> dangers() {
        List<Read<String>> found = new ArrayList<>();
        List<Read<String>> weak = new ArrayList<>();
        for (Sentence sentence : sentences) {
            String lower = sentence.lower();
            boolean talk = sentence.is(Block.Kind.HEADING) && sentence.index() > 0 && lower.length() < 30;
            if (!talk && lower.length() > 8 && phrases.dangers().in(lower)) {
                Read<String> read = Read.of(sentence.value(), sentence, 0, Sure.LIKELY);
                (STRONG.in(lower) ? found : weak).add(read);
            }
        }
        found.addAll(weak);
        return found.size() <= MOST_DANGERS ? found : joined(found);
    }

    /** Of many warnings those that stand in one block become one. */
    private static List<Read<String>> joined(List<Read<String>> found) {
        List<Read<String>> joined = new ArrayList<>();
        int each = (found.size() + MOST_DANGERS - 1) / MOST_DANGERS;
        for (int i = 0; i < found.size(); i += each) {
            StringBuilder text = new StringBuilder();
            for (Read<String> one : found.subList(i, Math.min(found.size(), i + each))) {
                text.append(text.isEmpty() ? "" : " ").append(one.value());
            }
            joined.add(found.get(i).as(text.length() > 1_900 ? text.substring(0, 1_900) : text.toString()));
        }
        return joined.subList(0, Math.min(joined.size(), MOST_DANGERS));
    }
}
