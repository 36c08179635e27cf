package org.mobrak.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Fact;
import org.mobrak.desktop.aftercare.AfterPage;
import org.mobrak.desktop.help.Command;
import org.mobrak.desktop.help.Places;
import org.mobrak.desktop.identity.ReadingsPage;

/** Everything that is found by its name: pages and their faces, what can be done on them, facts, phones, routes, symptoms, help. */
final class Index {
    private static final String PROGRAM = "program";

    private final Session session;
    private final Shell shell;
    private final SideSheets sides;
    private Optional<Places> places = Optional.empty();

    Index(Session session, Shell shell, SideSheets sides) {
        this.session = session;
        this.shell = shell;
        this.sides = sides;
    }

    /** As everything stands now. */
    List<Command> commands() {
        Places known = places.orElseGet(Places::new);
        places = Optional.of(known);
        Optional<Snapshot> now = Optional.ofNullable(session.snapshot().get());
        List<Command> found = new ArrayList<>();
        Stream.of(Page.values()).forEach(page -> found.addAll(ofPage(page, known)));
        known.named().stream().map(this::place).forEach(found::add);
        shell.shortcuts().stream()
                .map(Shortcut::command)
                .map(command -> command.knownBy(known.words(command.name())))
                .forEach(found::add);
        found.add(new Command("action", "Take the tour", "introduction begin new learn", "", sides::tour));
        now.stream()
                .flatMap(snapshot -> snapshot.drawer().stream())
                .map(this::phone)
                .forEach(found::add);
        Stream.of(Fact.values()).map(this::fact).forEach(found::add);
        now.flatMap(Snapshot::desk).stream()
                .flatMap(desk -> desk.fits().stream())
                .map(this::route)
                .forEach(found::add);
        session.aftercare().view().get().map(AftercareView::known).stream()
                .flatMap(List::stream)
                .map(this::symptom)
                .forEach(found::add);
        return found;
    }

    private List<Command> ofPage(Page page, Places known) {
        String name = page.name().toLowerCase(Locale.ROOT);
        List<Command> found = new ArrayList<>();
        String keys = "Ctrl+" + (page.ordinal() + 1);
        found.add(new Command("page", page.label(), known.words(name), keys, () -> shell.open(page)));
        found.add(new Command("help", "Help: " + page.label(), "explain what is how", "", () -> {
            shell.open(page);
            sides.showHelp();
        }));
        return found;
    }

    private Command place(Places.Place place) {
        Optional<Page> page = Stream.of(Page.values())
                .filter(one -> one.name().equalsIgnoreCase(place.page()))
                .findFirst();
        String kind = page.map(Page::label).orElse("action");
        Runnable action = place.page().equals(PROGRAM)
                ? () -> {
                    shell.corner().program(place.face());
                    shell.focus(place.control());
                }
                : () -> shell.lead(page, place.face(), place.control());
        return new Command(kind, place.name(), place.words(), "", action);
    }

    private Command phone(DrawerEntry entry) {
        String marks = entry.marks().stream().map(DrawerEntry.Mark::word).collect(Collectors.joining(" "));
        String words = String.join(" ", entry.name(), marks, entry.waitsFor());
        return new Command("phone", entry.phone().nickname(), words, "", () -> session.pick(entry.phone()));
    }

    private Command fact(Fact fact) {
        String words = fact.key().replace('.', ' ').replace('-', ' ') + " "
                + fact.group().label();
        return new Command(
                "fact",
                fact.label(),
                words,
                "",
                () -> shell.turn(Page.READINGS, ReadingsPage.class).select(fact));
    }

    private Command route(RouteFit fit) {
        String words = fit.route().name() + ": " + fit.verdict().word();
        return new Command("route", words, fit.route().id(), "", () -> shell.goToRoute(fit.route()));
    }

    private Command symptom(Symptom symptom) {
        return new Command(
                "symptom",
                symptom.name(),
                String.join(" ", symptom.words()),
                "",
                () -> shell.turn(Page.AFTER, AfterPage.class).showTrouble(symptom));
    }
}
