package org.mobrak.fuzz;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;

/** Any text becomes readings, or is refused in words. */
public final class ReadingsFuzz {
    private static final int LONGEST_VALUE = 1000;

    private ReadingsFuzz() {}

    /** And from the readings follow facts and findings, with the demo's catalogue. */
    public static final class All {
        private static final Catalogue CATALOGUE = catalogue();

        private All() {}

        private static Catalogue catalogue() {
            try {
                return CatalogueLoader.load(Path.of(System.getProperty("fuzz.catalogue")))
                        .catalogue();
            } catch (IOException missing) {
                throw new UncheckedIOException(missing);
            }
        }

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            parsed(input).ifPresent(one -> Identity.of(CATALOGUE, new Ledger(one.readings()), one.findings()));
        }
    }

    /** Called by the fuzzer for each input. */
    public static void fuzzerTestOneInput(byte[] input) {
        parsed(input).stream()
                .flatMap(one -> one.readings().stream())
                .forEach(one -> Checks.hold(one.value().length() <= LONGEST_VALUE, "a value longer than allowed"));
    }

    private static Optional<Parsed> parsed(byte[] input) {
        try {
            RawText text = TextIntake.of("input", new ByteArrayInputStream(input));
            return Optional.of(ReadingParser.parse(text, Instant.EPOCH));
        } catch (UnreadableInput refused) {
            Checks.hold(!refused.getMessage().isBlank(), "a refusal without words");
            return Optional.empty();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
