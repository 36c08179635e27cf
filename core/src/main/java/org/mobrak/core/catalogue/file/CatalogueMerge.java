package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.flipkart.zjsonpatch.DiffFlags;
import com.flipkart.zjsonpatch.JsonDiff;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.Difference.State;
import org.mobrak.core.identity.UnreadableInput;

/**
 * Somebody else's catalogue, a folder or a zip, held against one's own: what differs, and the taking of single entries. Nothing
 * is overwritten: an entry that is replaced is kept under {@code replaced}, and each one taken says where it came from. Only
 * files of the known kinds are looked at, and what is written is named after the entry, never after the other's file.
 */
public final class CatalogueMerge implements Closeable {
    private static final String ORIGIN = "origin";
    private static final String REPLACED = "replaced";
    private static final int MOST_SHOWN = 80;

    private final Path ours;
    private final String origin;
    private final Optional<CatalogueZip> archive;
    private final Map<String, Entry<?>> own;
    private final Map<String, Entry<?>> other;
    private final List<Fault> faults;

    /** What was written and what made way for it; enough to undo it. */
    public record Taken(List<Path> written, Map<Path, Path> replaced) {
        public Taken {
            written = List.copyOf(written);
            replaced = Map.copyOf(replaced);
        }

        /** Puts everything back as it was. */
        public void undo() throws IOException {
            for (Path file : written) {
                Files.deleteIfExists(file);
            }
            for (Map.Entry<Path, Path> moved : replaced.entrySet()) {
                Files.move(moved.getValue(), moved.getKey());
            }
        }
    }

    private CatalogueMerge(Path ours, Path theirs) throws IOException {
        this.ours = ours;
        this.origin = theirs.toAbsolutePath().normalize().getFileName().toString();
        this.archive = Files.isDirectory(theirs) ? Optional.empty() : Optional.of(CatalogueZip.open(theirs));
        Path root = archive.isPresent() ? archive.get().root() : theirs;
        Entries second = Entries.of(List.of(root));
        this.faults = new ArrayList<>(second.faults());
        List<Entry<?>> all = Stream.concat(second.all(), Entries.troubles(root, faults).stream())
                .toList();
        this.own = named(
                Stream.concat(Entries.of(List.of(ours)).all(), Entries.troubles(ours, new ArrayList<>()).stream()));
        this.other = named(all.stream());
        second.routes().forEach(this::leaveOutIfFaulty);
        leaveOutWhatStandsTwice(all);
    }

    /** What is wrong with a route by itself is wrong in every catalogue; what it names may be in ours. */
    private void leaveOutIfFaulty(Entry<Route> entry) {
        List<Fault> found = RouteChecks.ofItself(entry).stream()
                .filter(fault -> !fault.isWarning())
                .toList();
        if (!found.isEmpty()) {
            faults.addAll(found);
            other.values().remove(entry);
        }
    }

    /** Of two that bear one name nobody knows which is meant, so neither can be taken. */
    private void leaveOutWhatStandsTwice(List<Entry<?>> all) throws IOException {
        Set<String> members = archive.isPresent() ? archive.get().twice() : Set.of();
        Map<String, Entry<?>> first = new TreeMap<>();
        for (Entry<?> entry : all) {
            Entry<?> before = first.putIfAbsent(name(entry), entry);
            if (before != null) {
                tellTwice(entry, "The id of this entry is used in " + before.file() + " already.");
            } else if (members.contains(entry.file())) {
                tellTwice(entry, "The archive holds several files of this name.");
            }
        }
    }

    private void tellTwice(Entry<?> entry, String what) {
        faults.add(new Fault(entry.file(), 0, what, "Neither can be taken; ask which one is meant."));
        other.remove(name(entry));
    }

    /** Opens both; an {@link UnreadableInput} tells which of them is no catalogue. */
    public static CatalogueMerge open(Path ours, Path theirs) throws IOException {
        return new CatalogueMerge(ours, theirs);
    }

    private static Map<String, Entry<?>> named(Stream<Entry<?>> entries) {
        Map<String, Entry<?>> named = new TreeMap<>();
        entries.forEach(entry -> named.putIfAbsent(name(entry), entry));
        return named;
    }

    private static String name(Entry<?> entry) {
        return kind(entry) + "/" + entry.root().get("id").asText();
    }

    private static String kind(Entry<?> entry) {
        return entry.file().substring(0, entry.file().indexOf('/'));
    }

    /** What is wrong in the other's files; such an entry cannot be taken. */
    public List<Fault> faults() {
        return List.copyOf(faults);
    }

    /** Every entry of either, by kind and id. */
    public List<Difference> differences() {
        TreeSet<String> names = new TreeSet<>(own.keySet());
        names.addAll(other.keySet());
        return names.stream().map(this::difference).toList();
    }

    private Difference difference(String name) {
        int slash = name.indexOf('/');
        Optional<JsonNode> first = content(own.get(name));
        Optional<JsonNode> second = content(other.get(name));
        List<Difference.Change> changes =
                first.isPresent() && second.isPresent() ? changes(first.get(), second.get()) : List.of();
        State state = first.isEmpty()
                ? State.ONLY_THEIRS
                : second.isEmpty() ? State.ONLY_OURS : changes.isEmpty() ? State.SAME : State.DIFFERENT;
        return new Difference(name.substring(0, slash), name.substring(slash + 1), state, changes);
    }

    private static Optional<JsonNode> content(@Nullable Entry<?> entry) {
        return Optional.ofNullable(entry).map(one -> ((ObjectNode) one.root().deepCopy()).without(ORIGIN));
    }

    private static List<Difference.Change> changes(JsonNode first, JsonNode second) {
        List<Difference.Change> changes = new ArrayList<>();
        EnumSet<DiffFlags> plain = EnumSet.of(
                DiffFlags.OMIT_MOVE_OPERATION, DiffFlags.OMIT_COPY_OPERATION, DiffFlags.ADD_ORIGINAL_VALUE_ON_REPLACE);
        for (JsonNode step : JsonDiff.asJson(first, second, plain)) {
            boolean removed = step.get("op").asText().equals("remove");
            JsonNode before = removed ? step.path("value") : step.path("fromValue");
            changes.add(new Difference.Change(
                    step.get("path").asText().substring(1), shown(before), removed ? "" : shown(step.path("value"))));
        }
        return changes;
    }

    private static String shown(JsonNode value) {
        String text = value.isTextual() ? value.asText() : value.isMissingNode() ? "" : value.toString();
        return text.length() <= MOST_SHOWN ? text : text.substring(0, MOST_SHOWN - 1) + "…";
    }

    /** An entry that is written already and waits to take its place. */
    private record Waiting(Path fresh, Path target) {}

    /**
     * Takes entries of the other catalogue into one's own folder. All are written first and take their places last, so a disk
     * that is full leaves the folder as it was.
     */
    public Taken take(Collection<Difference> wanted, LocalDate day) throws IOException {
        List<Waiting> waiting = new ArrayList<>();
        try {
            Set<Path> promised = new HashSet<>();
            for (Difference difference : wanted) {
                Path target = target(difference, promised);
                Path fresh = target.resolveSibling(target.getFileName() + ".new");
                write(fresh, text(Objects.requireNonNull(other.get(difference.name())), day));
                waiting.add(new Waiting(fresh, target));
            }
            return swap(waiting);
        } finally {
            for (Waiting one : waiting) {
                Files.deleteIfExists(one.fresh());
            }
        }
    }

    private static void write(Path fresh, String text) throws IOException {
        if (Files.isSymbolicLink(fresh.getParent())) {
            throw new UnreadableInput(
                    fresh.getParent() + " is a link and may lead anywhere; put a real folder in its place.");
        }
        Files.createDirectories(fresh.getParent());
        Files.deleteIfExists(fresh);
        try {
            Files.writeString(fresh, text, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        } catch (IOException full) {
            Files.deleteIfExists(fresh);
            throw full;
        }
    }

    private Taken swap(List<Waiting> waiting) throws IOException {
        List<Path> written = new ArrayList<>();
        Map<Path, Path> replaced = new TreeMap<>();
        for (Waiting one : waiting) {
            Path target = one.target();
            if (Files.exists(target)) {
                Path folder = ours.resolve(REPLACED)
                        .resolve(Objects.requireNonNull(target.getParent()).getFileName());
                Files.createDirectories(folder);
                Path kept = free(folder, target.getFileName().toString(), Set.of());
                Files.copy(target, kept, StandardCopyOption.COPY_ATTRIBUTES);
                keepMode(target, one.fresh());
                replaced.put(target, kept);
            }
            // In one stroke: there is never a moment without the entry.
            written.add(Files.move(
                    one.fresh(), target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE));
        }
        return new Taken(written, replaced);
    }

    /** Who may read and write a file does not change because its content does. */
    private static void keepMode(Path from, Path to) throws IOException {
        if (from.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.setPosixFilePermissions(to, Files.getPosixFilePermissions(from));
        }
    }

    private Path target(Difference difference, Set<Path> promised) {
        Entry<?> mine = own.get(difference.name());
        Path folder = ours.resolve(difference.kind());
        String name = difference.id().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9-]", "-") + ".yaml";
        Path target = mine == null ? free(folder, name, promised) : ours.resolve(mine.file());
        promised.add(target);
        return target;
    }

    private static Path free(Path folder, String name, Set<Path> promised) {
        Path file = folder.resolve(name);
        for (int count = 2; Files.exists(file) || promised.contains(file); count++) {
            file = folder.resolve(name.replace(".yaml", "-" + count + ".yaml"));
        }
        return file;
    }

    /** As the other wrote it, comments and all; where it came from stands in the last line unless it says so itself. */
    private String text(Entry<?> entry, LocalDate day) {
        String text = entry.tree().text();
        if (entry.root().has(ORIGIN)) {
            return text;
        }
        String from = "origin: {from: \"" + origin.replaceAll("[\"\\\\]", "'") + "\", taken: " + day + "}\n";
        String longer = text.endsWith("\n") ? text + from : text + "\n" + from;
        try {
            YamlText.parse(longer);
            return longer;
        } catch (YamlText.BadYaml inBraces) {
            ObjectNode all = entry.root().deepCopy();
            all.putObject(ORIGIN).put("from", origin).put("taken", day.toString());
            return all.toPrettyString() + "\n";
        }
    }

    @Override
    public void close() throws IOException {
        if (archive.isPresent()) {
            archive.get().close();
        }
    }
}
