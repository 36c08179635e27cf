package org.mobrak.desktop.aftercare;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.core.proof.AppChanges;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Two listings of the phone's apps: what is gone, new, switched off, and what relied on it. */
final class AppsFace implements AfterPage.Face {
    private final Session session;
    private final VBox content = new VBox();
    private final VBox node;

    AppsFace(Session session) {
        this.session = session;
        content.getStyleClass().addAll("side", "page");
        FlowPane head = new Flow(
                chooser("Listing from before …", "apps-before", session.aftercare()::appsBefore),
                chooser("Listing from now …", "apps-after", session.aftercare()::appsAfter),
                Texts.soft("Or drop both here, the older one first."));
        head.getStyleClass().add("page-head");
        node = new VBox(head, new Sheet(content));
        Drops.onto(node, this::take);
    }

    private void take(List<Path> files) {
        session.aftercare().appsBefore(files.get(0));
        files.stream().skip(1).findFirst().ifPresent(session.aftercare()::appsAfter);
    }

    private Button chooser(String words, String id, Consumer<Path> taker) {
        Button button = new Button(words, new FontIcon(Feather.FILE));
        button.setId(id);
        button.setOnAction(press -> {
            FileChooser chooser = new FileChooser();
            chooser.setTitle(words);
            File chosen = chooser.showOpenDialog(node.getScene().getWindow());
            if (chosen != null) {
                taker.accept(chosen.toPath());
            }
        });
        return button;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(AftercareView view) {
        Optional<AppChanges> changes = view.apps().flatMap(AftercareView.Inventory::changes);
        if (changes.isEmpty()) {
            content.getChildren().setAll(waiting(view.apps()));
            return;
        }
        content.getChildren().clear();
        changes.get().findings().forEach(finding -> {
            HBox line = new HBox(Sign.of(finding.severity()), Texts.wrapped(Texts.plain(finding.message())));
            line.getStyleClass().add("notice");
            content.getChildren().add(line);
        });
        content.getChildren().add(gone(view.apps().get().relied()));
        add("New", changes.get().added());
        add("Switched off since", changes.get().disabled());
        add("Switched on since", changes.get().enabled());
    }

    private static Node waiting(Optional<AftercareView.Inventory> apps) {
        String have = apps.flatMap(AftercareView.Inventory::before)
                .map(name -> "From before: " + name + ". Now the listing from now.")
                .or(() -> apps.flatMap(AftercareView.Inventory::after)
                        .map(name -> "From now: " + name + ". Now the listing from before."))
                .orElse("On the phone's shell: list packages, into a file, before the work and after it.");
        return new Empty("Two listings are wanted", have);
    }

    private static Card gone(List<AftercareView.Gone> gone) {
        Card card = new Card("Gone  (" + gone.size() + ")");
        card.setId("apps-gone");
        if (gone.isEmpty()) {
            card.getChildren().add(Texts.soft("Every app is still there."));
        }
        for (AftercareView.Gone one : gone) {
            card.getChildren().add(Texts.exact(one.app()));
            if (!one.reliedOnBy().isEmpty()) {
                card.getChildren()
                        .add(Texts.wrapped(Texts.plain("    These rely on it and may fail: "
                                + String.join(", ", one.reliedOnBy())
                                + ". Bring it back from the backup of the same build, or install it again.")));
            }
        }
        return card;
    }

    private void add(String heading, List<String> apps) {
        if (!apps.isEmpty()) {
            Card card = new Card(heading + "  (" + apps.size() + ")");
            apps.forEach(app -> card.getChildren().add(Texts.exact(app)));
            content.getChildren().add(card);
        }
    }
}
