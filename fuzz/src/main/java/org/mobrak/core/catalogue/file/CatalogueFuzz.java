package org.mobrak.core.catalogue.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.fuzz.Checks;

/** Files of a catalogue and the cache of them. In the catalogue's own package, since none of this is open to others. */
public final class CatalogueFuzz {
    private CatalogueFuzz() {}

    /** Any text is an entry or has faults, and each fault says where. */
    public static final class Yaml {
        private static final EntryReader<Route> ROUTES = new EntryReader<>("route.schema.json", Route.class);
        private static final EntryReader<PhoneFamily> PHONES =
                new EntryReader<>("phone.schema.json", PhoneFamily.class);

        private Yaml() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            told(ROUTES.read("routes/input.yaml", input));
            told(PHONES.read("phones/input.yaml", input));
        }
    }

    /** Any grammar that is taken can take its examples apart, or says that it cannot. */
    public static final class Grammars {
        private static final EntryReader<BuildGrammar> GRAMMARS =
                new EntryReader<>("grammar.schema.json", BuildGrammar.class);

        private Grammars() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            Entry.Read<BuildGrammar> read = GRAMMARS.read("grammars/input.yaml", input);
            told(read);
            Optional<BuildGrammar> grammar = read.entry().map(Entry::value);
            grammar.ifPresent(one -> one.examples().forEach(one::ruler));
        }
    }

    /** Whatever a cache holds, even under a right seal, it is used or thrown away. */
    public static final class Cache {
        private static final String STAMP = "stamp";
        private static final CatalogueCache CACHE = new CatalogueCache(Path.of("/nowhere"));

        private Cache() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            CACHE.opened(CatalogueCache.sealed(input), STAMP);
        }

        /** Writes a cache of a catalogue to begin from: the catalogue's folder, then the file. */
        public static void main(String[] arguments) throws IOException {
            CatalogueLoader.Whole whole = CatalogueLoader.whole(CatalogueLoader.Folders.of(Path.of(arguments[0])));
            Files.write(Path.of(arguments[1]), CACHE.packed(STAMP, whole));
        }
    }

    private static void told(Entry.Read<?> read) {
        Checks.hold(read.entry().isPresent() || !read.faults().isEmpty(), "refused without a word");
        read.faults().forEach(fault -> Checks.hold(fault.line() >= 0, "a fault without a line"));
    }
}
