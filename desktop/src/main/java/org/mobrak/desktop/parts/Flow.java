package org.mobrak.desktop.parts;

import javafx.beans.Observable;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;

/** Parts in a row that goes on in the next line where there is no room, none of them wider than the row itself. */
public final class Flow extends FlowPane {
    public Flow(Node... parts) {
        super(parts);
        widthProperty().addListener((property, before, now) -> fit());
        getChildren().addListener((Observable changed) -> fit());
    }

    private void fit() {
        double room = getWidth() - snappedLeftInset() - snappedRightInset();
        if (room > 0) {
            getChildren().stream()
                    .filter(part -> part instanceof Region region
                            && !region.maxWidthProperty().isBound())
                    .forEach(part -> ((Region) part).setMaxWidth(room));
        }
    }

    @Override
    protected double computeMinWidth(double height) {
        double widest = getManagedChildren().stream()
                .mapToDouble(part -> part.minWidth(-1))
                .max()
                .orElse(0);
        return snappedLeftInset() + snappedRightInset() + widest;
    }
}
