package org.mobrak.desktop.parts;

import javafx.scene.AccessibleRole;
import javafx.scene.layout.Region;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Severity;

/** A small shape that stands for an outcome; form and colour come from the style sheet, words go with it. */
public final class Sign extends Region {
    private Sign(String style, String words) {
        getStyleClass().addAll("sign", style);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        Texts.aloud(this, words);
        Texts.tip(this, words);
    }

    public static Sign of(Verdict verdict) {
        return switch (verdict) {
            case FITS -> new Sign("sign-fits", verdict.word());
            case CAUTION -> new Sign("sign-caution", verdict.word());
            case NEEDS_STEP -> new Sign("sign-step", verdict.word());
            case NEEDS_READING -> new Sign("sign-reading", verdict.word());
            case REFUSED -> new Sign("sign-refused", verdict.word());
        };
    }

    /** A clause's outcome: met, open or unmet. */
    public static Sign of(Truth truth) {
        return switch (truth) {
            case YES -> new Sign(styleOf(truth), "met");
            case UNKNOWN -> new Sign(styleOf(truth), "open");
            case NO -> new Sign(styleOf(truth), "unmet");
        };
    }

    /** The style class that draws a clause's outcome. */
    public static String styleOf(Truth truth) {
        return switch (truth) {
            case YES -> "sign-met";
            case UNKNOWN -> "sign-open";
            case NO -> "sign-unmet";
        };
    }

    public static Sign of(Belief belief) {
        if (belief instanceof Belief.Certain) {
            return new Sign("sign-certain", "certain");
        }
        if (belief instanceof Belief.Absent) {
            return new Sign("sign-certain", "there is none");
        }
        return belief instanceof Belief.Conflicting
                ? new Sign("sign-conflict", "sources disagree")
                : new Sign("sign-unknown", "unknown");
    }

    public static Sign of(Severity severity) {
        return switch (severity) {
            case STOP -> new Sign("sign-refused", "stop");
            case CAUTION -> new Sign("sign-caution", "caution");
            case NOTE -> new Sign("sign-unknown", "note");
        };
    }
}
