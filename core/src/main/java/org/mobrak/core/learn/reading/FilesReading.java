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
import java.util.stream.Stream;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.page.Text;

/** Which files a guide is done with: their names, checksums, sizes and slots, and what of them no longer counts. */
final class FilesReading {
    private static final int NEAR_SENTENCES = 2;
    private static final Cue OLD = Cues.of("filesReading.old");
    private static final Cue OLD_SUM = Cues.of("filesReading.oldSum");
    private static final Pattern HEAD_OLD = Pattern.compile(
            "\\b(?:yanked|withdrawn|old|older|old versions?|earlier|legacy|former|obsolete|archived?|do not use|taken down|previous)\\b");
    private static final Pattern SIZE = Pattern.compile("(?i)(\\d{1,3}(?:[.,' ]\\d{3}){1,12}|\\d{4,12}) ?bytes?\\b");
    private static final Pattern SLOT_BEFORE = Pattern.compile(
            "(?:\\bslots?|\\bfields?|\\bbox|\\bbutton|\\bline|\\bhole|\\bplace|\\btab|\\bentry)\\s*(?:named|called|labell?ed|marked|that says|which says|down it says|,|is|the|with|:)?\\s*(?:the )?[\"'“”(\\[*]{0,2}([A-Z][A-Z0-9]{0,11}(?: [A-Z]){0,3}|[A-Z]{2,12})[\"'“”)\\]*]{0,2}(?![\\w-])");
    private static final Pattern SLOT_AFTER = Pattern.compile(
            "[\"'“”*]([A-Z][A-Z0-9]{0,11})[\"'“”*]\\s+(?:slot|field|box|button)|\\b([A-Z]{2,12})\\s+(?:slot|field|box)|\\b[Tt]he ([A-Z]{2,10}) (?:line|button|row|entry)\\b|\\b[Tt]ick (?:the )?[\"“']?([A-Z]{2,10})\\b|\\b(?:choose|select|load|pick|use)\\b.{0,60}? for (?:the )?[\"“']?([A-Z]{2,10})[\"”']?(?=[.,;]|$)|(?:\\bin|\\binto|\\bput in|->|→)\\s+(?:slot\\s+)?[\"“]?([A-Z]{2,10})[\"”]?(?=\\s+(?:and|then|hit|press|,|$)|[.,;]|$)");
    private static final Pattern SLOT_EQUALS = Pattern.compile("(?<![\\w-])([A-Z]{1,10})\\s?=\\s?(?=[\\w-]+\\.)");
    private static final Pattern SLOT_QUOTED = Pattern.compile(
            "\\b(?:slot|field|box|button|line)s?\\s+(?:named |called |labell?ed |marked )?[\"“']([A-Za-z][A-Za-z0-9 ]{1,24})[\"”']");
    /** A word like that is a phone's. */
    private static final Pattern MODEL_LIKE = Pattern.compile("[A-Z]{1,4}\\d{2,5}[A-Z]{0,2}");

    /** “Put the tar in the one called P D.” */
    private static final Pattern SLOT_CALLED = Pattern.compile(
            "\\b(?:in|into|under|at|to) (?:the one (?:called|named|labell?ed|marked|that says) )[\"“']?([A-Z][A-Z0-9]{0,9}(?: [A-Z]){0,3})(?![\\w-])|\\b(?:goes|put .{2,24}) (?:in|into|under|to) (?:the )?[\"“']?([A-Z]{1,10})[\"”']?(?= and\\b|[.,;]|$)");

    private static final List<Pattern> SLOTS = List.of(SLOT_EQUALS, SLOT_BEFORE, SLOT_AFTER, SLOT_QUOTED, SLOT_CALLED);
    private static final List<String> SLOT_WORDS = List.of(
            "slot",
            "field",
            "box",
            "one called",
            "under ",
            "goes ",
            "button",
            "line",
            "hole",
            "place",
            "tab",
            "entry",
            "in ",
            "into ",
            "->",
            "→",
            "=");
    private static final Set<String> NO_SLOTS = Set.of(
            "THE",
            "A",
            "I",
            "MD5",
            "SHA",
            "SHA1",
            "NOT",
            "USB",
            "OK",
            "DO",
            "AND",
            "OFF",
            "ON",
            "ID",
            "PC",
            "SIM",
            "SD",
            "OS",
            "NO",
            "YES",
            "IT",
            "GO",
            "START",
            "ROOT",
            "YOU",
            "ALL CAPS");

    private final List<Sentence> sentences;
    private final Map<String, FileRead> files = new LinkedHashMap<>();
    private final List<Understood.Odd> odd = new ArrayList<>();
    private final Set<String> oldSums = new HashSet<>();
    private Optional<FileRead> last = Optional.empty();
    private int lastAt = -9;

    FilesReading(List<Sentence> sentences) {
        this.sentences = sentences;
    }

    /** Checksums that contradict each other or belong to nothing. */
    List<Understood.Odd> odd() {
        return odd;
    }

    /** Files by their name in small letters. */
    Map<String, FileRead> files() {
        return files;
    }

    FilesReading read(List<Text> struck) {
        struck.forEach(text -> FileNames.sums(text.value()).forEach(sum -> oldSums.add(sum.value())));
        sentences.forEach(this::names);
        struck.forEach(text -> FileNames.names(text.value())
                .forEach(name -> Optional.ofNullable(files.get(key(name.value())))
                        .filter(file -> file.sentences.size() < 2)
                        .ifPresent(file -> file.withdrawn = true)));
        sentences.forEach(this::sums);
        sentences.forEach(this::slots);
        files.values().forEach(file -> file.disputed.forEach(file.sums::remove));
        return this;
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    FileRead file(String name, Read<String> read) {
        return files.computeIfAbsent(key(name), none -> new FileRead(read));
    }

    private void names(Sentence sentence) {
        List<FileNames.Found> names = FileNames.names(sentence.value());
        for (int i = 0; i < names.size(); i++) {
            FileNames.Found found = names.get(i);
            boolean quoted = sentence.quoted();
            if (quoted) {
                continue;
            }
            FileRead file = file(found.value(), Read.of(found.value(), sentence, found.start(), Sure.CERTAIN));
            file.sentences.add(sentence);
            if (isOld(sentence, names, i)) {
                file.withdrawn = true;
            } else {
                file.wanted = true;
            }
            sizes(sentence, names, file);
        }
    }

    private static boolean isOld(Sentence sentence, List<FileNames.Found> names, int which) {
        String lower = sentence.lower();
        FileNames.Found found = names.get(which);
        int from = which > 0 ? names.get(which - 1).end() : Stance.clauseStart(lower, found.start());
        int to = which + 1 < names.size() ? names.get(which + 1).start() : lower.length();
        String before = lower.substring(Math.min(from, found.start()), found.start());
        String after =
                lower.substring(found.end(), Math.max(found.end(), Math.min(to, Stance.clauseEnd(lower, found.end()))));
        boolean head =
                sentence.heads().stream().anyMatch(one -> HEAD_OLD.matcher(one).find());
        boolean unpackOnly = before.matches(".*(?:do(?:n't| not)) (?:extract|unpack|unzip|open|rename).*");
        return !unpackOnly
                && (head
                        || OLD.in(before)
                        || OLD.in(after)
                        || before.matches(".*\\b(?:not|no)(?: the| the file)? ?[\"'(]?$")
                        || sentence.section() == Sentence.Section.CHANGES
                                && HEAD_OLD.matcher(lower).find());
    }

    private static void sizes(Sentence sentence, List<FileNames.Found> names, FileRead file) {
        Matcher size = SIZE.matcher(sentence.value());
        if (names.size() == 1 && size.find()) {
            String digits = size.group(1).replaceAll("[^0-9]", "");
            file.bytes = Optional.of(Read.of(Long.parseLong(digits), sentence, size.start(), Sure.CERTAIN));
        }
    }

    private void sums(Sentence sentence) {
        List<FileNames.Found> names = FileNames.names(sentence.value());
        List<FileNames.Found> sums = FileNames.sums(sentence.value());
        boolean quoted = sentence.quoted();
        for (FileNames.Found sum : sums) {
            if (quoted || oldSums.contains(sum.value()) || isOldSum(sentence, sum) || isOldByNeighbours(sentence)) {
                oldSums.add(sum.value());
                continue;
            }
            Optional<FileRead> owner = owner(sentence, names, sums, sum);
            owner.ifPresent(file -> give(file, sum, sentence));
            if (owner.isEmpty()) {
                odd.add(new Understood.Odd(
                        "contradiction",
                        sentence.text().lineAt(sum.start()),
                        "A checksum stands here with no file it could belong to; it was not taken."));
            }
        }
        if (!names.isEmpty() && !quoted) {
            last = Optional.ofNullable(files.get(key(names.get(names.size() - 1).value())));
            lastAt = sentence.index();
        }
    }

    /** “Withdrawn. … Ignore it”: the sentences about it say so. */
    private boolean isOldByNeighbours(Sentence sentence) {
        int at = sentence.index();
        boolean before = at > 0
                && sentences.get(at - 1).lower().length() < NEAR_WORDS
                && WITHDRAWN.in(sentences.get(at - 1).lower());
        boolean after = at + 1 < sentences.size()
                && WITHDRAWN.begins(sentences.get(at + 1).lower());
        return (before || after) && FileNames.names(sentence.value()).isEmpty();
    }

    private static final int NEAR_WORDS = 44;
    private static final Cue WITHDRAWN = Cues.of("filesReading.withdrawn");

    private static boolean isOldSum(Sentence sentence, FileNames.Found sum) {
        String lower = sentence.lower();
        String before = lower.substring(Stance.clauseStart(lower, sum.start()), sum.start());
        String close = before.substring(Math.max(0, before.length() - 90));
        String last = close.replaceFirst("^.*, (?=[^,]*$)", "");
        String near = last.length() > 3 ? last : close;
        String after = lower.substring(sum.end(), Math.min(lower.length(), sum.end() + 30));
        return OLD_SUM.in(near) || after.matches("\\W*(?:\\(?(?:old|wrong|broken)|is old|was the).*");
    }

    private Optional<FileRead> owner(
            Sentence sentence, List<FileNames.Found> names, List<FileNames.Found> sums, FileNames.Found sum) {
        if (names.size() == 1) {
            boolean before = sum.start() < names.get(0).start() && sum.start() > 1;
            boolean open = last.isPresent()
                    && sentence.index() - lastAt <= 2
                    && !last.get().sums.containsKey(FileNames.kind(sum.value()));
            return before && open
                    ? last
                    : Optional.ofNullable(files.get(key(names.get(0).value())));
        }
        if (names.isEmpty()) {
            boolean right = last.isPresent() && sentence.index() - lastAt <= 1;
            Optional<FileRead> worded = right && sums.size() == 1 ? Optional.empty() : byWords(sentence, sums, sum);
            if (worded.isPresent() || sums.size() > 1) {
                return worded;
            }
            boolean near = sentence.index() - lastAt <= NEAR_SENTENCES;
            return near ? last : Optional.empty();
        }
        Optional<FileNames.Found> before =
                names.stream().filter(name -> name.end() <= sum.start()).reduce((one, two) -> two);
        boolean first = sums.get(0).start() < names.get(0).start();
        Optional<FileNames.Found> after =
                names.stream().filter(name -> name.start() >= sum.end()).findFirst();
        return (first ? after : before).map(name -> files.get(key(name.value())));
    }

    /** “… is the U one, … of the Windows jar”: the file that shares a word with what stands beside the checksum, where only one does. */
    private Optional<FileRead> byWords(Sentence sentence, List<FileNames.Found> sums, FileNames.Found sum) {
        int at = sums.indexOf(sum);
        String text = sentence.lower();
        int from = at == 0 ? Math.max(0, sum.start() - 60) : sums.get(at - 1).end();
        int to = at + 1 < sums.size() ? sums.get(at + 1).start() : text.length();
        String before = text.substring(from, sum.start());
        String after = text.substring(sum.end(), to);
        // What stands before the first comma behind it is said of this one, the rest of the next.
        int cut = after.indexOf(',');
        String about = (at == 0 || before.indexOf(',') < 0 ? before : before.substring(before.indexOf(',') + 1)) + " "
                + (cut >= 0 ? after.substring(0, cut) : after);
        Set<String> words = words(about);
        List<FileRead> best = new ArrayList<>();
        int most = 0;
        for (FileRead file : kept()) {
            Set<String> own =
                    new HashSet<>(words(file.value().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", " ")));
            file.sentences.forEach(one ->
                    own.addAll(words(FileNames.names(one.value()).size() > 1 ? "" : one.lower())));
            String bare = key(file.value());
            int shared = (int) words.stream()
                    .filter(word -> own.contains(word)
                            || word.length() == 1 && bare.matches(".*\\d" + word + "[^a-z].*")
                            || word.length() > 2
                                    && bare.contains(word.substring(0, 3))
                                    && word.matches("windows|linux|mac.*|os x"))
                    .count();
            if (shared > most) {
                best.clear();
            }
            if (shared > 0 && shared >= most) {
                most = shared;
                best.add(file);
            }
        }
        return best.size() == 1 ? Optional.of(best.get(0)) : Optional.empty();
    }

    private static final Set<String> PLAIN = Set.of(
            "the",
            "is",
            "of",
            "one",
            "sha",
            "sum",
            "md5",
            "sha1",
            "sha256",
            "file",
            "zip",
            "and",
            "it",
            "its",
            "this",
            "that",
            "to",
            "a",
            "as",
            "on",
            "for",
            "in",
            "be",
            "should",
            "come",
            "out",
            "belongs",
            "gives",
            "site",
            "download",
            "first",
            "img",
            "tar",
            "here",
            "also",
            "number",
            "you",
            "i",
            "s");

    private static Set<String> words(String text) {
        Set<String> words = new HashSet<>();
        for (String word : text.split("[^a-z0-9]+")) {
            if (!word.isEmpty() && !PLAIN.contains(word) && word.length() < 24) {
                words.add(word);
            }
        }
        return words;
    }

    private void give(FileRead file, FileNames.Found sum, Sentence sentence) {
        String kind = FileNames.kind(sum.value());
        Read<String> read = Read.of(sum.value(), sentence, sum.start(), Sure.CERTAIN);
        Read<String> known = file.sums.get(kind);
        if (known == null || known.value().equals(sum.value())) {
            file.sums.putIfAbsent(kind, read);
        } else if (EDIT.in(sentence.lower())) {
            file.sums.put(kind, read);
        } else if (!file.disputed.contains(kind)) {
            file.disputed.add(kind);
            odd.add(new Understood.Odd(
                    "contradiction",
                    sentence.text().lineAt(sum.start()),
                    "Two checksums are given for " + file.value() + "; neither was taken."));
        }
    }

    private static final Cue EDIT =
            Cue.of("edit", "edited", "correct(?:ed|ion)?", "new sum", "now", "update(?:d)?", "sorry");

    private void slots(Sentence sentence) {
        Optional<String> slot = sentence.takenBack() ? Optional.empty() : slot(sentence.value());
        if (slot.isEmpty() || isRefused(sentence, slot.get())) {
            return;
        }
        List<FileNames.Found> names = FileNames.names(sentence.value());
        Optional<FileRead> file = names.isEmpty()
                ? onlyPackage()
                : Optional.ofNullable(files.get(key(names.get(0).value())));
        file.filter(one -> one.slot.isEmpty())
                .ifPresent(one -> one.slot = Optional.of(Read.of(
                        slot.get(), sentence, Math.max(0, sentence.value().indexOf(slot.get())), Sure.LIKELY)));
    }

    private static boolean isRefused(Sentence sentence, String slot) {
        int at = sentence.value().indexOf(slot);
        String before = sentence.lower().substring(Math.max(0, at - 30), Math.max(0, at));
        return before.matches(".*\\b(?:not|never|don't|no|nothing in|instead of)\\b[^.,;]{0,25}");
    }

    /** The file that a flasher writes, where there is but one. */
    private Optional<FileRead> onlyPackage() {
        List<FileRead> packages = files.values().stream()
                .filter(file -> file.wanted && !file.withdrawn)
                .filter(file -> !file.value().matches("(?i).*\\.(?:zip|apk|exe|bat|sh|command|dmg|tgz)"))
                .toList();
        return packages.size() == 1 ? Optional.of(packages.get(0)) : Optional.empty();
    }

    static Optional<String> slot(String text) {
        if (SLOT_WORDS.stream().noneMatch(text::contains)) {
            return Optional.empty();
        }
        for (Pattern pattern : SLOTS) {
            Matcher found = pattern.matcher(text);
            while (found.find()) {
                for (int i = 1; i <= found.groupCount(); i++) {
                    String slot = found.group(i);
                    if (slot != null
                            && !NO_SLOTS.contains(slot)
                            && !MODEL_LIKE.matcher(slot).matches()) {
                        return Optional.of(slot);
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static final Pattern FOR_VERSION = Pattern.compile(
            "\\b(?:for|on|with|under)\\s(?:os |version |system )?(\\d{1,2}\\.\\d{1,2}(?:\\.\\d{1,2})?)\\b(?!\\.?\\d)");

    /** The version of the OS that a file is for, by a sentence that names it alone: “a.img, for 4.4.4”. */
    static Optional<Read<String>> version(FileRead file) {
        return file.sentences.stream()
                .filter(sentence -> FileNames.names(sentence.value()).size() == 1)
                .flatMap(sentence -> {
                    Matcher version = FOR_VERSION.matcher(sentence.lower());
                    return version.find()
                            ? Optional.of(Read.of(version.group(1), sentence, version.start(1), Sure.LIKELY)).stream()
                            : Stream.empty();
                })
                .findFirst();
    }

    /** Of several versions of one file the newest counts, where no phone stands with the older one. */
    void newest() {
        Map<String, List<FileRead>> alike = new LinkedHashMap<>();
        kept().forEach(file -> alike.computeIfAbsent(
                        key(file.value()).replaceAll("(?<=[-_.])[rvb]?\\d+(?:\\.\\d+){0,12}", "#"),
                        none -> new ArrayList<>())
                .add(file));
        alike.values().stream().filter(some -> some.size() > 1).forEach(some -> {
            long versions = some.stream()
                    .flatMap(file -> version(file).map(Read::value).stream())
                    .distinct()
                    .count();
            boolean apart = some.stream().anyMatch(file -> !file.models.isEmpty())
                    || versions == some.size()
                    || some.stream()
                            .allMatch(file -> file.sentences.stream()
                                    .anyMatch(one -> some.stream()
                                                    .filter(other -> other.sentences.contains(one))
                                                    .count()
                                            > 1));
            boolean phones = some.stream()
                    .skip(1)
                    .allMatch(file -> file.sentences.stream()
                            .anyMatch(one -> ModelTokens.in(one.value()).stream()
                                    .anyMatch(token -> token.shape() > 1
                                            && !key(file.value()).contains(key(token.value())))));
            if (!apart && !phones) {
                FileRead newest = some.stream()
                        .max((one, two) -> compare(numbers(one.value()), numbers(two.value())))
                        .orElseThrow();
                some.stream().filter(file -> file != newest).forEach(file -> file.withdrawn = true);
            }
        });
    }

    private static List<Long> numbers(String name) {
        Matcher found = Pattern.compile("\\d{1,15}").matcher(name);
        List<Long> numbers = new ArrayList<>();
        while (found.find()) {
            numbers.add(Long.parseLong(found.group()));
        }
        return numbers;
    }

    private static int compare(List<Long> one, List<Long> two) {
        for (int i = 0; i < Math.min(one.size(), two.size()); i++) {
            int order = Long.compare(one.get(i), two.get(i));
            if (order != 0) {
                return order;
            }
        }
        return Integer.compare(one.size(), two.size());
    }

    /** Lists of checksums name other files too: what stands in such a list alone, where others are spoken of, is none of this guide's. */
    void unspoken() {
        List<FileRead> spoken = kept().stream()
                .filter(file ->
                        file.sentences.isEmpty() || file.sentences.stream().anyMatch(one -> !isSumLine(one)))
                .toList();
        if (!spoken.isEmpty()) {
            kept().stream().filter(file -> !spoken.contains(file)).forEach(file -> file.wanted = false);
        }
    }

    private static boolean isSumLine(Sentence sentence) {
        return sentence.lower().matches("\\s*[0-9a-f]{32,64}\\s+\\*?\\S+\\s*");
    }

    private static final Cue USED = Cues.of("filesReading.used");

    /** A file that is only named in passing is none that the way needs. */
    void used() {
        kept().stream()
                .filter(file -> !file.sentences.isEmpty() && file.sums.isEmpty() && file.bytes.isEmpty())
                .forEach(file -> file.wanted = file.sentences.stream()
                        .anyMatch(one -> one.isListed()
                                || one.is(Block.Kind.CODE)
                                || one.is(Block.Kind.CAPTION)
                                || one.section() == Sentence.Section.FILES
                                || one.section() == Sentence.Section.NEEDS
                                || one.value().length() < file.value().length() + ALONE
                                || USED.in(one.lower())));
    }

    private static final int ALONE = 24;

    /** Every file that counts. */
    List<FileRead> kept() {
        List<FileRead> kept = new ArrayList<>();
        files.values().stream().filter(file -> file.wanted && !file.withdrawn).forEach(kept::add);
        return kept;
    }
}
