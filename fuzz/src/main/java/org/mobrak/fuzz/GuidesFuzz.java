package org.mobrak.fuzz;

import java.time.LocalDate;
import java.util.List;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.page.Page;
import org.mobrak.core.learn.page.Pages;

/** A guide in any form: saved pages, marks of forums, tables. */
public final class GuidesFuzz {
    private GuidesFuzz() {}

    /** As far as its blocks; nothing in them is hidden. */
    public static final class Blocks {
        private Blocks() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) {
            Page page = Pages.of("input", input);
            Checks.hold(
                    page.blocks().stream()
                            .noneMatch(
                                    block -> block.text().value().codePoints().anyMatch(GuidesFuzz::isUnseen)),
                    "a character in a block that is not seen");
        }
    }

    private static boolean isUnseen(int one) {
        return one != '\n' && one != '\t' && VisibleText.isHidden(one);
    }

    /** Called by the fuzzer for each input: as far as drafts. */
    public static void fuzzerTestOneInput(byte[] input) {
        new Learner().learn(List.of(new Learner.Source("input", input)), LocalDate.EPOCH);
    }
}
