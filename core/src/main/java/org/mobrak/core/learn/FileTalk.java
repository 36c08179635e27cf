package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.mobrak.core.learn.Lesson.Sure;

/** What a guide says of files. */
final class FileTalk {
    /** A checksum so many lines below a file still is that file's. */
    private static final int NEAR = 2;

    /** So many characters behind a name a checksum is of that file. */
    private static final int CLOSE = 25;

    private static final Pattern SENTENCES = Pattern.compile("(?<=[.!?])\\s+|;\\s*");
    private static final Set<String> CALLED =
            Set.of("firmware", "recovery", "radio", "modem", "kernel", "bootloader", "system", "baseband");

    private final Wordings words;
    private final Heard heard;
    private Optional<Heard.NamedFile> lastFile = Optional.empty();
    private List<String> heading = List.of();
    /** By the models of a heading, the files below it. */
    private final Map<List<String>, List<String>> byHeading = new LinkedHashMap<>();

    private int lastFileLine;

    FileTalk(Wordings words, Heard heard) {
        this.words = words;
        this.heard = heard;
    }

    /** Names, sizes and checksums; a checksum belongs to the file it stands with. */
    void hear(Here here) {
        GuideLine line = here.line();
        List<String> names = FileMentions.names(line.text());
        if (isOut(here) && !names.isEmpty()) {
            leaveOut(names);
            return;
        }
        for (String name : names) {
            named(name, line);
        }
        List<FileMentions.Sum> sums = FileMentions.sums(line.text());
        if (names.size() == 1) {
            sums.forEach(sum -> sum(file(names.get(0)), sum, line));
            FileMentions.bytes(line.text())
                    .ifPresent(bytes -> file(names.get(0)).bytes = Optional.of(new Said<>(bytes, line, Sure.CERTAIN)));
        } else if (names.isEmpty()) {
            below(sums, line);
        } else {
            within(sums, line);
        }
        if (names.size() == 1) {
            List<String> models = models(here);
            if (!models.isEmpty()) {
                pair(names.get(0), models);
            }
        }
        zipped(here, names);
    }

    /** What was named is there. */
    private Heard.NamedFile file(String name) {
        return Objects.requireNonNull(heard.files.get(name));
    }

    /** A checksum in a line of its own belongs to the file just above. */
    private void below(List<FileMentions.Sum> sums, GuideLine line) {
        if (sums.isEmpty()) {
            return;
        }
        if (lastFile.isPresent() && line.number() - lastFileLine <= NEAR && sums.size() == distinctKinds(sums)) {
            sums.forEach(sum -> sum(lastFile.get(), sum, line));
        } else {
            heard.warn(
                    "contradiction", line, "A checksum stands here with no file it could belong to; it was not taken.");
        }
    }

    /** Where a line names several files a checksum is of the only one in its sentence, or of the name just before it. */
    private void within(List<FileMentions.Sum> sums, GuideLine line) {
        int taken = 0;
        for (String sentence : SENTENCES.split(line.text())) {
            List<String> own = FileMentions.names(sentence).stream().distinct().toList();
            for (FileMentions.Sum sum : FileMentions.sums(sentence)) {
                Optional<String> of = own.size() == 1 ? Optional.of(own.get(0)) : justBefore(sum, sentence, own);
                of.ifPresent(name -> sum(file(name), sum, line));
                taken += of.isPresent() ? 1 : 0;
            }
        }
        if (taken < sums.size()) {
            heard.warn("contradiction", line, "Several files and a checksum stand in one line; it was not taken.");
        }
    }

    private static Optional<String> justBefore(FileMentions.Sum sum, String sentence, List<String> names) {
        String before = sentence.substring(0, sentence.toLowerCase(Locale.ROOT).indexOf(sum.value()));
        return names.stream()
                .filter(before::contains)
                .max(Comparator.comparing(before::lastIndexOf))
                .filter(name -> before.length() - before.lastIndexOf(name) - name.length() <= CLOSE);
    }

    /** Files of phones that are out are no files of this way, and what stands below them is not of the file before. */
    void leaveOut(List<String> names) {
        if (!names.isEmpty()) {
            lastFile = Optional.empty();
        }
    }

    /** A heading that names phones; what stands below it may be theirs alone. */
    void under(List<String> models) {
        heading = models;
    }

    /** Where several headings name different phones, each with files of its own, the files are of these phones. */
    void pairByHeadings() {
        long models = byHeading.keySet().stream().flatMap(List::stream).count();
        long different =
                byHeading.keySet().stream().flatMap(List::stream).distinct().count();
        if (byHeading.size() > 1 && models == different && heard.pairs.isEmpty()) {
            byHeading.forEach((of, files) -> files.forEach(file -> pair(file, of)));
        }
    }

    private static int distinctKinds(List<FileMentions.Sum> sums) {
        return (int) sums.stream().map(sum -> sum.value().length()).distinct().count();
    }

    /** Every clause that names a file is of phones the guide is not for. */
    private static boolean isOut(Here here) {
        List<Clause> naming = here.clauses().stream()
                .filter(clause -> !FileMentions.names(clause.text()).isEmpty())
                .toList();
        if (naming.isEmpty()) {
            return false;
        }
        boolean phones = naming.stream()
                .allMatch(clause -> !Models.in(clause.text(), false).isEmpty());
        return (here.isIn("excluded") || phones)
                && naming.stream().allMatch(clause -> clause.excluding() || here.isIn("excluded"));
    }

    private static List<String> models(Here here) {
        return here.clauses().stream()
                .filter(clause -> !clause.excluding())
                .flatMap(clause -> Models.in(clause.text(), false).stream())
                .filter(found -> !found.isBuild() && !found.alike())
                .map(Models.Found::value)
                .distinct()
                .toList();
    }

    private void named(String name, GuideLine line) {
        Heard.NamedFile file =
                heard.files.computeIfAbsent(name, same -> new Heard.NamedFile(new Said<>(name, line, Sure.CERTAIN)));
        lastFile = Optional.of(file);
        if (!heading.isEmpty()) {
            byHeading.computeIfAbsent(heading, none -> new ArrayList<>()).add(name);
        }
        lastFileLine = line.number();
        if (file.partition.isEmpty()) {
            String lower = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", " ");
            file.partition = Wordings.key(lower, words.partitions()).filter(one -> !Wordings.contains(lower, "root"));
            file.partition = file.partition.or(() -> calledBefore(name, line));
            file.partition.ifPresent(one -> heard.writes.putIfAbsent(one, new Said<>(one, line, Sure.LIKELY)));
        }
    }

    /** “Firmware NH400.tar.md5”: the word before a name says what it is. */
    private Optional<String> calledBefore(String name, GuideLine line) {
        String before = line.lower().substring(0, line.text().indexOf(name)).strip();
        String word = before.substring(before.lastIndexOf(' ') + 1);
        return CALLED.contains(word) ? Wordings.key(word, words.partitions()) : Optional.empty();
    }

    private void sum(Heard.NamedFile file, FileMentions.Sum sum, GuideLine line) {
        Optional<String> kind = sum.kind();
        if (kind.isEmpty()) {
            heard.warn(
                    "checksum-shape",
                    line,
                    "“" + sum.value() + "” has " + sum.value().length()
                            + " digits, as no checksum of that kind has; it was not taken.");
            return;
        }
        Said<String> before = file.sums.putIfAbsent(kind.get(), new Said<>(sum.value(), line, Sure.CERTAIN));
        if (before != null && !before.value().equals(sum.value())) {
            file.sums.remove(kind.get());
            heard.warn(
                    "contradiction",
                    line,
                    "Two checksums of one kind stand with " + file.name.value() + "; neither was taken.");
        }
    }

    private void zipped(Here here, List<String> names) {
        GuideLine line = here.line();
        boolean stays = Wordings.any(line.lower(), words.stayzipped());
        boolean opened = !stays
                && here.clauses().stream()
                        .anyMatch(clause -> !clause.negated() && Wordings.any(clause.lower(), words.unpack()));
        if (stays || opened) {
            List<Heard.NamedFile> zips = heard.files.values().stream()
                    .filter(file -> file.name.value().toLowerCase(Locale.ROOT).endsWith(".zip"))
                    .filter(file -> names.isEmpty() || names.contains(file.name.value()))
                    .toList();
            if (zips.size() == 1) {
                zips.get(0).keepZipped = Optional.of(stays);
            }
        }
    }

    /** These phones and this file stand together. */
    void pair(String file, List<String> models) {
        heard.pairs.computeIfAbsent(file, same -> new LinkedHashSet<>()).addAll(models);
    }
}
