package org.mobrak.cli;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.Closeable;
import java.io.IOException;
import java.io.PrintWriter;

/** An answer that is one list, and may be too long to be held whole: each entry is written as it comes. */
final class JsonList implements Closeable {
    private final PrintWriter out;
    private final JsonGenerator json;

    JsonList(String name, PrintWriter out) throws IOException {
        this.out = out;
        this.json = JsonMapper.builder().build().createGenerator(out);
        json.disable(JsonGenerator.Feature.AUTO_CLOSE_TARGET);
        json.useDefaultPrettyPrinter();
        json.writeStartObject();
        json.writeArrayFieldStart(name);
    }

    void add(ObjectNode entry) throws IOException {
        json.writeObject(entry);
    }

    @Override
    public void close() throws IOException {
        json.writeEndArray();
        json.writeEndObject();
        json.close();
        out.println();
    }
}
