package org.mobrak.core.learn;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mobrak.core.learn.Lesson.Sure;

/** What a guide says of files. */
final class FileTalk {
    /** A checksum so many lines below a file still is that file's. */
    private static final int NEAR = 2;

    private final Wordings words;
    private final Heard heard;
    private Optional<Heard.NamedFile> lastFile = Optional.empty();
    private int lastFileLine;

    FileTalk(Wordings words, Heard heard) {
        this.words = words;
        this.heard = heard;
    }

    /** Names, sizes and checksums; a checksum belongs to the file it stands with. */
    void hear(Here here) {
        GuideLine line = here.line();
        List<String> names = FileMentions.names(line.text());
        for (String name : names) {
            named(name, line);
        }
        List<FileMentions.Sum> sums = FileMentions.sums(line.text());
        if (names.size() == 1) {
            sums.forEach(sum -> sum(heard.files.get(names.get(0)), sum, line));
            FileMentions.bytes(line.text())
                    .ifPresent(bytes ->
                            heard.files.get(names.get(0)).bytes = Optional.of(new Said<>(bytes, line, Sure.CERTAIN)));
        } else if (names.isEmpty() && !sums.isEmpty()) {
            if (lastFile.isPresent() && line.number() - lastFileLine <= NEAR && sums.size() == distinctKinds(sums)) {
                sums.forEach(sum -> sum(lastFile.get(), sum, line));
            } else {
                heard.warn(
                        "contradiction",
                        line,
                        "A checksum stands here with no file it could belong to; it was not taken.");
            }
        } else if (!sums.isEmpty()) {
            heard.warn("contradiction", line, "Several files and a checksum stand in one line; it was not taken.");
        }
        if (names.size() == 1) {
            List<String> models = models(here);
            if (!models.isEmpty()) {
                pair(names.get(0), models);
            }
        }
        zipped(here, names);
    }

    private static int distinctKinds(List<FileMentions.Sum> sums) {
        return (int) sums.stream().map(sum -> sum.value().length()).distinct().count();
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
        lastFileLine = line.number();
        if (file.partition.isEmpty()) {
            String lower = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", " ");
            file.partition = Wordings.key(lower, words.partitions()).filter(one -> !Wordings.contains(lower, "root"));
            file.partition.ifPresent(one -> heard.writes.putIfAbsent(one, new Said<>(one, line, Sure.LIKELY)));
        }
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
