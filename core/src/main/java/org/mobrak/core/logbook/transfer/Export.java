package org.mobrak.core.logbook.transfer;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.util.MinimalPrettyPrinter;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.Output;

/** Writes a workspace, or what is kept of one phone, as a zip. The zip is there whole or not at all. */
public final class Export {
    static final ObjectMapper MAPPER =
            JsonMapper.builder().addModule(new Jdk8Module()).build();
    private static final String CATALOGUE = "catalogue";
    private static final String INSIDE = "inside";

    private final Path workspace;
    private final Connection connection;
    private final Optional<String> phone;
    private final Form form;
    private final CarriedFiles carried;
    private final Map<Part, Map<Long, String>> keys = new EnumMap<>(Part.class);
    private final Map<String, Long> counts = new LinkedHashMap<>();
    private final Set<String> wantedFiles = new HashSet<>();
    private final ZipOutputStream zip;

    private Export(
            Path workspace,
            Path home,
            Connection connection,
            Optional<String> phone,
            CarriedFiles carried,
            ZipOutputStream zip) {
        this.zip = zip;
        this.workspace = workspace;
        this.connection = connection;
        this.phone = phone;
        this.carried = carried;
        this.form = new Form(MAPPER, home, carried);
    }

    /** Writes the zip of a workspace that lies where it is read. */
    public static Map<String, Long> write(
            Path workspace, Optional<String> phone, boolean withFiles, Path out, Instant now) throws IOException {
        return write(workspace, workspace, phone, withFiles, out, now);
    }

    /**
     * Writes the zip.
     *
     * @param workspace that is held open by whoever calls
     * @param home where the workspace really lies, where a copy of it is read
     * @param phone the nickname of the one phone that is wanted, of which no catalogue and no setting goes along
     * @param withFiles whether the files that were looked into go along, as far as they are still what they were
     * @return how many rows of each kind it holds
     */
    public static Map<String, Long> write(
            Path workspace, Path home, Optional<String> phone, boolean withFiles, Path out, Instant now)
            throws IOException {
        Output.check(home, out);
        try (Output to = Output.to(out);
                Connection connection = Database.open(workspace)) {
            Map<String, Long> counts;
            try (ZipOutputStream zip = new ZipOutputStream(to.stream())) {
                CarriedFiles carried = withFiles ? CarriedFiles.of(connection) : CarriedFiles.none();
                Export export = new Export(workspace, home, connection, phone, carried, zip);
                export.write(now);
                counts = export.counts;
            }
            // What cannot be taken in again is no export.
            if (to.written().isPresent()) {
                ExportZip.open(to.written().get()).close();
            }
            to.commit();
            return counts;
        } catch (SQLException broken) {
            throw Database.failed(workspace, broken);
        }
    }

    private void write(Instant now) throws IOException, SQLException {
        for (Part part : Part.values()) {
            entry(part.file(), out -> counts.put(part.file(), rows(part, out)));
        }
        if (keysOf(Part.PHONES).isEmpty() && phone.isPresent()) {
            throw new UnreadableInput("No phone is called “%s” in %s.".formatted(phone.get(), workspace));
        }
        entry("settings.jsonl", out -> counts.put("settings.jsonl", settings(out)));
        if (phone.isEmpty()) {
            catalogue();
        }
        files();
        int version = carried.isEmpty() ? Manifest.WITHOUT_FILES : Manifest.VERSION;
        Manifest manifest = new Manifest(Manifest.FORMAT, version, now.toString(), phone, counts);
        entry(Manifest.FILE, out -> MAPPER.writeValue(out, manifest));
    }

    private interface Content {
        void write(JsonGenerator out) throws IOException, SQLException;
    }

    private void entry(String name, Content content) throws IOException, SQLException {
        zip.putNextEntry(new ZipEntry(name));
        JsonGenerator out = MAPPER.getFactory()
                .createGenerator(zip)
                .disable(JsonGenerator.Feature.AUTO_CLOSE_TARGET)
                .setPrettyPrinter(new MinimalPrettyPrinter("\n"));
        content.write(out);
        out.close();
        zip.closeEntry();
    }

    private long rows(Part part, JsonGenerator out) throws IOException, SQLException {
        Map<Long, String> own = new HashMap<>();
        keys.put(part, own);
        Keys naming = new Keys();
        long count = 0;
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(select(part))) {
            while (rows.next()) {
                if (!isWanted(part, rows)) {
                    continue;
                }
                String key = naming.of(form.identity(part, owner(part, rows), rows));
                own.put(rows.getLong("id"), key);
                row(part, key, rows, out);
                if (part == Part.FILES) {
                    carried.received(rows.getString("path"))
                            .map(place -> place.replace(CarriedFiles.RECEIVED, CarriedFiles.INSIDE))
                            .ifPresent(wantedFiles::add);
                }
                count++;
            }
        }
        return count;
    }

    private String owner(Part part, ResultSet rows) throws SQLException {
        return part.owner().isEmpty()
                ? ""
                : String.valueOf(keysOf(Part.target(part.owner().get()))
                        .get(rows.getLong(part.owner().get())));
    }

    static String select(Part part) {
        String all = Stream.concat(part.references().stream(), part.columns().stream())
                .collect(Collectors.joining(", "));
        return "SELECT id, " + all + " FROM " + part.table() + " ORDER BY id";
    }

    /** What belongs to a phone that is not wanted is not wanted either; files only where a copy needs them. */
    private boolean isWanted(Part part, ResultSet rows) throws SQLException {
        if (part == Part.PHONES) {
            return phone.isEmpty() || phone.get().equals(rows.getString("nickname"));
        }
        if (part == Part.FILES) {
            return phone.isEmpty() || isCopy(rows.getLong("id"));
        }
        for (String needed : part.needed()) {
            if (!keysOf(Part.target(needed)).containsKey(rows.getLong(needed))) {
                return false;
            }
        }
        return true;
    }

    private boolean isCopy(long material) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet rows =
                        statement.executeQuery("SELECT phone_id FROM stock_copy WHERE material_id = " + material)) {
            while (rows.next()) {
                if (keysOf(Part.PHONES).containsKey(rows.getLong(1))) {
                    return true;
                }
            }
            return false;
        }
    }

    private void row(Part part, String key, ResultSet rows, JsonGenerator out) throws IOException, SQLException {
        out.writeStartObject();
        out.writeStringField("key", key);
        for (String reference : part.references()) {
            long id = rows.getLong(reference);
            String other = keysOf(Part.target(reference)).get(id);
            if (!rows.wasNull() && other != null) {
                out.writeStringField(Part.field(reference), other);
            }
        }
        for (String column : part.columns()) {
            value(column, rows.getString(column), out);
        }
        out.writeEndObject();
    }

    private void value(String column, @Nullable String value, JsonGenerator out) throws IOException {
        String exported = form.exported(column, value);
        if (exported == null) {
            return;
        }
        out.writeFieldName(Part.field(column));
        if (Part.isJson(column)) {
            out.writeRawValue(exported);
        } else if (column.equals("whole")) {
            out.writeBoolean(exported.equals("1"));
        } else {
            out.writeString(exported);
        }
    }

    /** How the desk was left; what is of one phone bears its key in place of its number. */
    private long settings(JsonGenerator out) throws IOException, SQLException {
        long count = 0;
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("SELECT name, value FROM setting ORDER BY name")) {
            while (rows.next()) {
                SettingName name = SettingName.of(rows.getString(1));
                Optional<String> of = name.phone().map(keysOf(Part.PHONES)::get);
                boolean wanted = name.phone().isPresent() ? of.isPresent() : phone.isEmpty() && !name.isLocal();
                if (wanted) {
                    out.writeStartObject();
                    out.writeStringField("name", name.name());
                    if (of.isPresent()) {
                        out.writeStringField("phone", of.get());
                    }
                    out.writeStringField("value", rows.getString(2));
                    out.writeEndObject();
                    count++;
                }
            }
        }
        return count;
    }

    /** Firmwares and packages are packed already. */
    private void files() throws IOException {
        zip.setLevel(Deflater.NO_COMPRESSION);
        long count = 0;
        for (Map.Entry<String, Path> file : new TreeMap<>(carried.byName()).entrySet()) {
            if (wantedFiles.contains(file.getKey())) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                Files.copy(file.getValue(), zip);
                zip.closeEntry();
                count++;
            }
        }
        zip.setLevel(Deflater.DEFAULT_COMPRESSION);
        if (count > 0) {
            counts.put(INSIDE, count);
        }
    }

    private static String name(Path folder, Path file) {
        return CATALOGUE + "/" + folder.relativize(file).toString().replace('\\', '/');
    }

    private void catalogue() throws IOException {
        Path folder = workspace.resolve(CATALOGUE);
        try (Stream<Path> all = Files.walk(folder)) {
            // Links are not followed, and only what an import takes goes along: an editor's leftovers are no entries.
            List<Path> files = all.filter(file -> Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS))
                    .filter(file -> ExportZip.isOfTheCatalogue(name(folder, file)))
                    .sorted()
                    .toList();
            for (Path file : files) {
                if (Files.size(file) > ExportZip.MOST_OF_AN_ENTRY) {
                    throw new UnreadableInput("%s is larger than an entry of a catalogue can be (%d MiB); move it away."
                            .formatted(file, ExportZip.MOST_OF_AN_ENTRY >> 20));
                }
                zip.putNextEntry(new ZipEntry(name(folder, file)));
                Files.copy(file, zip);
                zip.closeEntry();
            }
            counts.put(CATALOGUE, (long) files.size());
        }
    }

    /** Owners are written before what they own. */
    private Map<Long, String> keysOf(Part part) {
        return Objects.requireNonNull(keys.get(part));
    }
}
