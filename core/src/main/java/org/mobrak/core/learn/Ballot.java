package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.util.Map;
import java.util.stream.Collectors;

/** What recordings do not agree on, as it is asked of the person. */
final class Ballot {
    private final ArrayNode votes = JsonNodeFactory.instance.arrayNode();

    /**
     * A question.
     *
     * @param at a JSON pointer into the route
     * @param said what was taken; the question is open while it stands there
     */
    void ask(String at, String said, String ask) {
        votes.addObject().put("at", at).put("said", said).put("ask", ask);
    }

    /** Values and who says them: “50 (a.vtt), 70 (b.vtt)”. */
    static String listed(Map<?, String> said) {
        return said.entrySet().stream()
                .map(one -> one.getKey() + " (" + one.getValue() + ")")
                .collect(Collectors.joining(", "));
    }

    ArrayNode votes() {
        return votes;
    }
}
