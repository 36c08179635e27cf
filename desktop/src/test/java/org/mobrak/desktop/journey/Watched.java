package org.mobrak.desktop.journey;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.mobrak.desktop.Launcher;

/** The program as it is, in a process of its own, with a window into its scene for whoever looks from outside; it changes nothing. */
public final class Watched {
    private static final ObjectMapper JSON = new ObjectMapper();

    private Watched() {}

    /** @param arguments of the program; the property {@code watched.port} names a file into which the port is written */
    public static void main(String[] arguments) throws IOException {
        ServerSocket server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
        Files.writeString(Path.of(System.getProperty("watched.port")), String.valueOf(server.getLocalPort()));
        Thread answering = new Thread(() -> answer(server), "watched");
        answering.setDaemon(true);
        answering.start();
        Launcher.main(arguments);
    }

    private static void answer(ServerSocket server) {
        while (true) {
            try (Socket asked = server.accept()) {
                CompletableFuture<byte[]> seen = new CompletableFuture<>();
                Platform.runLater(() -> seen.complete(seen()));
                asked.getOutputStream().write(seen.join());
            } catch (IOException | IllegalStateException gone) {
                // Whoever asked does not wait any more, or the toolkit has not begun.
            }
        }
    }

    private static byte[] seen() {
        try {
            ArrayNode all = JSON.createArrayNode();
            for (Window window : Window.getWindows()) {
                if (window.isShowing() && window.getScene() != null) {
                    String title = window instanceof Stage stage ? stage.getTitle() : "";
                    ObjectNode told = all.addObject();
                    told.put("type", "window").put("text", title);
                    place(told, new BoundingBox(window.getX(), window.getY(), window.getWidth(), window.getHeight()));
                    Parent root = window.getScene().getRoot();
                    walk(
                            root,
                            root.localToScreen(root.getLayoutBounds()),
                            window.getScene().getFocusOwner(),
                            all);
                }
            }
            return JSON.writeValueAsBytes(all);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static void walk(Node node, Bounds clip, Node focused, ArrayNode all) {
        if (!node.isVisible() || node.getOpacity() == 0) {
            return;
        }
        Bounds here = node.localToScreen(node.getLayoutBounds());
        Bounds seen = here == null ? null : common(clip, here);
        String text = text(node);
        if (seen != null && (node.getId() != null || !text.isEmpty())) {
            ObjectNode told = all.addObject();
            told.put("type", node.getClass().getSimpleName()).put("text", text);
            told.put("id", String.valueOf(node.getId()));
            told.put("disabled", node.isDisabled()).put("focused", node == focused);
            place(told, seen);
        }
        // What reaches beyond its parent is seen all the same, unless that cuts it off.
        if (node instanceof Parent parent && (seen != null || node.getClip() == null)) {
            Bounds within = node.getClip() == null ? clip : seen;
            parent.getChildrenUnmodifiable().forEach(child -> walk(child, within, focused, all));
        }
    }

    private static String text(Node node) {
        if (node instanceof Labeled label && label.getText() != null) {
            return label.getText();
        }
        if (node instanceof TextInputControl input && input.getText() != null) {
            return input.getText();
        }
        return node.getAccessibleText() == null ? "" : node.getAccessibleText();
    }

    /** Nothing where they have nothing in common. */
    private static Bounds common(Bounds clip, Bounds one) {
        double left = Math.max(clip.getMinX(), one.getMinX());
        double top = Math.max(clip.getMinY(), one.getMinY());
        double width = Math.min(clip.getMaxX(), one.getMaxX()) - left;
        double height = Math.min(clip.getMaxY(), one.getMaxY()) - top;
        return width < 2 || height < 2 ? null : new BoundingBox(left, top, width, height);
    }

    private static void place(ObjectNode told, Bounds where) {
        told.put("x", where.getMinX())
                .put("y", where.getMinY())
                .put("width", where.getWidth())
                .put("height", where.getHeight());
    }
}
