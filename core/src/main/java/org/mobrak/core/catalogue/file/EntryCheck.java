package org.mobrak.core.catalogue.file;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.trouble.AppNeed;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.identity.build.BuildGrammar;

/** The text of one file of a catalogue, checked for what shows in it alone. */
public final class EntryCheck {
    private static final Map<String, EntryReader<?>> READERS = Map.of(
            "phones", new EntryReader<>("phone.schema.json", PhoneFamily.class),
            "routes", new EntryReader<>("route.schema.json", Route.class),
            "grammars", new EntryReader<>("grammar.schema.json", BuildGrammar.class),
            "holes", new EntryReader<>("hole.schema.json", Hole.class),
            "dangers", new EntryReader<>("danger.schema.json", Danger.class),
            "symptoms", new EntryReader<>("symptom.schema.json", Symptom.class),
            "causes", new EntryReader<>("cause.schema.json", Cause.class),
            "questions", new EntryReader<>("question.schema.json", Question.class),
            "apps", new EntryReader<>("app.schema.json", AppNeed.class));

    private EntryCheck() {}

    /**
     * Everything that is wrong in a text.
     *
     * @param name of the file in its catalogue's folder, such as {@code routes/comb.yaml}
     */
    public static List<Fault> of(String name, String text) {
        EntryReader<?> reader = READERS.get(name.substring(0, Math.max(0, name.indexOf('/'))));
        return reader == null
                ? List.of()
                : reader.read(name, text.getBytes(StandardCharsets.UTF_8)).faults();
    }

    /** The names of all files of a catalogue, kind by kind. */
    public static List<String> names(Path catalogue) throws IOException {
        List<String> names = new ArrayList<>();
        for (String kind : Entries.KINDS) {
            Entries.files(catalogue, kind).forEach(file -> names.add(kind + "/" + file.getFileName()));
        }
        return names;
    }
}
