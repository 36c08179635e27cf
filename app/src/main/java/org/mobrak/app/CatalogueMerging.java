package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.catalogue.file.CatalogueMerge;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.file.Difference.State;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.identity.Refusal;

/**
 * Two catalogues put together into a third, or into the first itself.
 *
 * @param first a folder
 * @param second a folder or a zip
 * @param into a new folder, or the first
 * @param taking entries that differ and are to be as the second has them, such as {@code routes/some-route}, or {@link
 *     #EVERYTHING}
 */
public record CatalogueMerging(Path first, Path second, Path into, List<String> taking) {
    /** Every entry that differs. */
    public static final String EVERYTHING = "all";

    public CatalogueMerging {
        taking = List.copyOf(taking);
    }

    /** What the two have, and what is wrong in the second's files; entries with a fault are not taken. */
    public record Compared(List<Difference> differences, List<Fault> faults) {
        public Compared {
            differences = List.copyOf(differences);
            faults = List.copyOf(faults);
        }
    }

    /** Compares the two and, unless it is only tried, writes what is taken; a {@link Refusal} tells of a wrong wish. */
    public Compared merge(boolean trying, LocalDate day) throws IOException, Refusal {
        requireRoom();
        try (CatalogueMerge merge = CatalogueMerge.open(first, second)) {
            List<Difference> differences = merge.differences();
            requireKnown(differences);
            if (!trying) {
                write(differences.stream().filter(this::isTaken).toList(), day);
            }
            return new Compared(differences, merge.faults());
        }
    }

    /** Whether an entry is to be as the second has it: new ones are, and those that were asked for. */
    public boolean isTaken(Difference difference) {
        return difference.state() == State.ONLY_THEIRS
                || difference.state() == State.DIFFERENT
                        && (taking.contains(EVERYTHING) || taking.contains(difference.name()));
    }

    private void requireRoom() throws IOException, Refusal {
        boolean inPlace = Files.exists(into) && Files.exists(first) && Files.isSameFile(into, first);
        if (!inPlace && Files.exists(into) && !(Files.isDirectory(into) && PathUtils.isEmptyDirectory(into))) {
            throw new Refusal(into + " holds something already; name a new folder, or A itself.");
        }
        if (!inPlace && (liesIn(first) || liesIn(second))) {
            throw new Refusal(into + " lies inside of what is merged; name a folder elsewhere.");
        }
    }

    private boolean liesIn(Path source) throws IOException {
        Path there = into.toAbsolutePath().normalize();
        while (!Files.exists(there)) {
            // The root is always there.
            there = Objects.requireNonNull(there.getParent());
        }
        return Files.isDirectory(source) && there.toRealPath().startsWith(source.toRealPath());
    }

    private void requireKnown(List<Difference> differences) throws Refusal {
        for (String name : taking) {
            if (!name.equals(EVERYTHING)
                    && differences.stream().noneMatch(one -> one.name().equals(name) && one.canBeTaken())) {
                throw new Refusal("“" + name + "” is nothing that B has otherwise than A.");
            }
        }
    }

    private void write(List<Difference> taken, LocalDate day) throws IOException {
        if (!Files.exists(into) || !Files.isSameFile(into, first)) {
            PathUtils.copyDirectory(first, into);
        }
        try (CatalogueMerge merge = CatalogueMerge.open(into, second)) {
            merge.take(taken, day);
        }
    }
}
