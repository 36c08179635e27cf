package org.mobrak.app.rehearsal;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What happens in a rehearsal, in its order. */
final class Diary {
    private final List<Report.Happened> happened = new ArrayList<>();
    private final Set<String> caught = new LinkedHashSet<>();
    private String step = "";

    void at(String id) {
        step = id;
    }

    void note(double seconds, String kind, String text) {
        happened.add(new Report.Happened(seconds, step, kind, text));
    }

    /** Something was noticed, or would have been by whoever had looked. */
    void caught(double seconds, String by) {
        caught.add(by);
        note(seconds, "caught", by);
    }

    /** What nobody looked at would have told. */
    void wouldHave(String by) {
        caught.add(by);
    }

    List<Report.Happened> happened() {
        return happened;
    }

    Set<String> caught() {
        return caught;
    }
}
