package org.mobrak.desktop.material;

import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import org.mobrak.app.Desk;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.material.About;
import org.mobrak.core.material.Inspection;
import org.mobrak.desktop.parts.Texts;

/** Who the file says it is for and what it brings, beside what the phone is and runs. */
final class IdentityTable extends GridPane {
    private static final String UNSAID = "does not say";
    private static final String UNKNOWN = "not known";

    private final Optional<Desk> desk;

    IdentityTable(Inspection file, Optional<Desk> desk) {
        this.desk = desk;
        getStyleClass().add("compare");
        setId("identity-table");
        for (double percent : new double[] {18, 41, 41}) {
            ColumnConstraints column = new ColumnConstraints();
            column.setPercentWidth(percent);
            getColumnConstraints().add(column);
        }
        addRow(0, Texts.soft(""), Texts.soft("The file"), Texts.soft("The phone"));
        Optional<String> devices = file.devices().isEmpty()
                ? file.boot().map(About.BootImage::name).filter(name -> !name.isBlank())
                : Optional.of(String.join(", ", file.devices()));
        row("Device", devices, Fact.DEVICE);
        row("OS version", file.boot().flatMap(About.BootImage::osVersion), Fact.OS_VERSION);
        row("Patch level", file.boot().flatMap(About.BootImage::patchLevel).map(Object::toString), Fact.PATCH_LEVEL);
        row("Kernel", file.kernel().flatMap(About.Kernel::release), Fact.KERNEL_RELEASE);
        file.kernel()
                .flatMap(About.Kernel::banner)
                .ifPresent(banner -> add(Texts.wrapped(Texts.exact(banner)), 1, getRowCount(), 2, 1));
    }

    private void row(String name, Optional<String> ofFile, Fact fact) {
        Optional<String> ofPhone = desk.flatMap(one -> one.identity().facts().value(fact));
        addRow(getRowCount(), Texts.soft(name), value(ofFile, UNSAID), value(ofPhone, UNKNOWN));
    }

    private static Label value(Optional<String> value, String otherwise) {
        return Texts.wrapped(value.map(Texts::exact).orElseGet(() -> Texts.soft(otherwise)));
    }
}
