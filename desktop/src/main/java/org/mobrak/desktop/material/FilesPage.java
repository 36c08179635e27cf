package org.mobrak.desktop.material;

import java.io.File;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

/** The page on which files are looked into, gathered and kept. */
public final class FilesPage implements View {
    private final Session session;
    private final ObjectProperty<Face> face = new SimpleObjectProperty<>(Face.GATHER);
    private final ToggleGroup turn = new ToggleGroup();
    private final Map<Face, View> faces = new EnumMap<>(Face.class);
    private final StackPane body = new StackPane();
    private final VBox node;

    /** The faces, in the order in which one needs them. */
    enum Face {
        GATHER("To gather"),
        TABLE("On the table"),
        COPIES("Copies to come back");

        private final String label;

        Face(String label) {
            this.label = label;
        }
    }

    public FilesPage(Session session) {
        this.session = session;
        faces.put(Face.GATHER, new GatherFace(session, () -> face.set(Face.TABLE)));
        faces.put(Face.TABLE, new TableFace(session));
        faces.put(Face.COPIES, new CopiesFace(session));
        HBox tabs = new HBox();
        tabs.getStyleClass().add("ruler-kinds");
        tabs.setMinWidth(Region.USE_PREF_SIZE);
        Arrays.stream(Face.values()).map(this::tab).forEach(tabs.getChildren()::add);
        Label hint = Texts.wrapped(
                Texts.soft("Drop files or folders anywhere on this page; they are looked into, never changed."));
        hint.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(hint, Priority.ALWAYS);
        HBox head = new HBox(chooseFiles(), chooseFolder(), hint, tabs);
        head.getStyleClass().add("page-head");
        VBox.setVgrow(body, Priority.ALWAYS);
        node = new VBox(head, body);
        face.addListener((property, old, now) -> turnTo(now));
        turnTo(Face.GATHER);
        // What is dropped here is a file to look into, not a reading.
        Drops.onto(node, session.files()::lookInto);
    }

    private ToggleButton tab(Face one) {
        ToggleButton tab = new ToggleButton(one.label);
        tab.setId("face-" + one.name().toLowerCase(Locale.ROOT));
        tab.getStyleClass().add("ruler-kind");
        tab.setToggleGroup(turn);
        tab.setUserData(one);
        tab.setOnAction(press -> {
            face.set(one);
            tab.setSelected(true);
        });
        return tab;
    }

    private void turnTo(Face now) {
        turn.getToggles().stream()
                .filter(tab -> tab.getUserData() == now)
                .findFirst()
                .ifPresent(turn::selectToggle);
        body.getChildren().setAll(faces.get(now).node());
    }

    private Button chooseFiles() {
        Button files = new Button("Files …", new FontIcon(Feather.FILE));
        files.setId("look-into-files");
        files.getStyleClass().add("do-this");
        files.setMinWidth(Region.USE_PREF_SIZE);
        files.setOnAction(press -> {
            FileChooser chooser = new FileChooser();
            chooser.setTitle("Files to look into");
            List<File> chosen = chooser.showOpenMultipleDialog(node.getScene().getWindow());
            if (chosen != null) {
                session.files().lookInto(chosen.stream().map(File::toPath).toList());
            }
        });
        return files;
    }

    private Button chooseFolder() {
        Button folder = new Button("Folder …", new FontIcon(Feather.FOLDER));
        folder.setMinWidth(Region.USE_PREF_SIZE);
        folder.setOnAction(press -> {
            DirectoryChooser chooser = new DirectoryChooser();
            chooser.setTitle("A folder of files to look into");
            File chosen = chooser.showDialog(node.getScene().getWindow());
            if (chosen != null) {
                session.files().lookInto(List.of(chosen.toPath()));
            }
        });
        return folder;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        faces.values().forEach(view -> view.show(snapshot));
    }
}
