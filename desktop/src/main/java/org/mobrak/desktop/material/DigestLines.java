package org.mobrak.desktop.material;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.material.ChecksumList;
import org.mobrak.core.material.ChecksumList.Line;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Digests;
import org.mobrak.core.material.Inspection;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The digests of a file, to be compared or copied. */
final class DigestLines extends VBox {
    DigestLines(Inspection file) {
        getStyleClass().add("lines");
        file.digests().ifPresent(digests -> digests.values().forEach(this::line));
        file.trailer()
                .ifPresent(trailer -> getChildren()
                        .add(Texts.plain(
                                trailer.valid()
                                        ? "The md5 line at its end is right."
                                        : "The md5 line at its end is wrong.")));
        if (file.digests().isPresent()) {
            getChildren().add(comparing(file));
        } else {
            getChildren().add(Texts.soft("None were worked out."));
        }
    }

    /** Whatever was copied from where the file came from, held against the file: a checksum, a line, a whole list. */
    private static VBox comparing(Inspection file) {
        TextField said = new TextField();
        said.setId("said-digest");
        said.setPromptText("Paste the checksum, its line or a whole list from where the file came from");
        HBox answer = new HBox();
        answer.setId("said-answer");
        said.textProperty()
                .addListener((property, old, text) -> answer.getChildren().setAll(answer(file, text)));
        VBox box = new VBox(said, answer);
        box.getStyleClass().add("lines");
        return box;
    }

    private static List<Node> answer(Inspection file, String text) {
        if (text.isBlank()) {
            return List.of();
        }
        List<Line> all = ChecksumList.parse(text.replaceAll("\\s{2,}(?=[0-9a-fA-F]{32})", "\n"))
                .lines();
        List<Line> named = new ChecksumList(all).of(file.name());
        List<Line> lines = named.isEmpty() ? all : named;
        Digests digests = file.digests().orElseThrow();
        if (lines.isEmpty()) {
            return List.of(Texts.soft("There is no checksum in that."));
        }
        Optional<Line> same =
                lines.stream().filter(line -> agrees(digests, line)).findFirst();
        Optional<Line> other =
                lines.stream().filter(line -> !agrees(digests, line)).findFirst();
        // Of a list that names other files one checksum must be this file's; of what is said of this file all.
        boolean good = same.isPresent() && (named.isEmpty() || other.isEmpty());
        if (good) {
            return List.of(Words.signed(
                    Sign.of(Truth.YES), "The same as its " + same.get().digest().label() + "."));
        }
        String told = named.isEmpty() && lines.size() > 1
                ? "None of the %d checksums in that is this file’s.".formatted(lines.size())
                : "Not the same as its %s: it is damaged, or another file."
                        .formatted(other.orElseThrow().digest().label());
        return List.of(Words.signed(Sign.of(Severity.STOP), told));
    }

    private static boolean agrees(Digests digests, Line line) {
        return digests.agrees(line.digest(), line.value()).orElse(false);
    }

    private void line(Digest digest, String value) {
        TextField field = new TextField(value);
        field.setEditable(false);
        field.getStyleClass().addAll("exact-input", "digest");
        field.setId("digest-" + digest.word());
        HBox.setHgrow(field, Priority.ALWAYS);
        var name = Texts.soft(digest.label());
        name.getStyleClass().add("row-name");
        HBox line = new HBox(name, field);
        line.getStyleClass().add("typing");
        getChildren().add(line);
    }
}
