package org.mobrak.core.material.reader;

import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Finding;

/** Looks at the names in one archive: those that would write elsewhere, and those that stand twice. */
final class MemberNames {
    private static final Pattern ELSEWHERE = Pattern.compile("^[/\\\\]|^[A-Za-z]:|(^|[/\\\\])\\.\\.([/\\\\]|$)|\\x00");

    private final Piece archive;
    private final PieceInspector looker;
    private final Set<String> seen = new HashSet<>();

    MemberNames(Piece archive, PieceInspector looker) {
        this.archive = archive;
        this.looker = looker;
    }

    void check(String name) {
        if (ELSEWHERE.matcher(name).find()) {
            looker.tell(Finding.stop(
                    "unsafe-name",
                    "“%s” has a member “%s”, which would be unpacked outside the folder meant for it. Do not unpack it."
                            .formatted(archive.path(), name)));
        }
        if (!seen.add(name)) {
            looker.tell(Finding.caution(
                    "duplicate-name",
                    "“%s” has “%s” twice; which of the two is used depends on the program."
                            .formatted(archive.path(), name)));
        }
    }
}
