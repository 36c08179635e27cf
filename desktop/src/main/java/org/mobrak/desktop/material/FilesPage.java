package org.mobrak.desktop.material;

import java.io.File;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;
import org.mobrak.desktop.plan.Choice;

/** The page on which files are looked into, gathered and kept. */
public final class FilesPage implements View {
    private final Session session;
    private final List<View> views;
    private final Faces faces = new Faces();
    private final VBox node;

    public FilesPage(Session session, Choice choice, Leads leads) {
        this.session = session;
        TableFace table = new TableFace(session, this::choose);
        CopiesFace copies = new CopiesFace(session, choice, this::choose);
        GatherFace gather = new GatherFace(session, choice, leads);
        faces.add("face-gather", "To gather", gather::node);
        gather.toTable(faces.add("face-table", "On the table", table::node));
        faces.add("face-copies", "Copies to come back", copies::node);
        views = List.of(gather, table, copies);
        Label hint = Texts.soft("Or drop files or folders on this page; they are looked into, never changed.");
        FlowPane head = new Flow(chooseFiles(), chooseFolder(), faces.tabs(), hint);
        head.getStyleClass().add("page-head");
        node = new VBox(head, faces.body());
        // What is dropped here is a file to look into, not a reading.
        Drops.onto(node, session.files()::lookInto);
    }

    private Button chooseFiles() {
        Button files = new Button("Files …", new FontIcon(Feather.FILE));
        files.setId("look-into-files");
        files.getStyleClass().add("do-this");
        files.setMinWidth(Region.USE_PREF_SIZE);
        files.setOnAction(press -> choose());
        return files;
    }

    /** Asks which files are looked into. */
    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Files to look into");
        List<File> chosen = chooser.showOpenMultipleDialog(node.getScene().getWindow());
        if (chosen != null) {
            session.files().lookInto(chosen.stream().map(File::toPath).toList());
        }
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
    public List<Faces.Face> faces() {
        return faces.all();
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        views.forEach(view -> view.show(snapshot));
    }
}
