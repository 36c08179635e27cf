package org.mobrak.core.catalogue.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.catalogue.Route;

/** What the users' guides show is what the program takes. */
class DocsTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final Pattern FILE = Pattern.compile("```yaml\n# (\\S+)\n(.*?)```", Pattern.DOTALL);
    private static final Pattern LINK = Pattern.compile("\\]\\(([^)#:]+)\\)");

    @TempDir
    private Path folder;

    @Test
    void theCatalogueInTheGuideIsWithoutAFault() throws Exception {
        Matcher shown = FILE.matcher(Files.readString(HOME.resolve("docs/writing-a-catalogue.md")));
        while (shown.find()) {
            Path file = folder.resolve(shown.group(1));
            Files.createDirectories(file.getParent());
            Files.writeString(file, shown.group(2));
        }
        CatalogueLoader.Loaded loaded = CatalogueLoader.load(folder);
        assertThat(loaded.faults()).isEmpty();
        assertThat(loaded.catalogue().routes()).extracting(Route::id).containsExactly("pipit-recovery");
        assertThat(loaded.catalogue().phone("LK-200C")).isPresent();
    }

    @Test
    void everyLinkAndPictureIsThere() throws Exception {
        try (Stream<Path> docs = Files.list(HOME.resolve("docs"))) {
            for (Path doc : Stream.concat(docs, Stream.of(HOME.resolve("README.md"), HOME.resolve("CONTRIBUTING.md")))
                    .filter(file -> file.toString().endsWith(".md"))
                    .toList()) {
                List<String> links = LINK.matcher(Files.readString(doc))
                        .results()
                        .map(found -> found.group(1))
                        .toList();
                assertThat(links).as("%s", doc).allMatch(link -> Files.exists(doc.resolveSibling(link)));
            }
        }
    }
}
