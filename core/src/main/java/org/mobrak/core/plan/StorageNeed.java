package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Figure.Line;

/** What room the files of a plan need, against what is free on internal storage and on the card. */
final class StorageNeed {
    private final List<NeededFile> files;
    private final Facts facts;

    StorageNeed(Plan plan, Facts facts) {
        this.files = plan.routes().stream()
                .flatMap(route -> route.work().files().stream())
                .filter(NeededFile::goesToPhone)
                .toList();
        this.facts = facts;
    }

    /** One figure; none for a plan without files. */
    List<Figure> figures() {
        if (files.isEmpty()) {
            return List.of();
        }
        List<Line> lines = new ArrayList<>();
        files.forEach(file ->
                lines.add(new Line(file.name(), file.bytes().map(Sizes::words).orElse("size not known"))));
        long needed = files.stream()
                .flatMap(file -> file.bytes().stream())
                .mapToLong(Long::longValue)
                .sum();
        lines.add(volume("Free on internal storage", Fact.DATA_FREE));
        lines.add(volume("Free on the card", Fact.CARD_FREE));
        files.stream()
                .filter(file -> file.bytes()
                        .filter(bytes -> bytes > Transfer.FAT32_MOST)
                        .isPresent())
                .forEach(file -> lines.add(new Line(
                        file.name(), "larger than 4 GiB − 1 byte: a card with FAT32 cannot hold it in one file")));
        boolean whole = files.stream().allMatch(file -> file.bytes().isPresent());
        String total = needed == 0 ? "not known" : whole ? Sizes.words(needed) : "at least " + Sizes.words(needed);
        return List.of(new Figure(
                "Storage",
                total,
                lines,
                "The files' sizes as the route gives them; FAT32 File System Specification 1.03 for the limit of one file.",
                enough(needed, whole)));
    }

    private Line volume(String name, Fact fact) {
        return new Line(name, free(fact).map(Sizes::words).orElse("not known"));
    }

    /** It is enough if one of the volumes takes all; what is not known may do so, and files of unknown size may not fit. */
    private Truth enough(long needed, boolean whole) {
        Truth known = holds(Fact.DATA_FREE, needed).or(holds(Fact.CARD_FREE, needed));
        return whole ? known : known.and(Truth.UNKNOWN);
    }

    private Truth holds(Fact fact, long needed) {
        return free(fact).map(bytes -> bytes >= needed ? Truth.YES : Truth.NO).orElse(Truth.UNKNOWN);
    }

    private Optional<Long> free(Fact fact) {
        return facts.value(fact).map(Long::valueOf);
    }
}
