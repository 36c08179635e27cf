package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.build.BuildGrammar;

/**
 * A maker's grammar that stands in no catalogue yet, read as if it did.
 *
 * @param grammar empty where a fault forbids it
 */
public record GrammarTrial(Optional<BuildGrammar> grammar, List<Fault> faults) {
    private static final EntryReader<BuildGrammar> GRAMMARS =
            new EntryReader<>("grammar.schema.json", BuildGrammar.class);

    public GrammarTrial {
        faults = List.copyOf(faults);
    }

    public static GrammarTrial of(ObjectNode entry) {
        Entry.Read<BuildGrammar> read = GRAMMARS.read(
                "grammars/" + entry.path("id").asText() + ".yaml",
                EntryYaml.of(entry).getBytes(StandardCharsets.UTF_8));
        return new GrammarTrial(read.entry().map(Entry::value), read.faults());
    }
}
