package org.mobrak.desktop.material;

import javafx.util.StringConverter;
import org.mobrak.core.gather.Kept;

/** Files by their names in a box to choose from. */
final class KeptNames extends StringConverter<Kept> {
    @Override
    public String toString(Kept file) {
        return file == null ? "" : file.material().name();
    }

    @Override
    public Kept fromString(String text) {
        throw new UnsupportedOperationException("Files are chosen, not typed");
    }
}
