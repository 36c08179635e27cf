package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;

/** Versions by the company they keep: of a tool behind its name, of the OS behind the words for it; and whether before or after. */
final class VersionsReading {
    private static final Pattern NUMBER = Pattern.compile(
            "(?<![\\w.,/-])[vV]?(\\d{1,2}(?:\\.(?:\\d{1,2}|x)){1,3})([a-z])?(?![\\w%]|\\.\\d|[.,]\\d{3}|-\\d|/\\d)");
    private static final Pattern TOOL = Pattern.compile(
            "(?<![\\w.-])((?:[A-Z][A-Za-z]*[a-z][\\w-]*|[A-Z]{3,}[\\w-]*)(?: (?:[A-Z][\\w-]+|drivers?|tools?|pack|app|recovery|flasher|package|program|script)){0,2})[ ,]{1,2}(?:\\(?(?:version|ver\\.?|v\\.?|v|release|r) ?)?((?:\\d{1,2}(?:\\.\\d{1,4}){1,3}[a-z]?)|(?:r\\d{1,3})|(?:\\d{1,2}(?![\\w.%:/,-]|\\s*(?:%|percent|minutes?|mins?|seconds?|hours?|[ap]m|mb|gb|times|eur|usd|dollars|euros?|phones?|tablet|or \\d))))");
    private static final Pattern SMALL_TOOL = Pattern.compile(
            "(?<![\\w.-])([a-z][a-z-]{2,20}(?: (?:ways?|flasher|tools?|toolkit|driver|writer|program|app|script|manager|recovery))?)[ ,]{1,2}(?:version |ver\\.? |v\\.? ?)?(\\d{1,2}(?:\\.\\d{1,3}){1,2}[a-z]?|r\\d{1,3})(?= or (?:later|newer|up|higher|above)|\\+| and (?:later|newer|up|above)| upwards|(?<=(?:flasher|toolkit|writer) \\d\\.\\d{1,3})|(?<=version \\d\\.\\d{1,3}))");
    /** “In Trestle, and that's version 2.8”, “it is called trestle, version 3”. */
    private static final Pattern TOLD_TOOL = Pattern.compile(
            "(?:(?:\\b[Ii]n|\\b[Oo]pen|\\b[Ss]tart|\\b[Ww]ith|\\b[Uu]se|\\bcalled) )(\\p{L}[\\p{L}-]{2,18}),? (?:(?:and |which |that |this |it )?(?:is|'s|that's|it's|this is|that is) )?(?:in )?[Vv]ersion (\\d{1,2}(?:\\.\\d{1,3}){0,2})(?![\\w.]*\\d)");

    private static final Pattern IN_BRACKETS = Pattern.compile(
            "\\b(?:[Ii]n|[Uu]s(?:e|ing)|[Oo]pen|[Ss]tart|[Ww]ith) (\\p{L}[\\p{L}-]{2,18}) \\((?:v|version |ver\\.? )?(\\d{1,2}(?:\\.\\d{1,3}){1,2})\\)");
    /** “Ferryman (1.8 or newer, 1.7 crashes)”: all that stands in the bracket is of the tool. */
    private static final Pattern BRACKETED = Pattern.compile(
            "(?<![\\w.-])(\\p{Lu}[\\p{L}-]{2,18}) \\((?:v|version |ver\\.? |at least |min\\.? )?(\\d{1,2}(?:\\.\\d{1,3}){1,2})(?=[ ,;+)])([^()]{0,80})\\)");

    private static final Pattern DRIVER = Pattern.compile(
            "(?i)((?:[A-Z][A-Za-z]+(?:'s)?(?: own)? ){0,2}(?:USB )?[A-Za-z]*-?drivers?(?: pack(?:age)?)?)(?:[ ,(]{1,3}(?:version |v\\.? ?)?(\\d{1,2}(?:\\.\\d{1,4}){1,4}))?");
    private static final Pattern LATER = Pattern.compile(
            "^\\W{0,2}(?:\\+|or (?:later|newer|up|higher|above|better|younger)|and (?:later|newer|up|above|higher)|upwards?|at least|minimum)");
    private static final Pattern EARLIER =
            Pattern.compile("^\\W{0,2}(?:or (?:older|earlier|lower|below)|and (?:older|earlier|below|lower))");
    private static final Cue NO_TOOL = Cues.of("versionsReading.noTool");
    private static final Cue TO = Cues.of("versionsReading.to");
    private static final Cue NOT_OS = Cues.of("versionsReading.notOs");

    private static final int SHORT = 10;

    private final List<Sentence> sentences;
    private final Set<String> names;
    private final Map<String, ToolRead> tools = new LinkedHashMap<>();
    private final List<OsRead> versions = new ArrayList<>();
    /** Words that stand before a version as a tool's name does. */
    private static final Pattern IN_FILE = Pattern.compile("(?<![\\d.])\\d{1,2}\\.\\d{1,2}(?![\\d]|\\.\\d)");

    private final Set<String> fileVersions = new HashSet<>();
    /** Where versions of tools stand. */
    private final Set<String> taken = new HashSet<>();

    private final Set<String> toolWords = new HashSet<>();

    /**
     * An OS version as it is spoken of.
     *
     * @param to whether the phone has it only afterwards
     */
    record OsRead(Versions versions, Read<String> read, Stance stance, boolean to, Sentence sentence, int start) {}

    /**
     * @param names of phones and makers, in small letters: what stands behind them is no tool's version
     */
    VersionsReading(List<Sentence> sentences, Set<String> names) {
        this.sentences = sentences;
        this.names = names;
    }

    Map<String, ToolRead> tools() {
        return tools;
    }

    List<OsRead> versions() {
        return versions;
    }

    VersionsReading read() {
        for (Sentence sentence : sentences) {
            for (FileNames.Found file : FileNames.names(sentence.value())) {
                Matcher version = IN_FILE.matcher(file.value());
                while (version.find()) {
                    fileVersions.add(version.group());
                }
            }
        }
        for (Sentence sentence : sentences) {
            boolean figures = sentence.value().chars().anyMatch(Character::isDigit);
            boolean quoted = sentence.quoted();
            if (sentence.lower().contains("driver")) {
                drivers(sentence);
            }
            if (!quoted && sentence.section() != Sentence.Section.UNDO) {
                command(sentence);
            }
            if (figures && !quoted && sentence.section() != Sentence.Section.CHANGES) {
                tools(sentence);
            }
        }
        for (Sentence sentence : sentences) {
            boolean quoted = sentence.quoted();
            if (sentence.value().indexOf('.') > 0
                    && !quoted
                    && sentence.section() != Sentence.Section.CHANGES
                    && sentence.section() != Sentence.Section.EXCLUDED) {
                versions(sentence);
            }
        }
        // Where some are named as versions of the OS, bare numbers elsewhere are something else's.
        boolean labelled = versions.stream()
                .anyMatch(one -> one.read().sure() == Sure.CERTAIN && one.stance() == Stance.NONE && !one.to());
        boolean bound = versions.stream().anyMatch(one -> boundAt(one) && one.stance() == Stance.NONE && !one.to());
        versions.removeIf(one -> !one.to()
                && (labelled
                                && one.read().sure() != Sure.CERTAIN
                                && versions.stream()
                                        .noneMatch(other -> other.read().sure() == Sure.CERTAIN
                                                && other.sentence() == one.sentence())
                                && !THREE.matcher(one.versions().exact().orElse(""))
                                        .matches()
                        || bound && one.read().sure() != Sure.CERTAIN && !boundAt(one)));
        return this;
    }

    private static final Pattern THREE = Pattern.compile("\\d+\\.\\d+\\.\\d+");

    // Tools.

    private void tools(Sentence sentence) {
        if (sentence.lower().chars().noneMatch(Character::isDigit)) {
            return;
        }
        Matcher big = TOOL.matcher(sentence.value());
        int from = 0;
        while (big.find(from)) {
            from = big.end(1);
            tool(sentence, big.group(1), big.start(1), big.group(2), big.start(2));
        }
        Matcher told = TOLD_TOOL.matcher(sentence.value());
        while (told.find()) {
            tool(sentence, told.group(1), told.start(1), told.group(2), told.start(2));
        }
        Matcher bracketed = IN_BRACKETS.matcher(sentence.value());
        while (bracketed.find()) {
            tool(sentence, bracketed.group(1), bracketed.start(1), bracketed.group(2), bracketed.start(2));
        }
        Matcher whole = BRACKETED.matcher(sentence.value());
        while (whole.find()) {
            if (!NO_TOOL.matcher(whole.group(1).toLowerCase(Locale.ROOT)).matches()
                    && !NamesReading.isCommon(whole.group(1))) {
                tool(sentence, whole.group(1), whole.start(1), whole.group(2), whole.start(2));
                rest(sentence, whole.group(1), whole.start(3), whole.end(3));
            }
        }
        Matcher small = SMALL_TOOL.matcher(sentence.lower());
        while (small.find()) {
            tool(
                    sentence,
                    sentence.value().substring(small.start(1), small.end(1)),
                    small.start(1),
                    small.group(2),
                    small.start(2));
        }
    }

    /** What else stands in the bracket behind a tool is of the tool as well. */
    private void rest(Sentence sentence, String tool, int from, int to) {
        if (toolWords.contains(tool.toLowerCase(Locale.ROOT))) {
            Matcher numbers = NUMBER.matcher(sentence.value()).region(from, to);
            while (numbers.find()) {
                taken.add(sentence.index() + ":" + numbers.start(1));
            }
        }
    }

    private void tool(Sentence sentence, String said, int at, String version, int versionAt) {
        String name = said.replaceFirst(
                "^(?:The|A|An|In|Use|With|Open|Start|Install|Installed|Get|Take|My|And|Old|New|Flasher|Tool|App|Used|You Need|Run|On|For|It|Only|Recovery|Root) (?=\\S)",
                "");
        String lower = name.toLowerCase(Locale.ROOT);
        String first = lower.split(" ")[0];
        boolean stated =
                version.contains(".") || version.startsWith("r") || lower.contains("driver") || isUsed(sentence, at);
        boolean known = names.contains(first) || names.stream().anyMatch(one -> lower.endsWith(one));
        boolean year = version.matches("(?:19|20)\\d\\d");
        if (name.length() < 3
                || NO_TOOL.matcher(lower).matches()
                || NO_TOOL.matcher(first).matches() && lower.indexOf(' ') < 0
                || !stated
                || known && !lower.contains("driver")
                || year
                || ModelTokens.isCandidate(name)
                || name.matches("[A-Z]{1,2}")) {
            return;
        }
        String before = sentence.lower().substring(Math.max(0, at - 24), at);
        if (before.matches(".*(?:\\bno |not |\\(not |never |build |model |edit:? )$")) {
            return;
        }
        toolWords.add(first);
        taken.add(sentence.index() + ":" + versionAt);
        String after = sentence.lower().substring(Math.min(sentence.lower().length(), versionAt + version.length()));
        String key = lower.replaceAll("[^a-z0-9]", "");
        Read<String> least = Read.of(version, sentence, versionAt, Sure.LIKELY);
        Optional<Read<String>> most =
                EARLIER.matcher(after).find() || before.matches(".*(?:only|exactly|no newer than|at most) (?:with )?$")
                        ? Optional.of(least)
                        : Optional.empty();
        boolean turned = after.matches(
                "^[^.;]{0,14}(?:does not|doesn't|is not|crash|fails|won't|was released|and below|or below).*");
        if (!turned || !tools.containsKey(key)) {
            ToolRead read = new ToolRead(
                    Read.of(name, sentence, sentence.value().indexOf(name, at), Sure.LIKELY),
                    lower.contains("driver") ? "driver" : "tool",
                    turned ? Optional.empty() : Optional.of(least),
                    most);
            tools.merge(key, read, (old, next) -> old.atLeast().isPresent() ? old : next);
        }
    }

    private static boolean isUsed(Sentence sentence, int at) {
        String before = sentence.lower().substring(Math.max(0, at - 20), at);
        return before.matches(
                        ".*\\b(?:open|start|use|used|with|run|opened|app|program|flasher|tool|take|need|installed?|zip|=)\\W{1,2}(?:the )?$")
                || sentence.lower()
                        .contains("not " + sentence.lower().substring(at).split(" ")[0]);
    }

    private void drivers(Sentence sentence) {
        Matcher found = DRIVER.matcher(sentence.value());
        if (!found.find() || sentence.lower().matches(".*\\b(?:no|without|never|not) (?:any |a )?drivers?\\b.*")) {
            return;
        }
        String name = found.group(1)
                .strip()
                .replaceFirst(
                        "^(?i)(?:the|with|of|install|a|an|and|or|your|for|in|on|get|need|needs|has|have|had|its|all|these|those|some|no|are|is) ",
                        "")
                .replaceFirst("^(?i)(?:the|a|an|your|its|all) ", "");
        String key = "drivers";
        Read<String> read = Read.of(name, sentence, sentence.value().indexOf(name, found.start(1)), Sure.LIKELY);
        Optional<Read<String>> least = Optional.ofNullable(found.group(2))
                .map(version -> Read.of(version, sentence, found.start(2), Sure.LIKELY));
        tools.merge(
                key,
                new ToolRead(read, "driver", least, Optional.empty()),
                (old, next) -> old.atLeast().isPresent() || next.atLeast().isEmpty() ? old : next);
    }

    /** Commands that are typed name the program they are of. */
    private void command(Sentence sentence) {
        Matcher typed = sentence.is(Block.Kind.CODE) ? CODE.matcher(sentence.value()) : TYPED.matcher(sentence.value());
        while (typed.find()) {
            String name = typed.group(1);
            if (!SHELL.contains(name) && name.length() > 2 && !FileNames.isFile(name)) {
                toolWords.add(name.toLowerCase(Locale.ROOT));
                tools.putIfAbsent(
                        name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", ""),
                        new ToolRead(
                                Read.of(name, sentence, typed.start(1), Sure.LIKELY),
                                "tool",
                                Optional.empty(),
                                Optional.empty()));
            }
            if (sentence.is(Block.Kind.CODE)) {
                break;
            }
        }
    }

    private static final Set<String> SHELL = Set.of(
            "sudo", "su", "sh", "cp", "chmod", "tar", "cd", "ls", "cat", "mv", "rm", "dd", "mount", "reboot", "exit",
            "echo", "unzip", "window", "prompt", "line", "file", "python", "python3", "java", "bash", "adduser", "the",
            "this", "yes", "in", "your", "it", "out", "that", "and", "one", "code", "only", "install");
    private static final Pattern CODE =
            Pattern.compile("^(?:[$#>] |[A-Z]:[^>]{0,40}> )?(?:sudo )?([a-z][a-z0-9_-]{2,20})(?= [a-z-])");
    private static final Pattern TYPED = Pattern.compile(
            "\\b(?:[Tt]ype(?:d| in)?|[Rr]un|[Ee]nter|command|terminal)[: ]{1,3}[\"'`“]?([a-z][a-z0-9_]{2,20})(?= [a-z]+[ -]?[a-z_.-]*)(?=[ a-z0-9_.-]{0,60}(?:loader|devices|recovery|unlock|flash|read-id|shell|push|open|ask-id|boot|restart|release|put|write|reboot))");

    // The OS.

    private void versions(Sentence sentence) {
        String text = sentence.value();
        String lower = sentence.lower();
        List<FileNames.Found> files = FileNames.names(text);
        Matcher numbers = NUMBER.matcher(text);
        int lastEnd = -9;
        boolean lastWasOs = false;
        while (numbers.find()) {
            int start = numbers.start(1);
            int end = numbers.end(1);
            String version = numbers.group(1);
            boolean inFile = files.stream().anyMatch(file -> start >= file.start() && end <= file.end());
            boolean joined = lastWasOs
                    && lower.substring(Math.max(0, lastEnd), start)
                            .matches(
                                    "\\s?(?:,|and|or|/|-|to|&|\\+|, and|, or|as well as| and on| or on|up to(?: and including)?|through|thru|until)\\s?(?:os )?(?:also |on )?");
            if (inFile
                    || taken.contains(sentence.index() + ":" + start)
                    || !isOs(sentence, start, end, version, joined, numbers.group(2) != null)) {
                lastWasOs = false;
                continue;
            }
            boolean between = joined
                    && lower.substring(lastEnd, start).matches("\\s?and\\s?(?:os )?")
                    && lower.substring(0, lastEnd).matches(".*\\bbetween (?:os |version )?\\S+");
            boolean range = between
                    || joined
                            && lower.substring(lastEnd, start)
                                    .matches("\\s?(?:-|to|up to(?: and including)?|through|thru|until)\\s?(?:os )?");
            if (range
                    && !versions.isEmpty()
                    && versions.get(versions.size() - 1).versions().exact().isPresent()) {
                OsRead low = versions.remove(versions.size() - 1);
                versions.add(new OsRead(
                        Versions.between(low.versions().exact().orElseThrow(), version),
                        low.read(),
                        low.stance(),
                        low.to(),
                        sentence,
                        low.start()));
            } else {
                add(sentence, version, start, end);
            }
            lastWasOs = true;
            lastEnd = end;
        }
    }

    private boolean isOs(Sentence sentence, int start, int end, String version, boolean joined, boolean lettered) {
        if (!version.matches("[1-9]\\d?\\.\\d{1,2}(?:\\.(?:\\d{1,2}|x))?|[1-9]\\d?\\.x") || lettered) {
            return false;
        }
        int major = Integer.parseInt(version.split("\\.")[0]);
        String lower = sentence.lower();
        String before = lower.substring(Math.max(0, start - 34), start);
        String after = lower.substring(end, Math.min(lower.length(), end + 22));
        if (major > 20
                || after.matches(
                        "\\s?(?:mb|gb|kb|inch|%|percent|mega|euros?|eur|usd|dollars|pounds|volts?|mah|am|pm|modem|radio|kernel|recovery|loader|bootloader|baseband|drivers?|script|package|\"|''|by me|ghz).*")
                || before.matches(".*(?:[$€£]|\\beur |\\busd )\\s?$")) {
            return false;
        }
        if (joined) {
            return true;
        }
        if (lower.length() < SHORT && !lower.contains("os") && !sentence.is(Block.Kind.HEADING)) {
            return false;
        }
        Matcher word = Pattern.compile("([\\p{L}\\p{N}_'-]+)[\\s,:(=.]{0,3}(?:v|version |ver\\.? )?$")
                .matcher(before);
        String last = word.find() ? word.group(1) : "";
        if (toolWords.contains(last)
                || last.matches(
                        "usb|point|step|page|section|rev|revision|md5|sha|no|nr|v|ver|kernel|recovery|loader|bootloader|drivers?|toolkit|app|tool|flasher|script|binary|manager|bridge|patch|chapter|baseband|radio|about|costs?|for only|price|r")) {
            return false;
        }
        boolean labelled = before.matches(
                ".*\\b(?:os|system version|os version|version|firmware|system|software|stock|running|rom)\\W{1,3}(?:(?:is|must be|should be|version|has to be|was|at|of|=|the|on|to|from|only|it's)\\W{1,2}){0,3}(?:the )?(?:version )?$");
        // Beside the system's own version the software is the maker's.
        if (SOFTWARE.matcher(before).find() && SYSTEM.matcher(lower).find()) {
            return false;
        }
        boolean shaped = version.split("\\.").length == 3
                || after.matches("\\W{0,2}(?:or|and) (?:newer|later|up|above|older|earlier).*");
        boolean company = before.matches(
                ".*(?:\\b(?:on|with|from|running|runs|for|is|was|at|are|only|it's|to|had|has|have|ran|came with|both|than|in|did|or|and|until|after|before|between|out of|up to|became|booted|say|says|read|reads|show|shows|under|below|above|since|through)|[(,:;=-]|^)\\s?(?:the |a |my |plain |latest |only |stock |old |version |os )?$");
        boolean bare =
                labelled && before.matches(".*(?<!os )(?<!system )\\bversion\\W{1,3}(?:is |must be |should be )?$");
        if ((!labelled && !shaped || bare) && isOfAThing(version) || bare && speaksOfATool(sentence, lower, start)) {
            return false;
        }
        boolean otherThing = NOT_OS.in(before.substring(Math.max(0, before.length() - 22)));
        return labelled || company && !otherThing && (shaped || version.matches("[1-9]\\.\\d|1\\d\\.\\d?"));
    }

    private static final Pattern SOFTWARE = Pattern.compile("\\bsoftware\\W{1,3}(?:version )?$");
    private static final Pattern SYSTEM = Pattern.compile("\\b(?:os|system)(?: version)?\\W{1,3}\\d");

    /** The word alone goes on with what was spoken of last. */
    private boolean speaksOfATool(Sentence sentence, String lower, int start) {
        String said = lower.substring(0, start);
        boolean before = taken.stream().anyMatch(place -> place.startsWith((sentence.index() - 1) + ":"));
        return PROGRAM.in(said) || before && said.length() < SHORT + 2;
    }

    private static final Cue PROGRAM =
            Cue.of("program(?:me)?", "tool", "toolkit", "flasher", "script", "app", "drivers?", "manager");

    /** A short version that a file or a tool has is theirs. */
    private boolean isOfAThing(String version) {
        return fileVersions.contains(version)
                || tools.values().stream()
                        .anyMatch(tool -> tool.atLeast()
                                .filter(read -> read.value().equals(version))
                                .isPresent());
    }

    private void add(Sentence sentence, String version, int start, int end) {
        String lower = sentence.lower();
        String before = lower.substring(Math.max(Stance.clauseStart(lower, start), start - 44), start);
        String after = lower.substring(end);
        Stance stance = Stance.of(sentence, start, end) == Stance.UNSURE ? Stance.UNSURE : Stance.NONE;
        boolean tried =
                before.matches(".*\\b(?:not|never|nor|except|but not|no good on|won't|doesn't|isn't)\\b[^,]{0,24}$");
        Versions versions = LATER.matcher(after).find()
                        || before.matches(
                                        ".*\\b(?:at least|from|minimum|min\\.?|since|>=|newer than)\\s?(?:os |version )?$")
                                && !before.matches(".*\\b(?:from|since)\\s?(?:os |version )?$")
                ? Versions.from(version)
                : EARLIER.matcher(after).find()
                                || before.matches(
                                        ".*\\b(?:up to|at most|until|below|before|<=?|no newer than|older than)\\s?(?:and including |os |version )?$")
                        ? Versions.upTo(version)
                        : Versions.exactly(version);
        boolean to = isTo(sentence, before, after) && !isLookedUpBefore(sentence, lower.substring(0, start));
        boolean labelled = before.matches(".*\\b(?:os|os version|running|version)\\W{1,3}$");
        boolean refused = near(after)
                        .matches(
                                ".*(?:\\bnot\\b|n't\\b|\\bnever\\b|\\bnope\\b|\\bbrick|\\bno good|\\bno\\W*$|closed|patched|\\bhole shut).*")
                || after.matches("\\W{0,3}(?:=|:|-)? ?(?:brick|no\\b|dead|untested).*");
        boolean read = lower.substring(0, start).matches(".*\\bif (?:it|yours|the phone|your phone|you)\\b[^.;]{0,30}$")
                && ELSEWHERE.matcher(after).find();
        tried |= read || FIRST_BACK.matcher(after).find();
        tried |= refused || ENDED.matcher(before).find() || after.matches("^\\W{0,2}before\\b.*") || sentence.aside();
        if (isBound(before, sentence)) {
            this.bound.add(sentence.index() + ":" + start);
        }
        this.versions.add(new OsRead(
                versions,
                Read.of(
                        version,
                        sentence,
                        start,
                        labelled ? Sure.CERTAIN : OWN.matcher(before).find() ? Sure.LIKELY : Sure.GUESS),
                tried ? Stance.AGAINST : stance,
                to,
                sentence,
                start));
    }

    /** “If it runs 5.0 already, read that page instead.” */
    private static final Pattern ELSEWHERE = Pattern.compile(
            "^[^.;]{0,40}\\b(?:instead|another (?:page|guide|way)|(?:other|separate|this) (?:page|guide|article|thread)|stop|not for)\\b");
    /** “Units with 3.3 must first be brought back.” */
    private static final Pattern FIRST_BACK = Pattern.compile(
            "^[^.;]{0,20}\\b(?:must|has to|have to|needs? to|should|is|was)\\b[^.;]{0,20}\\b(?:brought|set|taken|put|go|gone|come|downgraded?) ?(?:back|down)?\\b[^.;]{0,12}\\b(?:to|first)\\b|^\\W{0,2}(?:and|so) (?:i |we |he |she )?had to (?:go|come|downgrade|bring)");

    private static final Pattern ENDED = Pattern.compile(
            "\\b(?:died|closed|dead|gone|patched|shut|ended|stopped|until|up to and without) (?:with|in|since|from|by|on|before) (?:os )?$");

    /** Words for the OS itself stand before it. */
    private static final Pattern OWN = Pattern.compile(
            "\\b(?:os|system|version|running|runs|only|must be|firmware|stock)\\s(?:the |os |version )?$");

    private final Set<String> bound = new HashSet<>();

    private boolean boundAt(OsRead one) {
        return bound.contains(one.sentence().index() + ":" + one.start());
    }

    /** Words for what must be, or for the phone itself, stand before it. */
    private static boolean isBound(String before, Sentence sentence) {
        return BOUND.matcher(before).find() || sentence.isListed() || sentence.index() < 3;
    }

    private static final Pattern BOUND = Pattern.compile(
            "\\b(?:os|system|version|running|runs|only|must be|firmware|on|with|for|has|have|had|stock)\\s(?:the |os |version )?$|\\($|, $");

    /** What is said of a version before the next is named. */
    private static String near(String after) {
        String clause = after.substring(0, Math.min(after.length(), Stance.clauseEnd(after, 0)));
        Matcher next = Pattern.compile(
                        "\\d\\.\\d|, (?:with|on) |\\. |, (?:not|never|no) (?:on |with )?(?:os )?\\d|, (?:if|else|otherwise)\\b|[,(] ?(?:later|newer|higher|anything (?:newer|later|above|higher)|(?:all|every)(?:thing)? (?:after|above|later|newer)|from)\\b")
                .matcher(clause);
        return next.find() ? clause.substring(0, next.start()) : clause;
    }

    /** “In the settings it should say 5.1” above the first step is what the phone must have, and so is what one first goes back to. */
    private boolean isLookedUpBefore(Sentence sentence, String before) {
        boolean early = sentences.stream()
                .filter(one -> one.is(Block.Kind.STEP))
                .findFirst()
                .map(first -> sentence.index() < first.index())
                .orElse(sentence.index() < SHORT);
        return early
                && (LOOKED_UP.matcher(before).find()
                        || UP_TO.matcher(before).find()
                        || LABELLED.matcher(before).find()
                        || FIRST.matcher(before).find());
    }

    private static final Pattern LOOKED_UP =
            Pattern.compile("\\b(?:settings|about(?: phone)?|menu)\\b.{0,40}\\b(?:says?|reads?|shows?|stands?|be)\\s$");
    private static final Pattern LABELLED = Pattern.compile("^\\W*(?:firmware|software|system|os)(?: version)?: ?$");
    private static final Pattern UP_TO =
            Pattern.compile("\\b(?:os|systems?|versions?|firmwares?|everything) up to (?:and including )?$");
    private static final Pattern FIRST =
            Pattern.compile("\\bfirst (?:go|get|come|bring it|put it) (?:back |down )?to (?:os )?$");

    private static boolean isTo(Sentence sentence, String before, String after) {
        boolean was = before.matches(
                ".*(?:\\b(?:was|from|on|running|came with|it is|had|must be|out of the box|is it the)|\\babout(?: phone)? says|\\b(?:tested|tried) (?:with|on)\\b.{0,30}says)\\s?(?:os |version |the )?$");
        int clause = before.lastIndexOf(", ");
        return !was
                        && TO.in(before.substring(clause < 0 ? 0 : clause))
                        && !before.matches(".*\\bupdated? to .{0,12}at least once.*")
                || after.matches("^ (?:is there|it must say|now|that comes|then|final|by itself|afterwards).*")
                || sentence.section() == Sentence.Section.UNDO;
    }
}
