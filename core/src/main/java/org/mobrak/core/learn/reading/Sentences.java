package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.page.Page;
import org.mobrak.core.learn.page.Text;
import org.mobrak.core.learn.reading.Sentence.Section;

/** Parts the blocks of a guide into sentences, each with the headings above it. */
final class Sentences {
    private static final Pattern END = Pattern.compile(
            "[.!?…](?:(?<=[\\p{L}\\p{N}\"')\\]%][.!?…]{1,4})[\"')\\]]{0,2}\\s+(?=\\S)|(?=[A-Z][a-z])(?<!…))|\\n+\\s*");
    private static final Pattern SHORT = Pattern.compile(
            "(?i)(?:^|[\\s(+/])(?:ca|circa|approx|e\\.g|i\\.e|etc|no|nr|vs|resp|min|sec|max|incl|excl|abt|bec|w|vol|batt|ver|v|st|dr|mr|mrs|fig|feat|op|z\\.b|bzw|sw|fw|recov|pwr|dn|esp|orig|temp|hr|hrs|aug|sept|sep|oct|nov|dec|jan|feb|mon|tue|wed|thu|fri|sat|sun)\\.$");

    private static final List<Cue> SECTIONS = List.of(
            Cue.of(
                    "not supported",
                    "unsupported",
                    "does not apply to",
                    "not for",
                    "not compatible",
                    "does not work",
                    "doesn't work",
                    "excluded",
                    "does not",
                    "doesn't",
                    "no go",
                    "not ok",
                    "bad",
                    "dead",
                    "incompatible"),
            Cue.of(
                    "models?",
                    "supported(?: (?:phones|devices|models))?",
                    "applies to",
                    "works on",
                    "for which(?: phones?)?",
                    "does it run on my phone",
                    "which phones?",
                    "is it the right phone",
                    "compatib(?:le|ility)",
                    "tested on",
                    "about the phone",
                    "the phone",
                    "devices",
                    "phones",
                    "the right phone",
                    "works",
                    "ok",
                    "good",
                    "confirmed",
                    "yes"),
            Cue.of(
                    "you(?:'ll| will)? need",
                    "you must have",
                    "needs?",
                    "needed",
                    "requirements?",
                    "prerequisites?",
                    "prereqs?",
                    "before(?: you (?:begin|start))?",
                    "what must(?: already)? be so",
                    "must already be so",
                    "what you need",
                    "have ready",
                    "preparations?",
                    "ingredients",
                    "checklist",
                    "what is needed",
                    "what becomes you need",
                    "you must have done this already",
                    "get ready",
                    "start",
                    "conditions",
                    "required",
                    "first"),
            Cue.of(
                    "downloads?",
                    "files?",
                    "packages?",
                    "get(?: these| the files)?",
                    "what to fetch",
                    "to fetch",
                    "program",
                    "links?",
                    "attachments?",
                    "software"),
            Cue.of(
                    "known issues?",
                    "problems?",
                    "what (?:works|does not work)",
                    "credits?",
                    "thanks(?: to)?",
                    "comments?",
                    "replies",
                    "faq",
                    "things i am asked(?: every week)?",
                    "questions",
                    "reports?",
                    "feedback",
                    "license",
                    "licence",
                    "status",
                    "background",
                    "chef's notes",
                    "about",
                    "evening 1"),
            Cue.of("change ?log", "changes", "history", "changed", "removed", "what's new", "versions"),
            Cue.of(
                    "undo",
                    "back(?: to stock)?",
                    "going back",
                    "remov(?:e|al|ing)",
                    "uninstall(?:ing)?",
                    "unroot(?:ing)?",
                    "restore"),
            Cue.of(
                    "warnings?",
                    "danger",
                    "risks?",
                    "careful",
                    "read this first",
                    "attention",
                    "important",
                    "caution",
                    "disclaimer",
                    "why not"),
            Cue.of(
                    "steps?",
                    "instructions?",
                    "procedure",
                    "how(?: to| it goes| it works| is it done)?",
                    "install(?:ation|ing)?",
                    "doing it",
                    "method",
                    "the way",
                    "do this",
                    "do(?: it)?$",
                    "what to do",
                    "usage",
                    "how-to",
                    "then(?:,.{0,40})?",
                    "and so goes it",
                    "guide",
                    "the first start",
                    "root",
                    "(?:soft|hard|shaky|real|easy|quick) (?:manner|part|way)",
                    "part",
                    "did it work",
                    "coming from",
                    "flashing",
                    "rooting",
                    "unlocking",
                    "writing",
                    "proof",
                    "after(?:wards)?",
                    "look",
                    "clean",
                    "what happens",
                    "here we go",
                    "windows",
                    "linux",
                    "mac"));
    private static final List<Section> KINDS = List.of(
            Section.EXCLUDED,
            Section.PHONES,
            Section.NEEDS,
            Section.FILES,
            Section.TALK,
            Section.CHANGES,
            Section.UNDO,
            Section.DANGERS,
            Section.STEPS);

    private final List<Sentence> all = new ArrayList<>();
    /** The first sentences say what a text is about, whatever their words. */
    private static final int FIRST = 12;
    /** More sentences that tell something no guide has; the rest is not read. Our own choice. */
    private static final int MOST = 4_000;

    private final List<Text> chatter = new ArrayList<>();
    private static final Cue BESIDE = Cues.of("sentences.beside");
    private boolean cut;
    private final List<Table> tables = new ArrayList<>();
    private final List<String> heads = new ArrayList<>();
    private final List<Integer> depths = new ArrayList<>();
    private static final int LONGEST = 1_200;
    private static final int BREATHLESS = 260;
    private static final int SHORTEST = 28;
    private static final Pattern GOES_ON = Pattern.compile(
            "\\b(?:and then|then|so now|so you|so|okay|ok|right|now|next|after that|but|and you|and it|and now|and if|if|because|cos|when)\\b");
    private static final int LONGEST_SECTION = 25;
    private static final Pattern LISTED = Pattern.compile("^\\d{1,2}[.)] ");
    private boolean titled;
    /** Whether quotes of a mail hold the way itself. */
    private boolean answers;

    private final Spoken spoken = new Spoken();

    private Sentences() {}

    /** A guide's sentences and tables. */
    record Parted(List<Sentence> sentences, List<Table> tables, List<Text> chatter, boolean cut) {}

    static Parted of(List<Page> pages) {
        Sentences parting = new Sentences();
        for (Page page : pages) {
            parting.heads.clear();
            parting.depths.clear();
            parting.titled = false;
            parting.answers = page.blocks().stream()
                    .anyMatch(block -> block.kind() == Block.Kind.QUOTE
                            && block.depth() < 2
                            && LISTED.matcher(block.text().value()).find());
            List<Block> blocks = page.blocks();
            for (int i = 0; i < blocks.size(); i++) {
                Block block = blocks.get(i);
                if (block.kind() == Block.Kind.HEAD) {
                    i = parting.table(blocks, i);
                } else {
                    parting.block(parting.spoken(block, page.spoken()));
                }
            }
        }
        parting.takeBack();
        parting.setAside();
        return new Parted(
                List.copyOf(parting.all), List.copyOf(parting.tables), List.copyOf(parting.chatter), parting.cut);
    }

    private static final Pattern WRONG = Pattern.compile(
            "^\\W*(?:no,? wait|no[.,!]* sorry|sorry,? (?:no|that)|no[.,!] (?:no|i'm|that's|wait|sorry)|i'm lying|wrong,|forget that|scratch that|that's the recovery sorry|no\\W*$|no i'm lying).*");
    private static final Pattern WRONG_ITSELF = Pattern.compile(
            ".*\\b(?:and that was wrong|that's the old way|which was wrong|that was a mistake|no wait that's the old).*");

    /** Who corrects himself takes back what he said just before; what comes next is said again. */
    private void takeBack() {
        for (int i = 0; i < all.size(); i++) {
            Sentence own = all.get(i);
            boolean before = i > 0
                    && WRONG.matcher(own.lower()).matches()
                    && !all.get(i - 1).is(Block.Kind.HEADING)
                    && !all.get(i - 1).lower().strip().endsWith("?");
            if (before) {
                all.set(i - 1, all.get(i - 1).takeBack());
            }
            if (WRONG_ITSELF.matcher(own.lower()).matches()) {
                all.set(i, own.takeBack());
            }
        }
    }

    /** In a thread the posts of whoever tells the way count; what others say is talk. */
    private void setAside() {
        Map<String, Integer> weights = new HashMap<>();
        for (Sentence one : all) {
            if (isPost(one)) {
                int weight = (Acts.isAct(one) ? 1 : 0)
                        + 3 * FileNames.names(one.value()).size()
                        + 3 * FileNames.sums(one.value()).size();
                weights.merge(author(one.block().voice()), weight, Integer::sum);
            }
        }
        Optional<String> main =
                weights.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
        main.ifPresent(author -> all.replaceAll(
                one -> isPost(one) && !author(one.block().voice()).equals(author) ? one.setAside() : one));
    }

    private static boolean isPost(Sentence one) {
        return one.block().voice().startsWith("#") || one.block().voice().startsWith("post");
    }

    private static final Pattern AUTHOR = Pattern.compile("^(?:#\\d+|post #?\\d+)[\\s,:-]*([\\w.-]+)");

    private static String author(String voice) {
        Matcher found = AUTHOR.matcher(voice);
        return found.find() ? found.group(1) : voice;
    }

    /** With what was spelled out aloud; in a text that was not spoken only names are. */
    private Block spoken(Block block, boolean aloud) {
        Text written = aloud ? spoken.written(block.text()) : spoken.named(block.text());
        return new Block(block.kind(), written, block.depth(), block.cells(), block.voice());
    }

    private int table(List<Block> blocks, int from) {
        List<Block> rows = new ArrayList<>();
        int at = from + 1;
        while (at < blocks.size() && blocks.get(at).kind() == Block.Kind.ROW) {
            rows.add(blocks.get(at++));
        }
        tables.add(new Table(blocks.get(from), rows, List.copyOf(heads), all.size()));
        return at - 1;
    }

    private void block(Block block) {
        if (block.kind() == Block.Kind.HEADING) {
            while (!depths.isEmpty() && depths.get(depths.size() - 1) >= block.depth()) {
                depths.remove(depths.size() - 1);
                heads.remove(heads.size() - 1);
            }
            add(block, block.text(), 0);
            // A title is about everything; what it says is no section.
            boolean title = all.size() <= 1 || !titled && block.text().value().length() > LONGEST_SECTION;
            titled = true;
            labelled = block.text().value().strip().endsWith(":");
            lists = false;
            heads.add(title ? "" : Sentence.plain(block.text().value()));
            depths.add(block.depth());
            return;
        }
        leave(block);
        int part = 0;
        for (Text text : parted(block.text())) {
            add(block, text, part++);
        }
    }

    /** What a label such as “Works:” is about ends with the list below it. */
    private void leave(Block block) {
        boolean listed = block.kind() == Block.Kind.ITEM || block.kind() == Block.Kind.STEP || block.depth() > 0;
        // What was asked ends with the next question.
        boolean asked = !heads.isEmpty()
                && heads.get(heads.size() - 1).strip().endsWith("?")
                && block.text().value().strip().endsWith("?");
        if (asked) {
            heads.remove(heads.size() - 1);
            depths.remove(depths.size() - 1);
            labelled = false;
        }
        if (listed) {
            lists = true;
        } else if (lists && block.kind() == Block.Kind.PARAGRAPH && labelled && !heads.isEmpty()) {
            heads.remove(heads.size() - 1);
            depths.remove(depths.size() - 1);
            labelled = false;
        }
    }

    /** Whether the nearest heading is only a label that ends in a colon, and whether a list stood below it. */
    private boolean labelled;

    private boolean lists;

    private void add(Block block, Text text, int part) {
        if (text.isBlank()) {
            return;
        }
        String lower = Sentence.plain(text.value());
        boolean head = block.kind() == Block.Kind.HEADING || all.size() < FIRST;
        if (all.size() >= MOST) {
            cut = true;
            chatter.add(text);
        } else if (!head && !Telling.isIn(lower) || BESIDE.begins(lower.replaceFirst("^\\W+", ""))) {
            chatter.add(text);
        } else {
            all.add(new Sentence(
                    text,
                    Sentence.plain(text.value()),
                    block,
                    heads,
                    section(this.heads),
                    all.size(),
                    part,
                    isQuoted(block),
                    false,
                    false));
        }
    }

    /** Whether a block is somebody else's words; of a mail that answers point by point only what is quoted twice is. */
    private boolean isQuoted(Block block) {
        return block.voice().equals("quote") || block.kind() == Block.Kind.QUOTE && (block.depth() > 1 || !answers);
    }

    static Section section(List<String> heads) {
        for (int i = heads.size() - 1; i >= 0; i--) {
            Section own = section(heads.get(i));
            if (own != Section.NONE) {
                return own;
            }
        }
        return Section.NONE;
    }

    private static Section section(String head) {
        if (head.length() > 60) {
            return Section.NONE;
        }
        for (int i = 0; i < SECTIONS.size(); i++) {
            if (SECTIONS.get(i).in(head)) {
                return KINDS.get(i);
            }
        }
        return Section.NONE;
    }

    /** The sentences of a text. */
    static List<Text> parted(Text text) {
        String value = text.value();
        List<Text> parts = new ArrayList<>();
        Matcher ends = END.matcher(value);
        int from = 0;
        while (ends.find()) {
            int mark = value.charAt(ends.start()) == '\n' ? ends.start() : ends.start() + 1;
            boolean goesOn = mark > ends.start()
                    && value.charAt(ends.start()) == '.'
                    && SHORT.matcher(value.substring(Math.max(from, mark - 12), mark))
                            .find();
            if (!goesOn) {
                parts.add(text.sub(from, mark + closing(value, mark, ends.end())));
                from = ends.end();
            }
        }
        parts.add(text.sub(from, value.length()));
        return parts.stream()
                .flatMap(part -> bounded(part).stream())
                .filter(part -> !part.isBlank())
                .toList();
    }

    /** A sentence without an end is parted at blanks. */
    private static List<Text> bounded(Text part) {
        if (part.value().length() <= BREATHLESS) {
            return List.of(part);
        }
        List<Text> pieces = new ArrayList<>();
        // Who talks without a full stop goes on with such words.
        Matcher words = GOES_ON.matcher(part.value().toLowerCase(Locale.ROOT));
        int begin = 0;
        while (part.value().indexOf(", ") < 0 && words.find()) {
            if (words.start() - begin > SHORTEST) {
                pieces.add(part.sub(begin, words.start()));
                begin = words.start();
            }
        }
        if (begin > 0) {
            pieces.add(part.sub(begin, part.value().length()));
            return pieces;
        }
        if (part.value().length() <= LONGEST) {
            return List.of(part);
        }
        int from = 0;
        while (from < part.value().length()) {
            int to = Math.min(part.value().length(), from + LONGEST);
            int blank = to < part.value().length() ? part.value().lastIndexOf(' ', to) : to;
            to = blank > from + LONGEST / 2 ? blank : to;
            pieces.add(part.sub(from, to));
            from = to;
        }
        return pieces;
    }

    private static int closing(String value, int from, int to) {
        int closing = 0;
        while (from + closing < to && "\"')]".indexOf(value.charAt(from + closing)) >= 0) {
            closing++;
        }
        return closing;
    }
}
