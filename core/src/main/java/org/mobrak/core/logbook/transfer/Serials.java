package org.mobrak.core.logbook.transfer;

import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;

/** By which phones of an export are known again: their serial numbers, and their names. */
final class Serials {
    private static final String WORD = "serial";

    private final Map<String, String> ofTheExport = new HashMap<>();
    private final Map<String, Long> here = new HashMap<>();
    private final Map<Long, String> names = new HashMap<>();

    private Serials() {}

    static Serials of(ExportZip zip, Connection connection) throws IOException, SQLException {
        Serials serials = new Serials();
        zip.rows(
                Part.TEXTS,
                row -> serials.read(row.path("text").asText())
                        .ifPresent(serial -> serials.ofTheExport.putIfAbsent(
                                row.path("phone").asText(), serial)));
        try (Statement statement = connection.createStatement()) {
            try (ResultSet rows = statement.executeQuery(
                    "SELECT phone_id, text FROM intake WHERE withdrawn_at IS NULL AND text LIKE '%serial%' ORDER BY id")) {
                while (rows.next()) {
                    long phone = rows.getLong(1);
                    serials.read(rows.getString(2)).ifPresent(serial -> serials.here.putIfAbsent(serial, phone));
                }
            }
            try (ResultSet rows = statement.executeQuery("SELECT id, nickname FROM phone WHERE withdrawn_at IS NULL")) {
                while (rows.next()) {
                    serials.names.put(rows.getLong(1), rows.getString(2));
                }
            }
        }
        return serials;
    }

    /** Most texts have no serial number, and need not be read for one. */
    private Optional<String> read(String text) {
        if (!text.toLowerCase(Locale.ROOT).contains(WORD)) {
            return Optional.empty();
        }
        String typed = Fact.SERIAL.key() + "=";
        if (text.startsWith(typed)) {
            return Optional.of(text.substring(typed.length()));
        }
        return Stream.of(ReadingParser.parse(new RawText("", text, List.of()), Instant.EPOCH))
                .flatMap(parsed -> parsed.readings().stream())
                .filter(reading -> reading.fact() == Fact.SERIAL)
                .map(reading -> reading.value())
                .findFirst();
    }

    /** The phone here that has the serial number of a phone of the export. */
    Optional<Long> sameAs(String key) {
        return Optional.ofNullable(ofTheExport.get(key)).map(here::get).filter(names::containsKey);
    }

    Optional<Long> called(String nickname) {
        return names.entrySet().stream()
                .filter(entry -> entry.getValue().equals(nickname))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    String name(long phone) {
        return names.getOrDefault(phone, "");
    }
}
