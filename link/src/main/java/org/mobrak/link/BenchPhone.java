package org.mobrak.link;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;

/** A simulated phone on the cable, and its hidden truth. Its files change as they are written, its properties when it starts. */
public final class BenchPhone {
    /** Where this phone has the properties it reads when it starts. */
    public static final String PROPERTIES = "/system/build.prop";

    private final String name;
    private final Mode mode;
    private final String listing;
    private final String banner;
    private final boolean rooted;
    private final Map<String, PhoneFile> files = new TreeMap<>();
    private Map<String, String> started = Map.of();

    /**
     * A phone.
     *
     * @param name what a person sees of it, since the cable shows no model
     * @param listing what it answers when asked for its properties, besides those of its file
     * @param banner its kernel's banner
     * @param rooted whether it lets a shell write its system files
     */
    public BenchPhone(
            String name, Mode mode, String listing, String banner, boolean rooted, Map<String, PhoneFile> files) {
        this.name = name;
        this.mode = mode;
        this.listing = listing;
        this.banner = banner;
        this.rooted = rooted;
        this.files.putAll(files);
        start();
    }

    /** What the phone is doing. */
    public enum Mode {
        OFF,
        OS
    }

    public String name() {
        return name;
    }

    synchronized Answer answer(PhoneLink.Question question) {
        if (mode == Mode.OFF) {
            return new Answer.Silence("It is switched off.", "Switch it on, wait for its start screen and ask again.");
        }
        return new Answer.Text(
                switch (question) {
                    case PROPERTIES -> properties();
                    case KERNEL_BANNER -> banner;
                });
    }

    private String properties() {
        StringBuilder all = new StringBuilder(listing);
        started.forEach((key, value) ->
                all.append('[').append(key).append("]: [").append(value).append("]\n"));
        return all.toString();
    }

    @SuppressWarnings("unchecked")
    synchronized <T> Reply<T> reply(Request<T> request) {
        if (mode == Mode.OFF) {
            return new Reply.Failed<>(
                    Reply.Kind.WRONG_MODE, "It is switched off.", "Switch it on and wait for its start screen.");
        }
        if (request instanceof Request.Pull pull) {
            return (Reply<T>) pull(pull.path());
        }
        if (request instanceof Request.Push push) {
            return (Reply<T>) push(push);
        }
        start();
        return (Reply<T>) new Reply.Done<>("os");
    }

    private Reply<PhoneFile> pull(String path) {
        PhoneFile file = files.get(path);
        return file == null
                ? new Reply.Failed<>(
                        Reply.Kind.NO_SUCH_FILE, "It has no file " + path + ".", "Look for it with a file manager.")
                : new Reply.Done<>(file.copy());
    }

    private Reply<PhoneFile> push(Request.Push push) {
        if (!rooted) {
            return new Reply.Failed<>(
                    Reply.Kind.NO_RIGHT,
                    "It lets nobody write its system files.",
                    "Root it first, and allow the shell when the manager asks.");
        }
        files.put(push.path(), push.file());
        return new Reply.Done<>(push.file().copy());
    }

    /** The properties are read once, and not at all from a file that others may write. */
    private void start() {
        PhoneFile file = files.get(PROPERTIES);
        Map<String, String> read = new LinkedHashMap<>();
        if (file != null && file.isGuarded()) {
            new String(file.content(), StandardCharsets.UTF_8)
                    .lines()
                    .map(String::strip)
                    .filter(line -> !line.startsWith("#") && line.indexOf('=') > 0)
                    .forEach(line -> read.put(
                            line.substring(0, line.indexOf('=')).strip(),
                            line.substring(line.indexOf('=') + 1).strip()));
        }
        started = read;
    }
}
