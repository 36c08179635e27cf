package org.mobrak.desktop.program;

import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Texts;

/** The sheet at the side for what concerns the program and not a phone. */
public final class ProgramSheet {
    private final VBox node = new VBox();
    private final Session session;
    private final Faces faces = new Faces();

    /**
     * A sheet.
     *
     * @param place where the workspace and the log lie
     * @param close puts the sheet away
     */
    public ProgramSheet(Session session, Looks looks, Place place, Runnable close) {
        this.session = session;
        Button away = new Button("", new FontIcon(Feather.X));
        away.setId("close-program");
        Texts.tip(away, "Put the sheet away (Esc)");
        Texts.aloud(away, "Put the sheet away");
        away.setOnAction(press -> close.run());
        SettingsFace settings = new SettingsFace(session, looks, place.workspace());
        LogFace log = new LogFace(session, place.log());
        AboutFace about = new AboutFace();
        faces.add("program-settings", "Settings", settings::node);
        faces.add("program-about", "This program", about::node);
        faces.add("program-log", "Log", log::node);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(faces.tabs(), space, away);
        head.getStyleClass().add("help-head");
        node.getChildren().addAll(head, faces.body());
        node.getStyleClass().addAll("help-sheet", "program-sheet");
        node.setId("program");
    }

    /** Where things lie. */
    public record Place(Path workspace, Path log) {}

    public Region node() {
        return node;
    }

    /** Turns to one of its faces. */
    public void turn(String face) {
        faces.all().stream()
                .filter(one -> one.id().equals(face))
                .forEach(one -> one.turn().run());
    }

    /** It is about to be seen: a job may have chosen a habit since. */
    public void look() {
        session.program().look();
    }
}
