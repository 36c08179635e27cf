package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.reader.PartitionListing;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.learn.page.Decoded;
import org.mobrak.core.learn.reading.Sure;

/** Which of some texts are no guides but what a phone says of itself, and the phones that are drafted of them. */
final class ReadPhones {
    /** What guides quote too, a model number under its label, is not enough to take a text for a phone's own. */
    private static final Set<Source> OWN = EnumSet.of(
            Source.PROPERTY_LISTING,
            Source.PROPERTY_FILE,
            Source.BOOTLOADER_VARIABLES,
            Source.DOWNLOAD_SCREEN,
            Source.KERNEL_BANNER);

    private static final int FEW_PARTITIONS = 3;
    private static final int A_LOOK = 400;
    private static final int FEW_READINGS = 3;

    private final List<Learner.Source> guides = new ArrayList<>();
    private final List<ObjectNode> phones = new ArrayList<>();
    private final List<Lesson.Evidence> evidence = new ArrayList<>();
    private final List<Lesson.Missing> missing = new ArrayList<>();

    private ReadPhones() {}

    static ReadPhones of(List<Learner.Source> sources, LocalDate day) {
        ReadPhones read = new ReadPhones();
        List<Reading> readings = new ArrayList<>();
        List<RawText> own = new ArrayList<>();
        for (Learner.Source source : sources) {
            RawText text = new RawText(source.name(), Decoded.of(source.bytes()).text(), List.of());
            List<Reading> said = mayHaveReadings(text.text())
                    ? ReadingParser.parse(text, day.atStartOfDay(ZoneOffset.UTC).toInstant())
                            .readings()
                    : List.of();
            if (isAPhones(said, text.text())) {
                readings.addAll(said);
                own.add(text);
            } else {
                read.guides.add(source);
            }
        }
        read.draft(readings, own);
        return read;
    }

    /** A look at the first lines, so that long guides are not read as listings too. */
    private static boolean mayHaveReadings(String text) {
        return text.lines()
                .limit(A_LOOK)
                .anyMatch(line -> line.startsWith("[")
                        || line.startsWith("ro.")
                        || line.startsWith("(bootloader)")
                        || line.contains("Linux version ")
                        || line.startsWith("# begin"));
    }

    private static boolean isAPhones(List<Reading> said, String text) {
        long own = said.stream().filter(one -> OWN.contains(one.source())).count();
        return own >= FEW_READINGS || PartitionListing.in(text).size() >= FEW_PARTITIONS;
    }

    /** Texts that are read together are of one phone, as everywhere. */
    private void draft(List<Reading> readings, List<RawText> texts) {
        Facts facts = new Ledger(readings).facts();
        Optional<ObjectNode> family =
                PhoneDraft.of(facts, texts.stream().map(RawText::text).toList());
        family.ifPresent(phone -> {
            phones.add(phone);
            readings.stream()
                    .filter(one -> one.fact() == Fact.MODEL)
                    .findFirst()
                    .ifPresent(model -> evidence.add(evidence(model, texts)));
            ask(phone, "maker", "Who made the phone? Nothing that was read names the maker.");
            ask(phone, "shopName", "Under which name was the phone sold?");
        });
    }

    private static Lesson.Evidence evidence(Reading model, List<RawText> texts) {
        String line = texts.stream()
                .filter(text -> text.name().equals(model.file()))
                .flatMap(text -> text.text().lines().skip(model.line() - 1L).limit(1))
                .findFirst()
                .orElse("");
        return new Lesson.Evidence(
                "/phones/0/variants/0/model",
                model.value(),
                model.file(),
                model.line(),
                Evident.cut(line, 400),
                Sure.CERTAIN);
    }

    private void ask(ObjectNode phone, String field, String question) {
        if (!phone.has(field)) {
            missing.add(new Lesson.Missing("/phones/0/" + field, question));
        }
    }

    /** The texts that are guides. */
    List<Learner.Source> guides() {
        return guides;
    }

    List<ObjectNode> phones() {
        return phones;
    }

    List<Lesson.Evidence> evidence() {
        return evidence;
    }

    List<Lesson.Missing> missing() {
        return missing;
    }
}
