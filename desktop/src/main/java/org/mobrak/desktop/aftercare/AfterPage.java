package org.mobrak.desktop.aftercare;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The page on which a job is proved, compared and, where something broke, mended. */
public final class AfterPage implements View {
    private final Session session;
    private final Label summary = Texts.wrapped(Texts.plain(""));
    private final Faces faces = new Faces();
    private final List<Face> views;
    private final VBox node = new VBox();
    private boolean stale;
    private Runnable turnToTrouble = () -> {};

    /**
     * The page.
     *
     * @param ways turns to the page on which ways are weighed
     */
    public AfterPage(Session session, Runnable ways) {
        this.session = session;
        ProofFace proof = new ProofFace(session);
        CompareFace compare = new CompareFace(session, () -> turnToTrouble.run());
        TroubleFace trouble = new TroubleFace(session, ways);
        PropertyFace property = new PropertyFace(session);
        AppsFace apps = new AppsFace(session);
        BackFace back = new BackFace(session, ways);
        faces.add("face-proof", "Proof", proof::node);
        faces.add("face-compare", "Before and after", compare::node);
        faces.add("face-back", "Take back", back::node);
        turnToTrouble = faces.add("face-trouble", "What broke?", trouble::node);
        faces.add("face-property", "One property", property::node);
        faces.add("face-apps", "Apps", apps::node);
        views = List.of(proof, compare, back, trouble, property, apps);
        summary.setId("after-summary");
        summary.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(summary, Priority.ALWAYS);
        session.aftercare().view().addListener((source, before, now) -> now.ifPresent(this::show));
        node.sceneProperty().addListener(turnedTo -> lookIfSeen());
    }

    /** One of the page's faces. */
    interface Face {
        Region node();

        void show(AftercareView view);
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        if (snapshot.desk().isEmpty()) {
            node.getChildren()
                    .setAll(new Empty(
                            "No phone on the desk", "Name one in the drawer; then come back when its job is done."));
            return;
        }
        stale = true;
        lookIfSeen();
    }

    /** Nothing is worked out for a page that nobody sees. */
    private void lookIfSeen() {
        if (stale && node.getScene() != null) {
            stale = false;
            session.aftercare().look();
        }
    }

    private void show(AftercareView view) {
        Texts.say(summary, summary(view));
        views.forEach(face -> face.show(view));
        if (node.getChildren().size() < 2) {
            HBox said = new HBox(summary, faces.tabs());
            said.getStyleClass().add("page-summary");
            node.getChildren().setAll(said, faces.body());
            VBox.setVgrow(faces.body(), Priority.ALWAYS);
        }
    }

    private static String summary(AftercareView view) {
        String root = "Root: " + view.proof().state().word() + ", rung "
                + view.proof().rung() + " of 6.";
        return view.diagnosis().symptoms().isEmpty()
                ? root
                : root + " Seen: " + view.diagnosis().symptoms().get(0).name() + ".";
    }
}
