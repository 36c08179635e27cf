package org.mobrak.core.logbook.transfer;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.CellCheck;
import org.mobrak.core.logbook.Chain;
import org.mobrak.core.logbook.Checksum;
import org.mobrak.core.logbook.Times;

/**
 * Takes an export into a workspace. Everything is done in one transaction; a look takes it back at its end, so it tells exactly
 * what would come about.
 */
public final class Import {
    private final ExportZip zip;
    private final Connection connection;
    private final Set<String> sameNames;
    private final Instant now;
    private final Form form;
    /** Rows that are here, by what tells them from others. */
    private final Map<Part, Map<String, Long>> here = new EnumMap<>(Part.class);
    /** The same, by their number. */
    private final Map<Part, Map<Long, String>> keysHere = new EnumMap<>(Part.class);
    /** The numbers that rows of the export have here, by the keys they have there. */
    private final Map<Part, Map<String, Long>> taken = new EnumMap<>(Part.class);

    private final List<Imported.Phone> phones = new ArrayList<>();
    private final List<String> unreadable = new ArrayList<>();
    private final Map<String, Long> added = new TreeMap<>();
    private final Map<String, Long> known = new TreeMap<>();

    private Import(ExportZip zip, Path home, Connection connection, Set<String> sameNames, Instant now) {
        this.zip = zip;
        this.connection = connection;
        this.sameNames = sameNames;
        this.now = now;
        this.form = new Form(Export.MAPPER, home);
    }

    /** What would come about; nothing is changed. */
    public static Imported look(Path zip, Path workspace, Set<String> sameNames, Instant now) throws IOException {
        return run(zip, workspace, workspace, sameNames, now, false);
    }

    /**
     * Takes an export in.
     *
     * @param workspace that is held open by whoever calls
     * @param home where the workspace will lie in the end
     * @param sameNames nicknames of phones that the person says are the ones of that name here
     * @param now under which the rows are written down here, whatever dates they bear
     */
    public static Imported take(Path zip, Path workspace, Path home, Set<String> sameNames, Instant now)
            throws IOException {
        return run(zip, workspace, home, sameNames, now, true);
    }

    private static Imported run(Path file, Path workspace, Path home, Set<String> sameNames, Instant now, boolean keep)
            throws IOException {
        try (ExportZip zip = ExportZip.open(file);
                Connection connection = Database.open(workspace);
                Stage stage = Stage.in(workspace)) {
            try {
                Imported done = new Import(zip, home, connection, sameNames, now).run(stage, keep);
                if (keep) {
                    // Only a program that is killed right here leaves entries, which harm nothing, and no row.
                    stage.settle();
                    connection.commit();
                } else {
                    connection.rollback();
                }
                return done;
            } catch (SQLException wrong) {
                connection.rollback();
                stage.takeBack();
                throw zip.refused("holds a row that no logbook takes (" + wrong.getMessage() + ")");
            } catch (IOException | RuntimeException failed) {
                connection.rollback();
                stage.takeBack();
                throw failed;
            }
        } catch (SQLException broken) {
            throw Database.failed(workspace, broken);
        }
    }

    private Imported run(Stage stage, boolean keep) throws IOException, SQLException {
        for (Part part : Part.values()) {
            rowsHere(part);
        }
        Serials serials = Serials.of(zip, connection);
        for (Part part : Part.values()) {
            take(part, serials);
        }
        settings();
        inside(stage, keep);
        List<String> entries = new ArrayList<>();
        List<String> differing = new ArrayList<>();
        catalogue(stage, keep, entries, differing);
        return new Imported(phones, added, known, entries, differing, unreadable);
    }

    private void rowsHere(Part part) throws IOException, SQLException {
        Map<String, Long> own = new HashMap<>();
        Map<Long, String> keys = new HashMap<>();
        Keys naming = new Keys();
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(Export.select(part))) {
            while (rows.next()) {
                String owner = part.owner().isEmpty()
                        ? ""
                        : String.valueOf(keysOf(Part.target(part.owner().get()))
                                .get(rows.getLong(part.owner().get())));
                String key = naming.of(form.identity(part, owner, rows));
                own.put(key, rows.getLong("id"));
                keys.put(rows.getLong("id"), key);
            }
        }
        here.put(part, own);
        keysHere.put(part, keys);
    }

    private void take(Part part, Serials serials) throws IOException, SQLException {
        Map<String, Long> numbers = new HashMap<>();
        taken.put(part, numbers);
        Keys naming = new Keys();
        String sql = insert(part);
        try (PreparedStatement insert = connection.prepareStatement(sql, Statement.RETURN_GENERATED_KEYS)) {
            zip.rows(part, row -> {
                try {
                    String key = text(row, "key", part);
                    if (numbers.put(key, number(part, row, key, naming, insert, serials)) != null) {
                        throw zip.refused("has two rows with the key " + key);
                    }
                } catch (SQLException wrong) {
                    throw zip.refused("holds a row in “%s” that no logbook takes (%s)"
                            .formatted(part.file(), wrong.getMessage()));
                }
            });
        }
        List<Long> came = numbers.values().stream()
                .filter(number -> !keysOf(part).containsKey(number))
                .distinct()
                .sorted()
                .toList();
        new Chain(connection).appendCame(part.table(), came, now);
    }

    private static String insert(Part part) {
        List<String> columns = Stream.concat(part.references().stream(), part.columns().stream())
                .toList();
        return "INSERT INTO %s (%s) VALUES (%s)"
                .formatted(
                        part.table(),
                        String.join(", ", columns),
                        columns.stream().map(column -> "?").collect(Collectors.joining(", ")));
    }

    private long number(Part part, JsonNode row, String key, Keys naming, PreparedStatement insert, Serials serials)
            throws IOException, SQLException {
        Map<String, String> values = new HashMap<>();
        for (String column : part.columns()) {
            values.put(column, value(part, column, row));
        }
        values.forEach((column, value) -> {
            if (value != null && !CellCheck.isReadable(column, value)) {
                unreadable.add("%s, row %d: “%s” cannot be read"
                        .formatted(
                                part.file(),
                                Objects.requireNonNull(taken.get(part)).size() + 1,
                                Part.field(column)));
            }
        });
        Optional<Long> before = before(part, row, key, values, naming, serials);
        if (before.isPresent()) {
            known.merge(part.file(), 1L, Long::sum);
            return before.get();
        }
        int place = 1;
        for (String reference : part.references()) {
            Optional<Long> number = reference(part, reference, row);
            if (number.isPresent()) {
                insert.setLong(place, number.get());
            } else {
                insert.setNull(place, Types.INTEGER);
            }
            place++;
        }
        for (String column : part.columns()) {
            insert.setString(place, form.kept(column, values.get(column)));
            place++;
        }
        insert.executeUpdate();
        added.merge(part.file(), 1L, Long::sum);
        try (ResultSet made = insert.getGeneratedKeys()) {
            made.next();
            return made.getLong(1);
        }
    }

    /** The number of a row that says the same of the same thing here. */
    private Optional<Long> before(
            Part part, JsonNode row, String key, Map<String, String> values, Keys naming, Serials serials)
            throws IOException {
        String owner = "";
        if (part.owner().isPresent()) {
            long number = reference(part, part.owner().get(), row)
                    .orElseThrow(() -> zip.refused("has a row in “" + part.file() + "” that belongs to nothing"));
            owner = String.valueOf(keysOf(Part.target(part.owner().get())).get(number));
        }
        String[] identity = new String[part.identity().size() + 1];
        identity[0] = owner;
        for (int i = 0; i < part.identity().size(); i++) {
            String column = part.identity().get(i);
            identity[i + 1] = String.valueOf(form.exported(column, values.get(column)));
        }
        // What belongs to something that is new is new.
        Optional<Long> same = owner.equals("null")
                ? Optional.empty()
                : Optional.ofNullable(Objects.requireNonNull(here.get(part)).get(naming.of(identity)));
        return part == Part.PHONES ? phone(key, String.valueOf(values.get("nickname")), same, serials) : same;
    }

    private Optional<Long> phone(String key, String nickname, Optional<Long> same, Serials serials) {
        Optional<Long> bySerial = serials.sameAs(key);
        Optional<Long> namesake = serials.called(nickname);
        Optional<Long> number = same.or(() -> bySerial).or(() -> namesake.filter(one -> sameNames.contains(nickname)));
        Imported.Becomes becomes = same.isPresent()
                ? Imported.Becomes.SAME
                : bySerial.isPresent()
                        ? Imported.Becomes.SAME_BY_SERIAL
                        : number.isPresent()
                                ? Imported.Becomes.SAME_AS_SAID
                                : namesake.isPresent() ? Imported.Becomes.NAMESAKE : Imported.Becomes.NEW;
        phones.add(
                new Imported.Phone(nickname, becomes, number.map(serials::name).orElse(nickname)));
        return number;
    }

    private Optional<Long> reference(Part part, String reference, JsonNode row) throws UnreadableInput {
        JsonNode key = row.path(Part.field(reference));
        if (key.isMissingNode() || key.isNull()) {
            return Optional.empty();
        }
        Long number = Objects.requireNonNull(taken.get(Part.target(reference))).get(key.asText());
        if (number == null) {
            throw zip.refused("has a row in “%s” that belongs to nothing".formatted(part.file()));
        }
        return Optional.of(number);
    }

    private String text(JsonNode row, String field, Part part) throws UnreadableInput {
        if (!row.path(field).isTextual()) {
            throw zip.refused("has a row in “%s” without “%s”".formatted(part.file(), field));
        }
        return row.get(field).asText();
    }

    /** A value as it stands in an export, checked for its type. */
    private @Nullable String value(Part part, String column, JsonNode row) throws IOException {
        JsonNode value = row.path(Part.field(column));
        if (value.isMissingNode() || value.isNull()) {
            return null;
        }
        if (Part.isJson(column)) {
            return value.isTextual() ? value.asText() : Export.MAPPER.writeValueAsString(value);
        }
        if (column.equals("whole")) {
            return value.asBoolean() ? "1" : "0";
        }
        String text = text(row, Part.field(column), part);
        return text;
    }

    /** Files that came along; each must be the one its row tells of. */
    private void inside(Stage stage, boolean keep) throws IOException {
        zip.rows(Part.FILES, row -> {
            String path = text(row, "path", Part.FILES);
            String modified = text(row, "modified", Part.FILES);
            String name = path.startsWith(CarriedFiles.RECEIVED)
                    ? CarriedFiles.INSIDE + path.substring(CarriedFiles.RECEIVED.length())
                    : "";
            Optional<InputStream> content =
                    CellCheck.isReadable("modified", modified) ? zip.inside(name) : Optional.empty();
            if (content.isPresent() && !Files.exists(stage.place(path))) {
                added.merge("inside", 1L, Long::sum);
                // A look is for what would come; firmwares need not be unpacked for it.
                if (!keep) {
                    return;
                }
                Optional<String> sha256 = CarriedFiles.sha256(row.path("found"));
                try (InputStream in = content.get()) {
                    if (!stage.add(path, in, sha256.or(() -> Optional.of("")), Optional.of(Times.of(modified)))) {
                        throw zip.refused("holds a “" + name + "” that is not the file it tells of");
                    }
                }
            }
        });
    }

    /** How another desk was left is taken only where nothing is said here. */
    private void settings() throws IOException, SQLException {
        try (PreparedStatement insert = connection.prepareStatement(
                "INSERT INTO setting (name, value, sum) VALUES (?, ?, ?) ON CONFLICT (name) DO NOTHING")) {
            zip.settings(row -> {
                String name = text(row, "name", Part.PHONES);
                Optional<Long> phone = reference(Part.PHONES, "phone_id", row);
                String ours = name + phone.map(String::valueOf).orElse("");
                String value = text(row, "value", Part.PHONES);
                try {
                    insert.setString(1, ours);
                    insert.setString(2, value);
                    insert.setString(3, Checksum.of(ours, value));
                    added.merge("settings.jsonl", (long) insert.executeUpdate(), Long::sum);
                } catch (SQLException wrong) {
                    throw zip.refused("holds a setting that no logbook takes");
                }
            });
        }
    }

    private void catalogue(Stage stage, boolean keep, List<String> entries, List<String> differing) throws IOException {
        for (String name : zip.catalogue()) {
            Path file = stage.place(name);
            byte[] content = zip.content(name);
            if (!Files.exists(file)) {
                entries.add(name);
                if (keep) {
                    stage.add(name, new ByteArrayInputStream(content), Optional.empty(), Optional.empty());
                }
            } else if (!Arrays.equals(content, Files.readAllBytes(file))) {
                differing.add(name);
            }
        }
    }

    /** Owners are read before what they own. */
    private Map<Long, String> keysOf(Part part) {
        return Objects.requireNonNull(keysHere.get(part));
    }
}
