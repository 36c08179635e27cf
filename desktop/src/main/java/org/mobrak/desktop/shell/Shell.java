package org.mobrak.desktop.shell;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Scene;
import javafx.scene.control.MenuButton;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Glance;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.Route;
import org.mobrak.desktop.aftercare.AfterPage;
import org.mobrak.desktop.bench.PracticePage;
import org.mobrak.desktop.catalogue.CataloguePage;
import org.mobrak.desktop.fit.WaysPage;
import org.mobrak.desktop.help.Palette;
import org.mobrak.desktop.help.Used;
import org.mobrak.desktop.identity.ReadingsPage;
import org.mobrak.desktop.job.RunPage;
import org.mobrak.desktop.logbook.LogbookPage;
import org.mobrak.desktop.material.FilesPage;
import org.mobrak.desktop.parts.Drawn;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Skins;
import org.mobrak.desktop.parts.View;
import org.mobrak.desktop.plan.Choice;
import org.mobrak.desktop.workshop.WorkshopPage;

/** The window's frame, in which the pages hang. */
public final class Shell {
    private final Session session;
    private final ObjectProperty<Page> open = new SimpleObjectProperty<>(Page.READINGS);
    private final Choice choice = new Choice();
    private static final double WIDTH = 1280;
    /** Below it what stands beside the page and the drawer leave it too little; in pixels at the usual letters. */
    private static final double PAGE_BETWEEN_TWO = 1200;

    private static final double HEIGHT = 800;
    /** Letters above each other below which what stands at the page's edge makes way; our own choice. */
    private static final double ROOMY = 52;
    /** Letters side by side that the drawer, a guide and its draft want. */
    private static final double GUIDE_AND_DRAFT = 84;
    /** How often each thing was found by its name, with the workspace. */
    private static final String USED = "palette.used";
    /** Pulses after which a window shows itself even if its workspace is not open yet. */
    private static final int PATIENCE = 30;

    private final Leads leads;
    private final Pages pages;
    private final ReadingsPage readings;
    private final Drawer drawer;
    private final Room room;
    private final PhoneHead head;
    private final PageRail rail = new PageRail(open, choice);
    private final CautionStrip cautions = new CautionStrip(open);
    private final PagePlace page = new PagePlace();
    private final Scene scene;
    private final Look look;
    private final Keys keys;
    private final Index index;
    private final Used used = new Used();
    private final Inputs inputs;
    private final ProgramCorner corner;
    private final BorderPane frame = new BorderPane();
    private final StackPane over = new StackPane();
    private final SideSheets sides;
    private Optional<PracticePage> practice = Optional.empty();
    private double letters = Look.USUAL;
    private long jobShown = -1;
    private boolean begun;
    private Optional<Long> phoneShown = Optional.empty();

    /** A shell in a scene of its own, on the thread that draws. */
    public Shell(Session session, ZoneId zone) {
        this(session, zone, new Scene(new Pane(), WIDTH, HEIGHT));
        moveIn();
    }

    /**
     * A shell for a scene that is there already: what is shown need not be measured for a window that has its size. Making it takes
     * its time and touches nothing that is shown, so it may be made beside the thread that draws.
     *
     * @param scene whose root makes way once the shell moves in
     */
    public Shell(Session session, ZoneId zone, Scene scene) {
        this.session = session;
        this.scene = scene;
        leads = new WaysOn(this);
        sides = new SideSheets(frame, over, open, this::giveRoom);
        readings = new ReadingsPage(session, leads);
        pages = new Pages(() -> session.work().get().isPresent(), this::settle);
        pages.add(Page.READINGS, () -> readings);
        pages.add(Page.WAYS, () -> new WaysPage(session, choice, leads));
        pages.add(Page.FILES, () -> new FilesPage(session, choice, leads));
        pages.add(Page.RUN_SHEET, () -> new RunPage(session, noJob()));
        pages.add(Page.AFTER, () -> new AfterPage(session, leads));
        pages.add(Page.LOGBOOK, () -> new LogbookPage(session, zone, this::goToPhone, leads));
        pages.add(Page.CATALOGUE, () -> new CataloguePage(session, leads));
        pages.add(Page.WORKSHOP, () -> new WorkshopPage(session, this::beginWithAReading, leads));
        corner = new ProgramCorner(session, sides, () -> look());
        drawer = new Drawer(session, corner.node());
        room = new Room(drawer.node());
        head = new PhoneHead(session, room.call(), sides::help);
        look = new Look(scene, session, this::setLetters);
        index = new Index(session, this, sides);
        inputs = new Inputs(scene, session, sides, this::shortcuts, this::open);
        keys = new Keys(session, this, look, sides, room, drawer, readings);
        frame.setCenter(page.node());
        frame.setTop(new VBox(head.node(), rail.node(), new MessageBar(session).node(), inputs.node()));
        frame.setBottom(cautions.node());
        page.put(readings.node());
        room.setCenter(frame);
        over.getChildren().setAll(room.root());
        // A drawer that was not read yet is not an empty one, and painting it would take time from reading it.
        room.root().setOpacity(0);
        Skins.give(over);
    }

    /** Hangs the shell into its scene and shows what there is, on the thread that draws. */
    public void moveIn() {
        look.begin();
        scene.setRoot(over);
        look.letters();
        open.addListener((property, old, stage) -> turnTo(stage));
        scene.widthProperty().addListener((property, before, now) -> giveRoom());
        scene.heightProperty().addListener((property, before, now) -> giveRoom());
        session.glance().addListener((property, old, glance) -> showFirst(glance));
        session.snapshot().addListener((property, old, snapshot) -> show(snapshot));
        session.workshop().view().addListener((property, old, now) -> giveRoom());
        session.rehearsals().practice().addListener((property, old, now) -> practise(now));
        inputs.listen();
        Drawn.after(PATIENCE, this::unveil);
        // A workspace that took another's place is open already.
        Optional.ofNullable(session.snapshot().get())
                .ifPresentOrElse(
                        this::show,
                        () -> Optional.ofNullable(session.glance().get()).ifPresent(this::showFirst));
    }

    /** Who waits longer sees what is being done. */
    private void unveil() {
        room.root().setOpacity(1);
    }

    /** Gives the toolkit the theme in which the frame is drawn before there is anything in it. */
    public static void begin() {
        Look.theme(false);
    }

    /** Gives a scene without a shell the looks of the window. */
    public static void dress(Scene other) {
        Look.dress(other);
    }

    public Scene scene() {
        return scene;
    }

    /** Lets other workspaces be opened from this window. */
    public void offer(Workspaces workspaces) {
        corner.offer(workspaces, pages.areMade());
    }

    private void settle() {
        corner.addWorkspaces();
        session.settle();
    }

    /** Opens a stage's page. */
    public void open(Page stage) {
        open.set(stage);
    }

    /** Puts back how the desk was left; the workspace must be on its way open. */
    public void recall() {
        look.recall();
        session.recall(USED, used::read);
    }

    public void setDark(boolean dark) {
        look.setDark(dark);
    }

    /** What was told on another page is no longer about what is seen. */
    private void turnTo(Page stage) {
        page.put(seen(stage));
        room.closeDrawer();
        giveRoom();
        session.dismiss();
        sides.turned();
    }

    /** While a rehearsal is played, its sheet stands where the real one would. */
    private Region seen(Page stage) {
        return stage == Page.RUN_SHEET && practice.isPresent()
                ? practice.get().node()
                : pages.page(stage).node();
    }

    private void practise(Optional<Practice> now) {
        practice = now.map(one -> new PracticePage(one, session.rehearsals()::leave));
        if (now.isPresent()) {
            open(Page.RUN_SHEET);
        }
        rail.setRehearsing(now.isPresent());
        page.put(seen(open.get()));
        giveRoom();
    }

    private void setLetters(double size) {
        letters = size;
        room.setLetters(size);
        giveRoom();
    }

    /** A phone on the bench beside its sheet wants all the room there is; in a narrow window so does help, and a guide beside its draft. */
    private void giveRoom() {
        boolean help = sides.isBeside() && scene.getWidth() < PAGE_BETWEEN_TWO;
        boolean bench = practice.isPresent() && open.get() == Page.RUN_SHEET;
        boolean guide = open.get() == Page.WORKSHOP
                && session.workshop().view().get().isPresent()
                && scene.getWidth() < GUIDE_AND_DRAFT * letters;
        room.setAllForThePage(help || bench || guide);
        cautions.setFolded(scene.getHeight() > 0 && scene.getHeight() < ROOMY * letters);
    }

    private Empty noJob() {
        return new Empty(
                "No job runs on this phone",
                "Choose a plan on the page Ways and write its run sheet. It then stands here, step by step.",
                Empty.action("empty-ways", "Choose a plan", leads::ways),
                Empty.action("empty-rehearse", "Rehearse it first", leads::rehearse));
    }

    /** Who is there is seen while the ways are still looked for. */
    private void showFirst(Glance glance) {
        if (glance.phone().isEmpty()) {
            session.weigh();
            return;
        }
        unveil();
        drawer.show(glance);
        head.show(glance);
        readings.show(glance);
        // Drawing and looking for ways would take turns at the same processor.
        Drawn.then(session::weigh);
    }

    private void show(Snapshot snapshot) {
        Optional<Long> phone =
                snapshot.desk().map(desk -> desk.dossier().phone().id());
        if (!phone.equals(phoneShown)) {
            room.closeDrawer();
        }
        if (phone.isPresent() && phoneShown.isEmpty() && begun && open.get() == Page.WORKSHOP) {
            // The first phone of a workspace: what it says of itself is what is wanted next.
            open(Page.READINGS);
        }
        phoneShown = phone;
        unveil();
        drawer.show(snapshot);
        // Pages and rail tell of the plan that is chosen.
        snapshot.desk().ifPresent(choice::offer);
        pages.show(snapshot, open.get());
        rail.show(snapshot);
        head.show(snapshot);
        if (drawer.hasAdded(phone)) {
            takeReading();
        }
        followJob(snapshot);
        beginWhereNothingIs(snapshot);
    }

    /** Whoever opens an empty workspace is shown how to begin, once. */
    private void beginWhereNothingIs(Snapshot snapshot) {
        if (!begun && snapshot.drawer().isEmpty() && open.get() == Page.READINGS) {
            open(Page.WORKSHOP);
        }
        begun = true;
    }

    /** A job that has just begun opens its run sheet; one that has just ended, the logbook. */
    private void followJob(Snapshot snapshot) {
        long job = snapshot.desk()
                .flatMap(desk -> desk.dossier().runningJob())
                .map(running -> running.id())
                .orElse(0L);
        boolean samePhone = open.get() == Page.WAYS || open.get() == Page.RUN_SHEET;
        if (jobShown >= 0 && samePhone && job != jobShown) {
            if (job > 0 && open.get() == Page.WAYS) {
                open(Page.RUN_SHEET);
            } else if (job == 0
                    && open.get() == Page.RUN_SHEET
                    && snapshot.past().stream().anyMatch(past -> past.job().id() == jobShown)) {
                open(Page.LOGBOOK);
            }
        }
        jobShown = job;
    }

    private Look look() {
        return look;
    }

    ProgramCorner corner() {
        return corner;
    }

    void goToRoute(Route route) {
        turn(Page.WAYS, WaysPage.class).show(route);
    }

    /** Opens what finds everything by its name. */
    void find() {
        sides.find(() -> new Palette(index::commands, used, () -> session.remember(USED, used.written())));
    }

    /**
     * Leads to where something stands.
     *
     * @param face of the page; empty for the one that is seen
     * @param control that takes the keyboard; empty for none
     */
    void lead(Optional<Page> stage, String face, String control) {
        stage.map(one -> turn(one, View.class))
                .ifPresent(view -> view.faces().stream()
                        .filter(one -> one.id().equals(face))
                        .forEach(one -> one.turn().run()));
        focus(control);
    }

    /** Once it is there: a page that is turned to may have to be drawn first. */
    void focus(String control) {
        if (!control.isEmpty()) {
            Drawn.then(() -> Optional.ofNullable(scene.lookup("#" + control)).ifPresent(node -> {
                node.requestFocus();
                if (node instanceof MenuButton menu) {
                    menu.show();
                }
            }));
        }
    }

    List<Shortcut> shortcuts() {
        return keys.all();
    }

    /** Opens a page and returns it. */
    <T extends View> T turn(Page stage, Class<T> kind) {
        open(stage);
        return kind.cast(pages.page(stage));
    }

    /** Puts the cursor where a phone is named. */
    void askForPhone() {
        room.openDrawer();
        drawer.askForPhone();
    }

    /** Puts the cursor where a reading is pasted. */
    void takeReading() {
        open(Page.READINGS);
        readings.begin();
    }

    private void goToPhone(long number) {
        session.snapshot().get().drawer().stream()
                .map(DrawerEntry::phone)
                .filter(phone -> phone.id() == number)
                .findFirst()
                .ifPresent(phone -> {
                    session.pick(phone);
                    open(Page.READINGS);
                });
    }

    private void beginWithAReading() {
        open(Page.READINGS);
        pasteReading();
    }

    void pasteReading() {
        if (open.get() == Page.WORKSHOP) {
            ((WorkshopPage) pages.page(Page.WORKSHOP)).paste();
            return;
        }
        String text = Clipboard.getSystemClipboard().getString();
        if (text != null) {
            open(Page.READINGS);
            session.readings().takePasted(text);
        }
    }
}
