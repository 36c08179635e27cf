package org.mobrak.desktop.logbook;

import java.time.ZoneId;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.mobrak.app.JobFilter;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.Snapshot.PastJob;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.View;

/** The page that remembers: job by job, over time, and in numbers. */
public final class LogbookPage implements View {
    private final Session session;
    private final ZoneId zone;
    private final JobsFace jobs;
    private final TimeFace time;
    private final NumbersFace numbers;
    private final FilterBar filters = new FilterBar(this::choose);
    private final Faces faces = new Faces();
    private final WholeLogbook whole;
    private final FlowPane turns = new Flow();
    private final VBox node = new VBox();
    private @Nullable Snapshot shown;
    private Asked asked = Asked.NOTHING;

    /** What of the past is worked out anew with each change, since it is seen. */
    private enum Asked {
        NOTHING,
        TIME,
        NUMBERS
    }

    /**
     * The page.
     *
     * @param zone in which times are shown
     * @param goToPhone lays the phone of this number on the desk
     */
    public LogbookPage(Session session, ZoneId zone, Consumer<Long> goToPhone, Leads leads) {
        this.session = session;
        this.zone = zone;
        jobs = new JobsFace(session, zone, leads);
        time = new TimeFace(session, zone, leads);
        numbers = new NumbersFace(session, leads);
        whole = new WholeLogbook(session, zone, goToPhone, this::layOut);
        faces.add("face-jobs", "Jobs", () -> turned(Asked.NOTHING, jobs.node()));
        faces.add("face-time", "Over time", () -> turned(Asked.TIME, time.node()));
        faces.add("face-numbers", "In numbers", () -> turned(Asked.NUMBERS, numbers.node()));
        turns.getStyleClass().add("logbook-turns");
        node.getStyleClass().add("page");
        // What is dropped here is somebody's export, not a reading.
        Drops.onto(node, dropped -> session.logbook().lookAt(dropped.get(0)));
        layOut();
    }

    private Region turned(Asked now, Region face) {
        asked = now;
        showFilters();
        ask();
        return face;
    }

    private void ask() {
        switch (asked) {
            case TIME -> session.history().lookBack();
            case NUMBERS -> session.history().count();
            case NOTHING -> {}
        }
    }

    /** What was found or is offered stands where the past stands otherwise. */
    private void layOut() {
        Region body = whole.body().orElse(faces.body());
        VBox.setVgrow(body, Priority.ALWAYS);
        turns.getChildren().setAll(filters.controls());
        if (body == faces.body()) {
            turns.getChildren().add(0, faces.tabs());
        }
        showFilters();
        turns.setVisible(!whole.isBusy());
        turns.setManaged(!whole.isBusy());
        node.getChildren().setAll(whole.head(), turns, body);
    }

    /** Of a phone's whole life only phone and state matter, and in numbers all count. */
    private void showFilters() {
        boolean found = whole.body().isPresent();
        boolean useful = found ? !whole.isBusy() : asked != Asked.NUMBERS;
        filters.show(useful, found || asked == Asked.NOTHING);
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
        shown = snapshot;
        filters.show(snapshot);
        choose();
        ask();
    }

    /** Lets be seen what is wanted. */
    private void choose() {
        Snapshot snapshot = shown;
        if (snapshot == null) {
            return;
        }
        JobFilter filter = filters.filter();
        List<PastJob> past = snapshot.past().stream()
                .filter(one -> filter.shows(one, snapshot, zone))
                .toList();
        jobs.show(past, filter.isNone());
        time.only(life -> filter.showsPhone(life.phone().id(), snapshot), snapshot.phone());
        whole.only(hit -> filter.shows(hit, snapshot, zone));
    }
}
