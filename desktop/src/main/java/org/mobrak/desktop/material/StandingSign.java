package org.mobrak.desktop.material;

import javafx.scene.AccessibleRole;
import javafx.scene.layout.Region;
import org.mobrak.core.gather.Standing;
import org.mobrak.desktop.parts.Texts;

/** How it stands with something that is needed, as a shape. */
final class StandingSign extends Region {
    private StandingSign(String style, String words) {
        getStyleClass().addAll("sign", style);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        Texts.aloud(this, words);
        Texts.tip(this, words);
    }

    static StandingSign of(Standing standing) {
        return new StandingSign(
                switch (standing) {
                    case HAVE -> "sign-ticked";
                    case UNCHECKED -> "sign-caution";
                    case MISSING -> "sign-unknown";
                    case WRONG -> "sign-refused";
                },
                standing.word());
    }
}
