package org.mobrak.desktop.journey;

import static java.util.concurrent.TimeUnit.SECONDS;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;

/**
 * Somebody in front of a screen with a window manager: looks, presses keys, moves a mouse, copies and pastes. The program is a process
 * of its own; nothing of it is called.
 */
final class Person implements AutoCloseable {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final long PATIENCE_MILLIS = 40_000;
    /** Turns of the wheel in which the longest page is seen to its end. */
    private static final int FAR = 40;
    /** Looks in a row at which a thing lies where it lay. */
    private static final int STILL = 5;

    private static final Path PICTURES = Path.of("target", "journeys");

    private final Path top;
    private final List<Process> running = new ArrayList<>();
    private String display = "";
    private int port;

    /** @param screen its width and height in pixels, {@code 1280x800} */
    Person(Path top, String screen) throws IOException, InterruptedException {
        this.top = top;
        Path number = top.resolve("display");
        running.add(new ProcessBuilder(
                        "bash", "-c", "exec Xvfb -displayfd 3 -screen 0 " + screen + "x24 -nolisten tcp 3>" + number)
                .redirectErrorStream(true)
                .redirectOutput(top.resolve("xvfb.log").toFile())
                .start());
        until("the display is there", () -> Files.exists(number) && Files.size(number) > 1);
        display = ":" + Files.readString(number).strip();
        running.add(started(List.of("openbox"), top.resolve("openbox.log")));
        Files.createDirectories(PICTURES);
    }

    private Process started(List<String> command, Path log) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().put("DISPLAY", display);
        return builder.redirectErrorStream(true).redirectOutput(log.toFile()).start();
    }

    /** Starts the program as its script does, with files of its own. */
    void start(String... arguments) throws Exception {
        Path known = top.resolve("port");
        Files.deleteIfExists(known);
        Files.createDirectories(top.resolve("home"));
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Dprism.order=sw",
                "-Dwatched.port=" + known,
                "-Duser.home=" + top.resolve("home"),
                "-Dmobrak.home=" + System.getProperty("mobrak.home"),
                "-Dmobrak.cache=" + top.resolve("cache"),
                "-Dmobrak.data=" + top.resolve("data"),
                "-Dmobrak.log=" + top.resolve("mobrak.log"),
                "-cp",
                System.getProperty("java.class.path"),
                Watched.class.getName()));
        command.addAll(List.of(arguments));
        running.add(started(command, top.resolve("program.log")));
        until("the program runs", () -> Files.exists(known) && Files.size(known) > 1);
        port = Integer.parseInt(Files.readString(known).strip());
        until("a window is there", () -> all().anyMatch(seen -> seen.is("window")));
    }

    /** The program ends as somebody closes its window. */
    void closeWindow() throws Exception {
        Process program = running.remove(running.size() - 1);
        hand("xdotool", "key", "--clearmodifiers", "alt+F4");
        if (!program.waitFor(20, SECONDS)) {
            program.destroyForcibly().waitFor();
            throw new AssertionError("The program did not end with its window");
        }
    }

    @Override
    public void close() {
        for (int i = running.size() - 1; i >= 0; i--) {
            running.get(i).destroyForcibly();
        }
    }

    /** Something on the screen: only what can be seen of it. */
    record Seen(
            String type,
            String id,
            String text,
            double x,
            double y,
            double width,
            double height,
            boolean focused,
            boolean disabled) {
        boolean is(String kind) {
            return type.equals(kind);
        }

        boolean isButton() {
            return type.contains("Button")
                    || type.equals("Hyperlink")
                    || type.equals("CheckBox")
                    || type.contains("Cell");
        }
    }

    Stream<Seen> all() {
        try (Socket asked = new Socket(InetAddress.getLoopbackAddress(), port)) {
            JsonNode told = JSON.readTree(asked.getInputStream().readAllBytes());
            return StreamSupport.stream(told.spliterator(), false).map(Person::read);
        } catch (IOException notYet) {
            return Stream.of();
        }
    }

    private static Seen read(JsonNode one) {
        return new Seen(
                one.path("type").asText(),
                one.path("id").asText(),
                one.path("text").asText(),
                one.path("x").asDouble(),
                one.path("y").asDouble(),
                one.path("width").asDouble(),
                one.path("height").asDouble(),
                one.path("focused").asBoolean(),
                one.path("disabled").asBoolean());
    }

    Seen window() {
        return all().filter(seen -> seen.is("window")).findFirst().orElseThrow();
    }

    Optional<Seen> focus() {
        return all().filter(Seen::focused).findFirst();
    }

    boolean seesNow(String words) {
        return all().anyMatch(seen -> seen.text().contains(words));
    }

    /** Waits until some words can be read. */
    void reads(String words) throws Exception {
        until("“" + words + "” can be read", () -> seesNow(words));
    }

    void sees(String id) throws Exception {
        until("#" + id + " is seen", () -> all().anyMatch(seen -> seen.id().equals(id)));
    }

    /** Presses a button by what stands on it. */
    void press(String words) throws Exception {
        pressWhere(
                "“" + words + "” can be pressed",
                seen -> seen.isButton() && seen.text().equals(words));
    }

    /** Clicks something by its name in the program. */
    void click(String id) throws Exception {
        pressWhere("#" + id + " can be clicked", seen -> seen.id().equals(id));
    }

    /** Clicks words wherever they stand. */
    void clickWords(String words) throws Exception {
        pressWhere("“" + words + "” can be clicked", seen -> seen.text().startsWith(words) && !seen.is("window"));
    }

    private void pressWhere(String what, Predicate<Seen> wanted) throws Exception {
        Predicate<Seen> ready = seen -> wanted.test(seen) && !seen.disabled();
        Seen[] still = new Seen[1];
        int[] looks = {0};
        // What still moves would be missed; nobody is so quick.
        until(what, () -> {
            Seen now = all().filter(ready).findFirst().orElse(null);
            looks[0] = now != null && now.equals(still[0]) ? looks[0] + 1 : 0;
            still[0] = now;
            return looks[0] >= STILL;
        });
        Seen target = still[0];
        hand(
                "xdotool",
                "mousemove",
                String.valueOf(Math.round(target.x() + target.width() / 2)),
                String.valueOf(Math.round(target.y() + Math.min(target.height(), 60) / 2)),
                "click",
                "1");
    }

    void key(String... keys) throws Exception {
        for (String key : keys) {
            hand("xdotool", "key", "--clearmodifiers", key);
        }
    }

    void type(String words) throws Exception {
        hand("xdotool", "type", "--delay", "15", words);
    }

    /** Puts a text on the clipboard, as copying it in another program does. */
    void copy(String text) throws Exception {
        Path file = Files.writeString(top.resolve("copied"), text);
        hand("bash", "-c", "xclip -selection clipboard -i " + file + " >/dev/null 2>&1");
    }

    /** Drags the window's corner. */
    void resize(int width, int height) throws Exception {
        hand("xdotool", "getactivewindow", "windowsize", String.valueOf(width), String.valueOf(height));
    }

    /** Makes the window as large as the screen, or as it was. */
    void doubleClickTitle() throws Exception {
        standingStill();
        Seen window = window();
        hand(
                "xdotool",
                "mousemove",
                String.valueOf(Math.round(window.x() + window.width() / 2)),
                String.valueOf(Math.round(window.y() + 9)),
                "click",
                "--repeat",
                "2",
                "--delay",
                "80",
                "1");
    }

    void layout(String name) throws Exception {
        hand("setxkbmap", name);
    }

    /** Keeps a picture of the whole screen. */
    void picture(String name) throws Exception {
        // What is known of the scene is on the screen a few pulses later.
        Thread.sleep(900);
        hand("import", "-window", "root", PICTURES.resolve(name + ".png").toString());
    }

    /** Scrolls the page until something can be clicked. */
    void scrollTo(String id) throws Exception {
        for (int turn = 0; turn < 2 * FAR; turn++) {
            // A page that still moves runs past what was seen on it.
            List<Seen> now = standingStill();
            if (now.stream().anyMatch(seen -> seen.id().equals(id) && seen.height() > 12)) {
                return;
            }
            Seen place = now.stream()
                    .filter(seen -> seen.id().equals("page-place"))
                    .findFirst()
                    .orElseThrow();
            hand(
                    "xdotool",
                    "mousemove",
                    String.valueOf(Math.round(place.x() + place.width() * 3 / 4)),
                    String.valueOf(Math.round(place.y() + place.height() / 2)),
                    "click",
                    turn < FAR ? "5" : "4");
        }
    }

    /** Everything that is seen, once it has not moved from one look to the next ones. */
    private List<Seen> standingStill() throws InterruptedException {
        List<List<Seen>> looks = new ArrayList<>();
        until("nothing moves", () -> {
            looks.add(all().toList());
            int last = looks.size() - 1;
            return last >= STILL && looks.subList(last - STILL, last).stream().allMatch(looks.get(last)::equals);
        });
        return looks.get(looks.size() - 1);
    }

    /** Turns the wheel over a part of the page until it shows its beginning. */
    void wheelUp(String id) throws Exception {
        Seen place = all().filter(seen -> seen.id().equals(id)).findFirst().orElseThrow();
        hand(
                "xdotool",
                "mousemove",
                String.valueOf(Math.round(place.x() + place.width() - 30)),
                String.valueOf(Math.round(place.y() + place.height() - 20)),
                "click",
                "--repeat",
                "60",
                "--delay",
                "10",
                "4");
    }

    private void hand(String... command) throws Exception {
        Process moved = started(Arrays.asList(command), top.resolve("hand.log"));
        if (!moved.waitFor(20, SECONDS) || moved.exitValue() != 0) {
            throw new AssertionError(
                    "Could not do: " + String.join(" ", command) + ": " + Files.readString(top.resolve("hand.log")));
        }
    }

    private void keepWhatWasSeen() {
        try {
            picture("failed-" + System.currentTimeMillis());
            Files.write(
                    PICTURES.resolve("failed.txt"), all().map(Seen::toString).toList());
        } catch (Exception noPicture) {
            // The failure itself is told.
        }
    }

    private String said() {
        try {
            Path log = top.resolve("mobrak.log");
            return Files.readString(top.resolve("program.log")) + (Files.exists(log) ? Files.readString(log) : "");
        } catch (IOException none) {
            return "nothing";
        }
    }

    interface Condition {
        boolean holds() throws Exception;
    }

    void until(String what, Condition condition) throws InterruptedException {
        long end = System.currentTimeMillis() + PATIENCE_MILLIS;
        while (true) {
            try {
                if (condition.holds()) {
                    return;
                }
            } catch (Exception notYet) {
                // Asked again.
            }
            if (System.currentTimeMillis() > end) {
                keepWhatWasSeen();
                throw new AssertionError("Waited in vain until " + what + ". The program said: " + said());
            }
            Thread.sleep(60);
        }
    }
}
