package org.mobrak.desktop.material;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Comparison;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.plan.Sizes;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The file that lies open: what is wrong with it first, then what is in it, what it would write, and whose it is. */
final class TableFace implements View {
    private static final List<PartitionClass> COVERS =
            List.of(PartitionClass.KERNEL, PartitionClass.RECOVERY, PartitionClass.SYSTEM, PartitionClass.RADIO);

    private final Session session;
    private final ListView<Kept> files = new ListView<>();
    private final Sheet sheet = new Sheet(new VBox());
    private final Empty nothing;
    private final HBox node;
    private Optional<Snapshot.Table> shown = Optional.empty();
    private Told told = new Told(Optional.empty(), Optional.empty());
    private Optional<Desk> desk = Optional.empty();
    private boolean showing;

    /** @param choose asks which files are looked into */
    TableFace(Session session, Runnable choose) {
        this.session = session;
        nothing = new Empty(
                "No file lies on the table",
                "Drop one here. Its bytes are read, never its name: what it is, what is in it, which partitions it would write, and whether it is for this phone.",
                Empty.action("empty-choose-files", "Choose files …", choose));
        files.setId("kept-files");
        files.setCellFactory(view -> new KeptCell(this::judged));
        files.getSelectionModel().selectedItemProperty().addListener((property, old, file) -> open(file));
        files.setPlaceholder(new Empty("No files yet", "Those that were looked into stand here."));
        sheet.setId("table-sheet");
        HBox.setHgrow(sheet, Priority.ALWAYS);
        HBox.setHgrow(nothing, Priority.ALWAYS);
        nothing.setMaxWidth(Double.MAX_VALUE);
        node = new Columns(files, sheet);
        node.getStyleClass().add("page");
    }

    /** All that the sheet tells of. */
    private record Told(Optional<Snapshot.Table> table, Optional<Desk> desk) {}

    @Override
    public Region node() {
        return node;
    }

    private void open(Kept file) {
        boolean another = shown.filter(table -> file != null && table.kept().id() == file.id())
                .isEmpty();
        if (!showing && file != null && another && file.isThere()) {
            session.files().lay(file);
        }
    }

    @Override
    public void show(Snapshot snapshot) {
        showing = true;
        desk = snapshot.desk();
        List<Kept> kept = desk.map(one -> one.stock().kept()).orElse(List.of()).stream()
                .sorted(Comparator.comparing(Kept::seenAt)
                        .thenComparing(Kept::id)
                        .reversed())
                .toList();
        if (!files.getItems().equals(kept)) {
            files.getItems().setAll(kept);
        }
        shown = snapshot.table();
        Told now = new Told(shown, desk);
        shown.ifPresentOrElse(
                table -> kept.stream()
                        .filter(file -> file.id() == table.kept().id())
                        .findFirst()
                        .ifPresent(files.getSelectionModel()::select),
                files.getSelectionModel()::clearSelection);
        node.getChildren().setAll(files, shown.isPresent() ? sheet : nothing);
        if (!told.equals(now)) {
            // What is as it was is left alone: somebody may be typing into it.
            told = now;
            shown.ifPresent(table -> sheet.setContent(content(table)));
        }
        showing = false;
    }

    private VBox content(Snapshot.Table table) {
        Inspection file = table.inspection();
        List<Finding> findings = judged(table.kept().material());
        VBox content = new VBox(head(table, findings));
        content.getStyleClass().add("side");
        table.beside()
                .ifPresent(other -> content.getChildren()
                        .add(new Card(
                                "Beside " + other.name(),
                                new ComparisonTable(Comparison.of(file, other), file.name(), other.name()))));
        content.getChildren()
                .add(new Card(
                        "What it would write",
                        new PartitionStrip(
                                desk.flatMap(Desk::known)
                                        .map(phone -> phone.family().partitions())
                                        .orElse(List.of()),
                                file.writes())));
        if (!file.root().inside().isEmpty()) {
            content.getChildren().add(new Card("What is inside, to scale", new NestPicture(file.root())));
        }
        content.getChildren().add(new Card("Beside the phone", new IdentityTable(file, desk)));
        content.getChildren().add(new Card("Digests", new DigestLines(file)));
        return content;
    }

    private List<Finding> judged(Material file) {
        return desk.map(one -> one.judge(file)).orElse(file.findings());
    }

    private Card head(Snapshot.Table table, List<Finding> findings) {
        Inspection file = table.inspection();
        Card head = new Card(
                file.name(), Texts.plain("%s, %s".formatted(capital(file.kind().label()), Sizes.words(file.bytes()))));
        head.setId("table-head");
        if (findings.isEmpty()) {
            head.getChildren()
                    .add(
                            Texts.wrapped(
                                    Texts.plain(
                                            "Nothing speaks against it. That alone does not make it the right file: compare its digest.")));
        } else {
            head.getChildren().add(Words.findings(findings));
        }
        FlowPane buttons = new Flow(compare(table), register(table.kept()), away(table.kept()));
        buttons.getStyleClass().add("buttons");
        head.getChildren().add(buttons);
        return head;
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private ComboBox<Kept> compare(Snapshot.Table table) {
        ComboBox<Kept> others = new ComboBox<>();
        others.setId("compare-with");
        others.setPromptText("Compare with …");
        others.setConverter(new KeptNames());
        files.getItems().stream()
                .filter(file -> file.isThere() && file.id() != table.kept().id())
                .forEach(others.getItems()::add);
        others.setDisable(others.getItems().isEmpty());
        others.valueProperty()
                .addListener(
                        (property, old, other) -> Optional.ofNullable(other).ifPresent(session.files()::layBeside));
        return others;
    }

    private MenuButton register(Kept file) {
        MenuButton register = new MenuButton("Register as a stock copy", new FontIcon(Feather.ARCHIVE));
        register.setId("register-copy");
        for (PartitionClass covers : COVERS) {
            MenuItem item = Texts.item("of this phone's " + covers.label());
            item.setOnAction(press -> session.files().registerCopy(file, covers));
            register.getItems().add(item);
        }
        return register;
    }

    private Button away(Kept file) {
        Button away = new Button("Put away", new FontIcon(Feather.X));
        away.setId("put-away");
        away.setOnAction(press -> session.files().putAway(file));
        return away;
    }
}
