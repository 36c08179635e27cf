package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.dataformat.cbor.CBORFactory;
import com.fasterxml.jackson.dataformat.cbor.CBORGenerator;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.CatalogueLoader.Loaded;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.core.identity.build.Rulers;

/**
 * Keeps what was read of catalogue folders, so that a large one is there at once the next time. What is kept holds as long as
 * no file of the folder has another name, size or time, and as long as its own seal is whole; anything odd, and the folder is
 * read anew. Losing the cache loses nothing. It lies where only the user writes, never in a workspace, which may come from
 * somebody else.
 */
public final class CatalogueCache {
    /** To be raised whenever the same files would be read or judged otherwise. */
    private static final String FORMAT = "mobrak catalogue cache 7";

    private static final int CHUNK = 500;

    private static final int SEAL = 32;

    /** Ten thousand routes take some 20 MB. */
    private static final long LARGEST = 500L << 20;

    private static final String ABOUT = "size,lastModifiedTime";

    /** With the time when anything of the file last changed; unlike that of its content nobody can set it. */
    private static final String ABOUT_UNIX = "unix:size,lastModifiedTime,ctime";

    private final ObjectMapper mapper = CatalogueMapper.builder(CBORFactory.builder()
                    .enable(CBORGenerator.Feature.STRINGREF)
                    .build())
            .disable(MapperFeature.AUTO_DETECT_IS_GETTERS)
            .build();
    private final Path folder;

    /** Everything of one catalogue; routes stand in chunks, so that they can be read side by side. */
    private record Box(
            String stamp,
            List<Fault> faults,
            byte[] phones,
            byte[] grammars,
            byte[] holes,
            byte[] dangers,
            List<byte[]> routes) {
        /** The same of other files. */
        Box of(String otherStamp) {
            return new Box(otherStamp, faults, phones, grammars, holes, dangers, routes);
        }
    }

    /** A family and the line of each variant. */
    private record Family(String file, List<Integer> lines, PhoneFamily family) {
        private Stream<KnownPhone> phones() {
            return IntStream.range(0, lines.size())
                    .mapToObj(i -> new KnownPhone(family, family.variants().get(i), file, lines.get(i)));
        }
    }

    /**
     * A cache.
     *
     * @param folder where it may write; made when needed
     */
    public CatalogueCache(Path folder) {
        this.folder = folder;
    }

    /** Loads a catalogue, from the cache if that still holds. */
    public Loaded load(Path catalogue) throws IOException {
        return load(CatalogueLoader.Folders.of(catalogue));
    }

    /** Loads folders as one catalogue, from the cache if that still holds. */
    public Loaded load(CatalogueLoader.Folders folders) throws IOException {
        return begin(folders).whole();
    }

    /** Begins to load a catalogue with what tells who a phone is, from the cache if that still holds. */
    public Begun begin(Path catalogue) throws IOException {
        return begin(CatalogueLoader.Folders.of(catalogue));
    }

    private Begun begin(CatalogueLoader.Folders folders) throws IOException {
        String stamp = stamp(folders);
        Optional<Begun> kept = box(place(folders), stamp).flatMap(box -> begun(box, folders, stamp));
        if (kept.isPresent()) {
            return kept.get();
        }
        Loaded loaded = read(folders, stamp);
        return new Begun(loaded.catalogue(), () -> loaded);
    }

    private Loaded read(CatalogueLoader.Folders folders, String stamp) throws IOException {
        CatalogueLoader.Whole whole = CatalogueLoader.whole(folders);
        // Only what still lies there as it was read, and could be read, is worth keeping.
        if (whole.loaded().faults().stream().noneMatch(Fault::isUnread) && stamp.equals(stamp(folders))) {
            keep(place(folders), stamp, whole);
        }
        return whole.loaded();
    }

    /** A catalogue of which so much was read as tells who a phone is. */
    public static final class Begun {
        private final Catalogue known;
        private Rest rest;

        private Begun(Catalogue known, Rest rest) {
            this.known = known;
            this.rest = rest;
        }

        /** Phones, grammars and holes; it may be without routes. */
        public Catalogue known() {
            return known;
        }

        /** All of it. */
        public Loaded whole() throws IOException {
            Loaded loaded = rest.read();
            // What it was read from may be large, and is not needed again.
            rest = () -> loaded;
            return loaded;
        }
    }

    /** Reads what was left for later. */
    private interface Rest {
        Loaded read() throws IOException;
    }

    private Optional<Begun> begun(Box box, CatalogueLoader.Folders folders, String stamp) {
        try {
            Catalogue known = known(box);
            return Optional.of(new Begun(known, () -> {
                Optional<Loaded> whole = wholeIfSound(box, known);
                return whole.isPresent() ? whole.get() : read(folders, stamp);
            }));
        } catch (RuntimeException damaged) {
            return Optional.empty();
        }
    }

    private Path place(CatalogueLoader.Folders folders) {
        String own = folders.own().stream().map(Path::toString).collect(Collectors.joining("\n"));
        String besides = folders.besides().map(path -> "\n\n" + path).orElse("");
        return folder.resolve(digest(own + besides) + ".cbor");
    }

    private Optional<Box> box(Path file, String stamp) {
        try {
            if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS) || Files.size(file) > LARGEST) {
                return Optional.empty();
            }
            return box(Files.readAllBytes(file), stamp);
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }

    /** What was sealed; empty unless the seal is whole and it was made of files like these. */
    Optional<Loaded> opened(byte[] sealed, String stamp) {
        return box(sealed, stamp).flatMap(this::unpacked);
    }

    private Optional<Box> box(byte[] sealed, String stamp) {
        byte[] packed = Arrays.copyOfRange(sealed, Math.min(SEAL, sealed.length), sealed.length);
        if (!MessageDigest.isEqual(sha256(packed), Arrays.copyOf(sealed, SEAL))) {
            return Optional.empty();
        }
        try {
            Box box = mapper.readValue(packed, Box.class);
            return box.stamp().equals(stamp) ? Optional.of(box) : Optional.empty();
        } catch (IOException | RuntimeException damaged) {
            return Optional.empty();
        }
    }

    private Optional<Loaded> unpacked(Box box) {
        try {
            return wholeIfSound(box, known(box));
        } catch (RuntimeException damaged) {
            return Optional.empty();
        }
    }

    private Catalogue known(Box box) {
        List<KnownPhone> phones = Stream.of(read(box.phones(), Family[].class))
                .flatMap(Family::phones)
                .toList();
        Rulers rulers = new Rulers(List.of(read(box.grammars(), BuildGrammar[].class)));
        return new Catalogue(
                phones,
                List.of(),
                rulers,
                List.of(read(box.holes(), Hole[].class)),
                List.of(read(box.dangers(), Danger[].class)));
    }

    private Optional<Loaded> wholeIfSound(Box box, Catalogue known) {
        try {
            List<Route> routes = box.routes().parallelStream()
                    .flatMap(chunk -> Stream.of(read(chunk, Route[].class)))
                    .toList();
            return Optional.of(new Loaded(known.with(routes), box.faults()));
        } catch (RuntimeException damaged) {
            return Optional.empty();
        }
    }

    private <T> T read(byte[] bytes, Class<T> type) {
        try {
            return mapper.readValue(bytes, type);
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /**
     * Lets a catalogue that was copied just now be read as fast as the one it was copied from. What is kept of that one is taken over
     * only if it still holds.
     *
     * @param into where what is kept of the copy goes
     */
    public void copied(Path from, Path to, CatalogueCache into) {
        try {
            CatalogueLoader.Folders before = CatalogueLoader.Folders.of(from);
            CatalogueLoader.Folders after = CatalogueLoader.Folders.of(to);
            Optional<Box> box = box(place(before), stamp(before));
            if (box.isPresent()) {
                into.keep(into.place(after), mapper.writeValueAsBytes(box.get().of(stamp(after))));
            }
        } catch (IOException unreadable) {
            // Then it is read anew.
            return;
        }
    }

    private void keep(Path file, String stamp, CatalogueLoader.Whole whole) {
        try {
            keep(file, packed(stamp, whole));
        } catch (IOException notPackable) {
            return;
        }
    }

    /** A cache that cannot be written costs time and nothing else, so that is not told. */
    private void keep(Path file, byte[] packed) {
        try {
            Files.createDirectories(folder);
            Path fresh = Files.createTempFile(folder, "catalogue", ".new");
            try {
                Files.write(fresh, sealed(packed));
                Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(fresh);
            }
        } catch (IOException notWritable) {
            return;
        }
    }

    static byte[] sealed(byte[] packed) {
        return ByteBuffer.allocate(SEAL + packed.length)
                .put(sha256(packed))
                .put(packed)
                .array();
    }

    byte[] packed(String stamp, CatalogueLoader.Whole whole) throws IOException {
        return mapper.writeValueAsBytes(box(stamp, whole));
    }

    private Box box(String stamp, CatalogueLoader.Whole whole) throws IOException {
        Map<Route, JsonNode> texts = new IdentityHashMap<>();
        whole.entries().routes().forEach(entry -> texts.put(entry.value(), entry.root()));
        List<Route> routes = whole.loaded().catalogue().routes();
        List<byte[]> chunks = new ArrayList<>();
        for (int from = 0; from < routes.size(); from += CHUNK) {
            ArrayNode chunk = mapper.createArrayNode();
            routes.subList(from, Math.min(routes.size(), from + CHUNK)).forEach(route -> chunk.add(texts.get(route)));
            chunks.add(mapper.writeValueAsBytes(chunk));
        }
        ArrayNode phones = mapper.createArrayNode();
        whole.entries().phones().forEach(entry -> phones.add(family(entry)));
        return new Box(
                stamp,
                whole.loaded().faults(),
                mapper.writeValueAsBytes(phones),
                bytes(whole.entries().grammars()),
                bytes(whole.entries().holes()),
                bytes(whole.entries().dangers()),
                chunks);
    }

    private ObjectNode family(Entry<PhoneFamily> entry) {
        ObjectNode node = mapper.createObjectNode().put("file", entry.file());
        ArrayNode lines = node.putArray("lines");
        for (int i = 0; i < entry.value().variants().size(); i++) {
            lines.add(entry.line("/variants/" + i));
        }
        return node.set("family", entry.root());
    }

    private <T> byte[] bytes(List<Entry<T>> entries) throws IOException {
        ArrayNode nodes = mapper.createArrayNode();
        entries.forEach(entry -> nodes.add(entry.root()));
        return mapper.writeValueAsBytes(nodes);
    }

    private static String stamp(CatalogueLoader.Folders folders) throws IOException {
        StringBuilder all = new StringBuilder(FORMAT);
        try {
            for (Path catalogue : folders.all()) {
                for (String kind : Entries.KINDS) {
                    Entries.files(catalogue, kind).parallelStream()
                            .map(CatalogueCache::about)
                            .forEachOrdered(about ->
                                    all.append('\n').append(kind).append('/').append(about));
                }
            }
        } catch (UncheckedIOException vanished) {
            throw vanished.getCause();
        }
        return digest(all.toString());
    }

    private static String about(Path file) {
        try {
            boolean unix = file.getFileSystem().supportedFileAttributeViews().contains("unix");
            Map<String, Object> about = Files.readAttributes(file, unix ? ABOUT_UNIX : ABOUT);
            return file.getFileName() + " " + new TreeMap<>(about);
        } catch (IOException vanished) {
            throw new UncheckedIOException(vanished);
        }
    }

    private static String digest(String text) {
        return HexFormat.of().formatHex(sha256(text.getBytes(StandardCharsets.UTF_8)));
    }

    private static byte[] sha256(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
