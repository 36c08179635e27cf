package org.mobrak.desktop.plan;

import java.io.File;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.print.PrinterJob;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Texts;

/** Saves or prints a plan on one page. */
final class BriefMenu extends MenuButton {
    private final Session session;
    private final Plan plan;
    private final Supplier<String> text;

    BriefMenu(Session session, Plan plan, Supplier<String> text) {
        super("One-page brief", new FontIcon(Feather.FILE_TEXT));
        this.session = session;
        this.plan = plan;
        this.text = text;
        setId("brief");
        getItems()
                .setAll(
                        item("brief-html", "Save as a page (HTML) …", () -> save("html")),
                        item("brief-md", "Save as text (Markdown) …", () -> save("md")),
                        item("brief-print", "Print …", this::print));
    }

    private static MenuItem item(String id, String words, Runnable action) {
        MenuItem item = Texts.item(words);
        item.setId(id);
        item.setOnAction(press -> action.run());
        return item;
    }

    private void save(String ending) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the brief");
        chooser.setInitialFileName("brief." + ending);
        Optional<File> file =
                Optional.ofNullable(chooser.showSaveDialog(getScene().getWindow()));
        file.ifPresent(chosen -> session.saveBrief(plan, chosen.toPath()));
    }

    private void print() {
        PrinterJob job = PrinterJob.createPrinterJob();
        if (job == null) {
            session.tell("No printer is set up here. Save the brief as a page and print that from a browser.");
            return;
        }
        VBox page = new VBox(Texts.wrapped(Texts.plain(text.get())));
        page.setPrefWidth(job.getJobSettings().getPageLayout().getPrintableWidth());
        if (job.showPrintDialog(getScene().getWindow()) && job.printPage(page)) {
            job.endJob();
        }
    }
}
