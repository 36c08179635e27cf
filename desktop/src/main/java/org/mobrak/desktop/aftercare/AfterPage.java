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
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.proof.RootWords;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.SummaryRow;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The page on which a job is proved, compared and, where something broke, mended. */
public final class AfterPage implements View {
    private final Session session;
    private final Leads leads;
    private final Label summary = Texts.wrapped(Texts.plain(""));
    private final Faces faces = new Faces();
    private final TroubleFace trouble;
    private final List<Face> views;
    private final VBox node = new VBox();
    private boolean stale;
    private Facts facts = Facts.none();
    private Runnable turnToTrouble = () -> {};

    /**
     * The page.
     *
     * @param leads the ways to other pages
     */
    public AfterPage(Session session, Leads leads) {
        this.leads = leads;
        this.session = session;
        ProofFace proof = new ProofFace(session);
        CompareFace compare = new CompareFace(session, () -> turnToTrouble.run(), leads);
        trouble = new TroubleFace(session, leads::ways);
        PropertyFace property = new PropertyFace(session);
        AppsFace apps = new AppsFace(session);
        BackFace back = new BackFace(session, leads);
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

    /** Shows where it is asked what broke, with one symptom before the others. */
    public void showTrouble(Symptom symptom) {
        turnToTrouble.run();
        trouble.seek(symptom.name());
    }

    /** One of the page's faces. */
    interface Face {
        Region node();

        void show(AftercareView view);
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
        if (snapshot.desk().isEmpty()) {
            node.getChildren().setAll(Empty.noPhone(leads));
            return;
        }
        facts = snapshot.desk().get().identity().facts();
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
        Texts.say(summary, summary(facts, view));
        views.forEach(face -> face.show(view));
        if (node.getChildren().size() < 2) {
            SummaryRow said = new SummaryRow(summary, faces.tabs());
            node.getChildren().setAll(said, faces.body());
            VBox.setVgrow(faces.body(), Priority.ALWAYS);
        }
    }

    private static String summary(Facts facts, AftercareView view) {
        String root = RootWords.sentence(facts, view.proof());
        return view.diagnosis().symptoms().isEmpty()
                ? root
                : root + " Seen: " + view.diagnosis().symptoms().get(0).name() + ".";
    }
}
