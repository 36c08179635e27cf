package org.mobrak.core.logbook.search;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.PrivateFolder;
import org.sqlite.SQLiteConfig;

/** The index of one logbook. */
public final class SearchIndex implements AutoCloseable {
    private static final ObjectMapper MAPPER = new ObjectMapper();
    /** Raised when the index is built in another way. */
    private static final int VERSION = 1;

    private static final int MOST_HITS = 200;
    private static final int MOST_PROPOSALS = 5;
    /** A slip is a letter too few, too many or another; in a long word there may be two (our own choice). */
    private static final int SLIPS = 2;

    private static final int LONG_WORD = 6;
    private static final int SHORTEST_WITH_SLIPS = 4;
    /** Longer texts are listings; their beginning tells which, and all of them are found. */
    private static final int SNIPPET_WORDS = 14;

    private final Path workspace;
    private final Connection connection;

    private SearchIndex(Path workspace, Connection connection) {
        this.workspace = workspace;
        this.connection = connection;
    }

    /**
     * Opens the index and brings it up to date.
     *
     * @param cache a folder of the user's own, outside of the workspace
     */
    public static SearchIndex open(Path workspace, Path cache) throws IOException {
        PrivateFolder.make(cache);
        Path file = cache.resolve("search-" + name(workspace.toAbsolutePath().normalize()) + ".db");
        try {
            return opened(workspace, file);
        } catch (SQLException broken) {
            // What can be made anew need not be mended.
            Files.deleteIfExists(file);
            try {
                return opened(workspace, file);
            } catch (SQLException again) {
                throw new UnreadableInput("The logbook cannot be searched (" + again.getMessage() + ").");
            }
        }
    }

    private static SearchIndex opened(Path workspace, Path file) throws SQLException, IOException {
        SQLiteConfig config = new SQLiteConfig();
        config.setSynchronous(SQLiteConfig.SynchronousMode.OFF);
        Connection connection = config.createConnection("jdbc:sqlite:" + file);
        try {
            connection.setAutoCommit(true);
            PrivateFolder.close(file);
            SearchIndex index = new SearchIndex(workspace, connection);
            index.attach();
            index.update();
            return index;
        } catch (SQLException | RuntimeException failed) {
            connection.close();
            throw failed;
        }
    }

    private static String name(Path workspace) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256")
                    .digest(workspace.toString().getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, 24);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private void attach() throws SQLException {
        try (PreparedStatement attach = connection.prepareStatement("ATTACH DATABASE ? AS logbook")) {
            // Only read: nothing here ever writes into the logbook.
            attach.setString(1, workspace.resolve("logbook.db").toAbsolutePath().toUri() + "?mode=ro");
            attach.execute();
        }
    }

    private void update() throws SQLException {
        connection.setAutoCommit(false);
        try (Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE IF NOT EXISTS main.mark (name TEXT PRIMARY KEY, value TEXT NOT NULL)");
            if (!belongs(statement)) {
                make(statement);
            }
            add(
                    "phone",
                    "SELECT id, id, added_at, nickname FROM logbook.phone WHERE id > ? ORDER BY id",
                    Hit.Kind.PHONE);
            add(
                    "intake",
                    "SELECT id, phone_id, taken_at, name || ' ' || text FROM logbook.intake WHERE id > ? ORDER BY id",
                    Hit.Kind.READING);
            add(
                    "job",
                    "SELECT id, phone_id, started_at, sheet FROM logbook.job WHERE id > ? ORDER BY id",
                    Hit.Kind.JOB);
            add(
                    "event",
                    "SELECT event.id, job.phone_id, event.at, event.event FROM logbook.event JOIN logbook.job ON job.id = event.job_id WHERE event.id > ? ORDER BY event.id",
                    Hit.Kind.EVENT);
            add(
                    "journal",
                    "SELECT journal.id, job.phone_id, journal.at, journal.kind || ' ' || journal.note FROM logbook.journal JOIN logbook.job ON job.id = journal.job_id WHERE journal.id > ? ORDER BY journal.id",
                    Hit.Kind.EVENT);
            connection.commit();
        } catch (SQLException failed) {
            connection.rollback();
            throw failed;
        } finally {
            connection.setAutoCommit(true);
        }
    }

    /** Whether what was indexed last is still what stands there; a logbook that was put back is another one. */
    private boolean belongs(Statement statement) throws SQLException {
        if (!String.valueOf(VERSION).equals(mark("version"))) {
            return false;
        }
        for (String table : List.of("phone", "intake", "job", "event", "journal")) {
            String last = mark(table);
            String time = column(table);
            try (ResultSet row = statement.executeQuery(
                    "SELECT %s FROM logbook.%s WHERE id = %d".formatted(time, table, number(last)))) {
                boolean same = row.next() ? row.getString(1).equals(mark(table + ".at")) : number(last) == 0;
                if (!same) {
                    return false;
                }
            }
        }
        return true;
    }

    private static String column(String table) {
        return switch (table) {
            case "phone" -> "added_at";
            case "intake" -> "taken_at";
            case "job" -> "started_at";
            default -> "at";
        };
    }

    private static long number(@Nullable String mark) {
        return mark == null ? 0 : Long.parseLong(mark);
    }

    private void make(Statement statement) throws SQLException {
        statement.execute("DROP TABLE IF EXISTS main.entry");
        statement.execute("DROP TABLE IF EXISTS main.words");
        statement.execute("DELETE FROM main.mark");
        statement.execute(
                "CREATE VIRTUAL TABLE main.entry USING fts5(body, kind UNINDEXED, phone UNINDEXED, at UNINDEXED, ref UNINDEXED, tokenize = \"unicode61 remove_diacritics 2\", prefix = '2 3')");
        statement.execute("CREATE VIRTUAL TABLE main.words USING fts5vocab(entry, row)");
        mark("version", String.valueOf(VERSION));
    }

    private @Nullable String mark(String name) throws SQLException {
        try (PreparedStatement query = connection.prepareStatement("SELECT value FROM main.mark WHERE name = ?")) {
            query.setString(1, name);
            try (ResultSet row = query.executeQuery()) {
                return row.next() ? row.getString(1) : null;
            }
        }
    }

    private void mark(String name, String value) throws SQLException {
        try (PreparedStatement put =
                connection.prepareStatement("INSERT OR REPLACE INTO main.mark (name, value) VALUES (?, ?)")) {
            put.setString(1, name);
            put.setString(2, value);
            put.execute();
        }
    }

    private void add(String table, String sql, Hit.Kind kind) throws SQLException {
        long last = number(mark(table));
        String at = mark(table + ".at");
        try (PreparedStatement rows = connection.prepareStatement(sql);
                PreparedStatement put = connection.prepareStatement(
                        "INSERT INTO main.entry (body, kind, phone, at, ref) VALUES (?, ?, ?, ?, ?)")) {
            rows.setLong(1, last);
            try (ResultSet row = rows.executeQuery()) {
                while (row.next()) {
                    last = row.getLong(1);
                    at = row.getString(3);
                    put.setString(1, words(kind, table, row.getString(4)));
                    put.setString(2, kind.word());
                    put.setLong(3, row.getLong(2));
                    put.setString(4, at);
                    put.setLong(5, last);
                    put.execute();
                }
            }
        }
        mark(table, String.valueOf(last));
        mark(table + ".at", at == null ? "" : at);
    }

    /** Of what is kept as JSON the words, and not the names of its parts. */
    private static String words(Hit.Kind kind, String table, String body) {
        if (kind == Hit.Kind.PHONE || kind == Hit.Kind.READING || table.equals("journal")) {
            return body;
        }
        try {
            StringBuilder words = new StringBuilder();
            collect(MAPPER.readTree(body), words);
            return words.toString();
        } catch (JsonProcessingException broken) {
            return body;
        }
    }

    /** Times and the program's own short words, such as kinds of steps, are nothing that anybody would look for. */
    private static boolean isForPeople(String text) {
        return !text.matches("[a-z]{1,4}|[a-z]{2,8}-[0-9]{1,3}|[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9:.]{1,24}Z");
    }

    private static void collect(JsonNode node, StringBuilder words) {
        if (node.isTextual() && isForPeople(node.asText())) {
            words.append(node.asText()).append(' ');
        }
        node.forEach(inner -> collect(inner, words));
    }

    /** Finds; a text that was taken back is not found. */
    public Found find(String typed) throws IOException {
        Query query = Query.of(typed);
        if (query.isEmpty()) {
            return new Found(typed, List.of(), List.of());
        }
        String sql = """
                SELECT phone, nickname, kind, at, snippet(entry, 0, '›', '‹', ' … ', %d)
                FROM main.entry JOIN logbook.phone ON phone.id = entry.phone
                WHERE entry MATCH ? AND phone.withdrawn_at IS NULL
                AND NOT (kind = 'reading' AND EXISTS
                  (SELECT 1 FROM logbook.intake WHERE intake.id = entry.ref AND intake.withdrawn_at IS NOT NULL))
                ORDER BY rank, at DESC LIMIT %d
                """.formatted(SNIPPET_WORDS, MOST_HITS);
        List<Hit> hits = new ArrayList<>();
        try (PreparedStatement search = connection.prepareStatement(sql)) {
            search.setString(1, query.match());
            try (ResultSet rows = search.executeQuery()) {
                while (rows.next()) {
                    Hit.Kind kind = Hit.Kind.valueOf(rows.getString(3).toUpperCase(Locale.ROOT));
                    hits.add(new Hit(rows.getLong(1), rows.getString(2), kind, rows.getString(4), rows.getString(5)));
                }
            }
            return new Found(typed, hits, hits.isEmpty() ? proposals(query) : List.of());
        } catch (SQLException broken) {
            throw new UnreadableInput("The logbook cannot be searched (" + broken.getMessage() + ").");
        }
    }

    /** Words of the logbook that are a slip or two away from a typed one that is not there. */
    private List<String> proposals(Query query) throws SQLException {
        List<String> near = new ArrayList<>();
        for (String typed : query.words()) {
            String word = typed.toLowerCase(Locale.ROOT);
            if (word.length() < SHORTEST_WITH_SLIPS || isThere(word)) {
                continue;
            }
            LevenshteinDistance distance = new LevenshteinDistance(word.length() < LONG_WORD ? 1 : SLIPS);
            try (PreparedStatement words = connection.prepareStatement(
                    "SELECT term FROM main.words WHERE length(term) BETWEEN ? AND ? ORDER BY doc DESC")) {
                words.setInt(1, word.length() - SLIPS);
                words.setInt(2, word.length() + SLIPS);
                try (ResultSet rows = words.executeQuery()) {
                    while (rows.next() && near.size() < MOST_PROPOSALS) {
                        String term = rows.getString(1);
                        if (distance.apply(word, term) > 0 || isSwapped(word, term)) {
                            near.add(term);
                        }
                    }
                }
            }
        }
        return near;
    }

    /** Two letters beside each other that changed places are one slip, though two letters differ. */
    private static boolean isSwapped(String word, String term) {
        if (word.length() != term.length()) {
            return false;
        }
        for (int i = 0; i + 1 < word.length(); i++) {
            String swapped = word.substring(0, i) + word.charAt(i + 1) + word.charAt(i) + word.substring(i + 2);
            if (swapped.equals(term)) {
                return true;
            }
        }
        return false;
    }

    private boolean isThere(String word) throws SQLException {
        try (PreparedStatement words =
                connection.prepareStatement("SELECT 1 FROM main.words WHERE term >= ? AND term < ? LIMIT 1")) {
            words.setString(1, word);
            words.setString(2, word + Character.MAX_VALUE);
            try (ResultSet rows = words.executeQuery()) {
                return rows.next();
            }
        }
    }

    @Override
    public void close() {
        try {
            connection.close();
        } catch (SQLException over) {
            // Nothing of it is needed any more.
            return;
        }
    }
}
