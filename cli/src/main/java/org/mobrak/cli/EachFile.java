package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.app.PhoneInquiry.Member;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Fact;

/**
 * A collection of phones, each in a file of its own; answers are written as they come, so that memory does not grow with the
 * collection.
 */
final class EachFile {
    private final PhoneInquiry inquiry;
    private final PrintWriter err;

    EachFile(PhoneInquiry inquiry, PrintWriter err) {
        this.inquiry = inquiry;
        this.err = err;
    }

    /** Writes an answer for every file and gives the exit status; files that cannot be read are told and passed over. */
    int identify(List<Path> named, boolean json, PrintWriter out) throws IOException {
        int readable = json ? writeJson(named, out) : writeTable(named, out);
        return readable > 0 ? Mobrak.DONE : Mobrak.UNREADABLE;
    }

    private int writeJson(List<Path> named, PrintWriter out) throws IOException {
        int readable = 0;
        try (JsonList phones = new JsonList("phones", out)) {
            for (Member member : (Iterable<Member>) inquiry.identifyEach(named)::iterator) {
                ObjectNode node = JsonNodeFactory.instance
                        .objectNode()
                        .put("file", member.file().toString());
                member.identity()
                        .ifPresentOrElse(
                                identity -> node.setAll(JsonAnswer.identity(identity)),
                                () -> node.put("error", member.refusal()));
                phones.add(node);
                readable += tellIfRefused(member);
            }
        }
        return readable;
    }

    private int writeTable(List<Path> named, PrintWriter out) throws IOException {
        return inquiry.identifyEach(named)
                .mapToInt(member -> {
                    member.identity()
                            .ifPresent(identity -> out.printf(
                                    "%-16s %-8s %-28s %2d odd  %s%n",
                                    value(identity, Fact.MODEL),
                                    value(identity, Fact.OS_VERSION),
                                    value(identity, Fact.BUILD_NUMBER),
                                    identity.findings().size(),
                                    member.file()));
                    return tellIfRefused(member);
                })
                .sum();
    }

    private static String value(Identity identity, Fact fact) {
        return identity.facts().value(fact).orElse("?");
    }

    private int tellIfRefused(Member member) {
        if (member.identity().isEmpty()) {
            err.println("mobrak: " + member.refusal());
        }
        return member.identity().isPresent() ? 1 : 0;
    }
}
