package org.mobrak.core.catalogue.browse;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.EntryText;
import org.mobrak.core.catalogue.file.TroubleLoader;

/** All that ships and all of the demo, looked through. */
class CatalogueBrowserTest {
    private static CatalogueBrowser browser;
    private static List<Path> folders;

    @BeforeAll
    static void lookThrough() throws IOException {
        Catalogue catalogue = Sample.shipped();
        browser = CatalogueBrowser.of(
                catalogue, TroubleLoader.load(Sample.SHIPPED_FOLDERS, catalogue).troubles());
        folders = Sample.SHIPPED_FOLDERS.own();
    }

    @Test
    void everyEntryLiesWhereItSaysAndIsToldInWords() throws IOException {
        for (BrowsedEntry entry : browser.entries()) {
            Optional<Path> file = folders.stream()
                    .map(folder -> folder.resolve(entry.file()))
                    .filter(Files::isRegularFile)
                    .findFirst();
            assertThat(file).as(entry.kind() + " " + entry.id()).isPresent();
            List<EntryText.Line> lines = EntryText.of(Files.readString(file.get()));
            assertThat(lines).as(entry.file()).isNotEmpty();
            assertThat(lines).extracting(EntryText.Line::label).noneMatch(label -> label.matches(".*[a-z][A-Z].*"));
        }
        for (EntryKind kind : EntryKind.values()) {
            assertThat(browser.count(kind)).as(kind.many()).isPositive();
        }
    }

    @Test
    void whatNamesAnEntryIsFoundFromBothEnds() {
        for (BrowsedEntry entry : browser.entries()) {
            for (BrowsedEntry named : browser.uses(entry)) {
                assertThat(browser.usedBy(named))
                        .as(entry.id() + " names " + named.id())
                        .contains(entry);
            }
        }
        BrowsedEntry hole = one("cve-2013-6282", EntryKind.HOLE);
        assertThat(browser.usedBy(hole)).isNotEmpty().allMatch(route -> route.kind() == EntryKind.ROUTE);
        BrowsedEntry phone = one("OV-L210F", EntryKind.PHONE);
        assertThat(browser.usedBy(phone)).isNotEmpty().allMatch(route -> route.kind() == EntryKind.ROUTE);
        assertThat(browser.entries().stream()
                        .filter(entry -> entry.kind() == EntryKind.CAUSE)
                        .map(browser::uses))
                .allSatisfy(
                        uses -> assertThat(uses).extracting(BrowsedEntry::kind).contains(EntryKind.SYMPTOM));
    }

    @Test
    void anEntryIsFoundByWordsKindAndPhone() {
        assertThat(browser.find("", Optional.empty(), Optional.empty())).isEqualTo(browser.entries());
        assertThat(browser.find("ov-l210f", Optional.of(EntryKind.PHONE), Optional.empty()))
                .extracting(BrowsedEntry::id)
                .containsExactly("OV-L210F");
        List<BrowsedEntry> ofOne = browser.find("", Optional.empty(), Optional.of("OV-L210F"));
        assertThat(ofOne).extracting(BrowsedEntry::kind).contains(EntryKind.PHONE, EntryKind.ROUTE);
        assertThat(ofOne.size()).isLessThan(browser.entries().size());
        assertThat(browser.find("nothing is called like this", Optional.empty(), Optional.empty()))
                .isEmpty();
    }

    private static BrowsedEntry one(String id, EntryKind kind) {
        return browser.entries().stream()
                .filter(entry -> entry.kind() == kind && entry.id().equalsIgnoreCase(id))
                .findFirst()
                .orElseThrow();
    }
}
