package org.mobrak.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.proof.ProofTalk;
import org.mobrak.core.proof.Seen;

/** What managers and proof apps say, in files and pasted. */
public final class ProofWords {
    /** A screen full of words has less; our own choice. */
    private static final int MOST_BYTES = 64 << 10;

    private static final String NOTHING =
            "Nothing in it says whether there is root. A line such as “root access: yes”, “not rooted” or “request granted” does.";

    private ProofWords() {}

    /** What a file says, in its order; a file that says nothing is told. */
    public static List<Seen> read(Path file) throws IOException {
        byte[] bytes = BoundedFile.read(file, MOST_BYTES, "name the texts in it.");
        return of(file.toString(), new String(bytes, StandardCharsets.UTF_8));
    }

    /** What a text says, in its order; a text that says nothing is told. */
    public static List<Seen> of(String name, String text) throws UnreadableInput {
        List<Seen> seen = ProofTalk.of(text).stream().map(ProofTalk.Said::what).toList();
        if (seen.isEmpty()) {
            throw new UnreadableInput(name + ": " + NOTHING);
        }
        return seen;
    }
}
