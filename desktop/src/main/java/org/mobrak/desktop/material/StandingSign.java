package org.mobrak.desktop.material;

import javafx.scene.AccessibleRole;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;
import org.mobrak.core.gather.Standing;

/** How it stands with something that is needed, as a shape. */
final class StandingSign extends Region {
    private StandingSign(String style, String words) {
        getStyleClass().addAll("sign", style);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(words);
        Tooltip.install(this, new Tooltip(words));
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
