package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step.Place;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.Stimulus;

/** Which file lies where: on the computer, on the phone's card, in its own storage. */
final class PaperFiles {
    private final Hands hands;
    private final Fetching fetching;
    private final Map<String, NeededFile> files = new HashMap<>();
    private final Map<String, BenchFiles.Fetched> onComputer = new HashMap<>();
    private final Map<Place, Set<String>> onPhone = new HashMap<>();

    PaperFiles(RunSheet sheet, Hands hands, Fetching fetching) {
        this.hands = hands;
        this.fetching = fetching;
        sheet.steps().forEach(step -> step.file().ifPresent(file -> files.put(file.name(), file)));
    }

    /** Fetches one onto the computer; what is no file of the sheet is a tool, and there. */
    void lay(String what, Route route, Set<Fault> now) throws IOException {
        NeededFile wanted = files.get(what);
        if (wanted != null) {
            Fetching.Taken taken = fetching.take(wanted, route, now);
            // A checksum that the card prints is compared; without one nobody sees that it is another file.
            onComputer.put(what, wanted.hasDigest() ? taken.right() : taken.came());
        }
    }

    /** Copies one to the phone; gives what the card lacks for that. */
    Optional<Lack> put(Card.Put put) {
        if (!onComputer.containsKey(put.file())) {
            return Optional.of(new Lack(Stuck.Kind.NO_FILE, "Where " + put.file() + " comes from."));
        }
        boolean card = "yes".equals(hands.state().inside().facts().get(Fact.CARD));
        if (put.to() == Place.CARD && !card) {
            return Optional.of(new Lack(Stuck.Kind.NO_COPY, "There is no card in it."));
        }
        boolean open = hands.state().mode() == Mode.OS || hands.state().mode() == Mode.RECOVERY;
        if (!(open && hands.state().hasPort())) {
            return Optional.of(new Lack(Stuck.Kind.NO_CABLE, "How the computer reaches the phone for copying."));
        }
        copied(put.file(), put.to());
        hands.does(new Stimulus.Arrange(Map.of(Fact.FILES_COPIED, "yes")));
        return Optional.empty();
    }

    void copied(String file, Place to) {
        onPhone.computeIfAbsent(to, none -> new HashSet<>()).add(file);
    }

    /** What was in the phone's own storage is gone. */
    void emptied() {
        onPhone.remove(Place.INTERNAL);
    }

    /** A file that is wanted and does not lie where hands look for it. */
    Optional<Lack> missing(Card.Work work, boolean byComputer) {
        return work.files().keySet().stream()
                .filter(file -> !isThere(file, byComputer))
                .findFirst()
                .map(file -> new Lack(Stuck.Kind.NO_FILE, "How " + file + " gets there."));
    }

    private boolean isThere(String file, boolean byComputer) {
        NeededFile needed = files.get(file);
        // What hands do at the phone itself finds only what lies on it.
        boolean atThePhone = !byComputer && (needed == null || needed.goesToPhone());
        return atThePhone
                ? onPhone.values().stream().anyMatch(place -> place.contains(file))
                : onComputer.containsKey(file);
    }

    /** A file of which nobody says where in the flasher it goes, though it has one place alone. */
    Optional<Lack> slotless(Card.Work work) {
        return work.files().entrySet().stream()
                .filter(one -> one.getValue().isEmpty()
                        && Optional.ofNullable(files.get(one.getKey()))
                                .flatMap(NeededFile::partition)
                                .isPresent())
                .findFirst()
                .map(one -> new Lack(Stuck.Kind.NO_VALUE, "The slot for " + one.getKey() + "."));
    }

    /** A flasher writes what lies in a slot to the part of the storage that the slot stands for, if its bytes are of that part. */
    boolean areInTheirSlots(Card.Work work) {
        return work.files().entrySet().stream()
                .allMatch(one -> one.getValue().isEmpty()
                        || Optional.ofNullable(files.get(one.getKey()))
                                .flatMap(NeededFile::partition)
                                .filter(where -> isOther(one.getValue(), where))
                                .isEmpty());
    }

    /** Another area than the file's; what a flasher that nobody here knows calls its slots tells nothing. */
    private static boolean isOther(String slot, PartitionClass where) {
        return Arrays.stream(PartitionClass.values()).anyMatch(any -> any != where && slot.equals(area(any)));
    }

    private static String area(PartitionClass where) {
        return where.label() + " area";
    }

    /** Those that a box takes, as they were fetched. */
    Map<String, BenchFiles.Fetched> taken(Card.Work work) {
        Map<String, BenchFiles.Fetched> taken = new HashMap<>(onComputer);
        taken.keySet().retainAll(work.files().keySet());
        return taken;
    }

    /** All that lie on the computer. */
    Map<String, BenchFiles.Fetched> all() {
        return Map.copyOf(onComputer);
    }
}
