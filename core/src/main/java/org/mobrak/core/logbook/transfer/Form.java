package org.mobrak.core.logbook.transfer;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.logbook.CellCheck;

/** How values of the logbook are written in an export, and what a row is told by. */
final class Form {
    private final ObjectMapper mapper;
    private final Path home;
    private final CarriedFiles carried;

    Form(ObjectMapper mapper, Path workspace) {
        this(mapper, workspace, CarriedFiles.none());
    }

    /** @param carried the files that go along */
    Form(ObjectMapper mapper, Path workspace, CarriedFiles carried) {
        this.mapper = mapper;
        this.carried = carried;
        this.home = workspace.toAbsolutePath().normalize();
    }

    /** A value as it is exported; null where there is none. */
    @Nullable
    String exported(String column, @Nullable String value) throws IOException {
        if (value == null) {
            return null;
        }
        return Part.isJson(column) ? oneLine(value) : column.equals("path") ? relative(value) : value;
    }

    /** A value as it is kept here. */
    @Nullable
    String kept(String column, @Nullable String value) {
        if (!column.equals("path") || value == null || !CellCheck.isReadable(column, value)) {
            return value;
        }
        // What lay in the other workspace lies in this one; what lay elsewhere stays where it was said to be.
        Path here = home.resolve(value).normalize();
        return !Path.of(value).isAbsolute() && here.startsWith(home) ? here.toString() : value;
    }

    /** JSON Lines have a value on each line; what is broken goes along as the text it is. */
    private String oneLine(String json) throws IOException {
        try {
            JsonNode tree = mapper.readTree(json);
            // A bare word or nothing at all would come back as another text.
            return mapper.writeValueAsString(tree.isContainerNode() ? tree : json);
        } catch (JsonProcessingException | StackOverflowError broken) {
            return mapper.writeValueAsString(json);
        }
    }

    /** What lies in the workspace is named from there, so that it moves along. */
    private String relative(String path) {
        Optional<String> received = carried.received(path);
        if (received.isPresent() || !CellCheck.isReadable("path", path)) {
            return received.orElse(path);
        }
        Path file = Path.of(path);
        return file.isAbsolute() && file.normalize().startsWith(home)
                ? home.relativize(file.normalize()).toString().replace('\\', '/')
                : path;
    }

    /**
     * What tells a row of the logbook from the others.
     *
     * @param owner the key of what it belongs to; empty for what belongs to nothing
     */
    String[] identity(Part part, String owner, ResultSet row) throws IOException, SQLException {
        String[] parts = new String[part.identity().size() + 1];
        parts[0] = owner;
        for (int i = 0; i < part.identity().size(); i++) {
            String column = part.identity().get(i);
            parts[i + 1] = String.valueOf(exported(column, row.getString(column)));
        }
        return parts;
    }
}
