package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.mobrak.app.Scratches;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Scratch;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.Write;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.material.check.MaterialCheck;
import org.mobrak.core.material.check.Use;
import org.mobrak.core.material.reader.Inspector;
import org.mobrak.link.bench.MadeFiles;
import org.mobrak.link.bench.Stimulus.Image;

/**
 * The files of a rehearsal: real bytes in a private folder, looked into by the same readers as a person's own. Each is made and
 * read once.
 */
public final class BenchFiles implements AutoCloseable {
    private static final Set<Digest> DIGESTS = EnumSet.of(Digest.MD5, Digest.SHA1, Digest.SHA256);

    private final Scratch scratch;
    private final Map<Key, Material> read = new HashMap<>();

    private final Map<Asked, Optional<Finding>> told = new ConcurrentHashMap<>();

    /**
     * The phone that files are for.
     *
     * @param names what its partitions are called; they go with the model
     */
    record Bench(String model, PartitionNames names) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Bench one && one.model.equals(model);
        }

        @Override
        public int hashCode() {
            return model.hashCode();
        }
    }

    /** A file held against a phone for a route; files and phones are told apart by what they are, not by what they say. */
    private static final class Asked {
        private final Material file;
        private final String route;
        private final CheckContext against;

        Asked(Material file, String route, CheckContext against) {
            this.file = file;
            this.route = route;
            this.against = against;
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Asked one
                    && one.file == file
                    && one.route.equals(route)
                    && one.against.facts() == against.facts();
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(file) * 31 + System.identityHashCode(against.facts()) + route.hashCode();
        }
    }

    /** What a file is, for whom it was made, and whether it came whole. */
    private record Key(NeededFile wanted, String device, boolean damaged, Bench bench) {}

    /** Files that go with whoever asked for them; the end of the program removes them too. */
    public BenchFiles() throws IOException {
        this.scratch = Scratches.make();
    }

    /** A file as it came, and what its bytes would do to the phone it is for. */
    record Fetched(NeededFile wanted, Material material, Image image) {
        /** Which partitions it writes, by its bytes and by what it is for. */
        Map<PartitionClass, Image> images() {
            Map<PartitionClass, Image> images = new EnumMap<>(PartitionClass.class);
            material.writes().stream()
                    .map(Write::kind)
                    .filter(kind -> kind != PartitionClass.UNKNOWN && kind != PartitionClass.APP)
                    .forEach(kind -> images.put(kind, image));
            wanted.partition().ifPresent(kind -> images.put(kind, image));
            return images;
        }
    }

    /** The right file for a phone. */
    Fetched right(NeededFile wanted, String device, Bench bench) throws IOException {
        return new Fetched(wanted, material(new Key(wanted, device, false, bench)), Image.RIGHT);
    }

    /** A file for another phone under the same name. */
    Fetched foreign(NeededFile wanted, String other, Bench bench) throws IOException {
        return new Fetched(wanted, material(new Key(wanted, other, false, bench)), Image.FOREIGN);
    }

    Fetched damaged(NeededFile wanted, String device, Bench bench) throws IOException {
        return new Fetched(wanted, material(new Key(wanted, device, true, bench)), Image.DAMAGED);
    }

    /**
     * What a careful person is told of a file, the gravest first: the checks are the real ones, and the source's digests are those of
     * the right file on this bench.
     */
    Optional<Finding> objection(Fetched file, Fetched right, Route route, CheckContext against) {
        return told.computeIfAbsent(
                new Asked(file.material(), route.id(), against), asked -> judge(file, right, route, against));
    }

    private static Optional<Finding> judge(Fetched file, Fetched right, Route route, CheckContext against) {
        NeededFile wanted = right.wanted();
        Optional<String> sha256 = right.material().digests().of(Digest.SHA256);
        NeededFile asked = new NeededFile(
                wanted.name(),
                wanted.role(),
                Optional.of(right.material().bytes()),
                Optional.empty(),
                Optional.empty(),
                wanted.hasDigest() ? sha256 : Optional.empty(),
                wanted.slot(),
                wanted.partition(),
                wanted.keepZipped(),
                wanted.where(),
                wanted.inside(),
                Map.of());
        List<Finding> told =
                MaterialCheck.of(new Use(file.material(), against, Optional.of(route), Optional.of(asked)));
        return told.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .findFirst();
    }

    private synchronized Material material(Key key) throws IOException {
        Material known = read.get(key);
        if (known == null) {
            byte[] whole = MadeFiles.of(key.wanted(), key.device());
            Path folder = Files.createTempDirectory(scratch.path(), "file");
            Path file = Files.write(
                    folder.resolve(plain(key.wanted().name())), key.damaged() ? MadeFiles.damaged(whole) : whole);
            known = Material.of(
                    new Inspector(scratch.path(), Runnable::run, key.bench().names())
                            .inspect(file, DIGESTS, Watch.NONE));
            read.put(key, known);
        }
        return known;
    }

    private static String plain(String name) {
        return name.replace('/', '_');
    }

    @Override
    public void close() throws IOException {
        scratch.close();
    }
}
