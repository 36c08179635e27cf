package org.mobrak.core.logbook.transfer;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.logbook.CellCheck;
import org.mobrak.core.logbook.Checksum;

/** The files themselves, in an export that has them inside: where each lies here, and by what name it goes along. */
final class CarriedFiles {
    /** Where what came in lies in a workspace. */
    static final String RECEIVED = "files/received/";

    /** Where it lies in the zip. */
    static final String INSIDE = "inside/";

    private static final int SHORT = 8;
    private static final int LONGEST = 80;

    private final Map<Path, String> names = new HashMap<>();

    private CarriedFiles() {}

    /** An export that only names its files. */
    static CarriedFiles none() {
        return new CarriedFiles();
    }

    /** Those that are still what they were when they were looked into. */
    static CarriedFiles of(Connection connection) throws IOException, SQLException {
        CarriedFiles carried = new CarriedFiles();
        try (Statement statement = connection.createStatement();
                ResultSet rows =
                        statement.executeQuery("SELECT path, found FROM material WHERE withdrawn_at IS NULL")) {
            while (rows.next()) {
                String path = rows.getString("path");
                String found = rows.getString("found");
                if (!CellCheck.isReadable("path", path) || !CellCheck.isReadable("found", found)) {
                    continue;
                }
                Path file = Path.of(path);
                Optional<String> sha256 = sha256(Export.MAPPER.readTree(found));
                if (sha256.isPresent() && isStill(file, sha256.get())) {
                    carried.names.put(file, name(file, sha256.get()));
                }
            }
        }
        return carried;
    }

    private static boolean isStill(Path file, String sha256) throws IOException {
        if (!Files.isRegularFile(file)) {
            return false;
        }
        MessageDigest digest = Checksum.begin();
        try (InputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
            in.transferTo(OutputStream.nullOutputStream());
        }
        return Checksum.hex(digest).equals(sha256);
    }

    private static String name(Path file, String sha256) {
        String plain = String.valueOf(file.getFileName()).replaceAll("[^A-Za-z0-9._+()-]", "_");
        return sha256.substring(0, SHORT) + "-" + plain.substring(0, Math.min(LONGEST, plain.length()));
    }

    /** Where a file will lie where it comes in; empty for one that does not go along. */
    Optional<String> received(String file) {
        return Optional.of(file)
                .filter(path -> CellCheck.isReadable("path", path))
                .map(path -> names.get(Path.of(path)))
                .map(name -> RECEIVED + name);
    }

    /** Each file with its name in the zip; files of the same bytes and name once. */
    Map<String, Path> byName() {
        Map<String, Path> files = new HashMap<>();
        names.forEach((file, name) -> files.put(INSIDE + name, file));
        return files;
    }

    boolean isEmpty() {
        return names.isEmpty();
    }

    /** What was found in a file says its digest. */
    static Optional<String> sha256(JsonNode found) {
        return Optional.of(found.path("digests").path("values").path("SHA256").asText())
                .filter(text -> text.length() == 64);
    }
}
