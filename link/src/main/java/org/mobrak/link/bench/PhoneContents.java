package org.mobrak.link.bench;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.mobrak.link.PhoneFile;

/**
 * What lies on a bench phone: its property list, its kernel's banner, its files and apps. Used under the phone's own lock.
 */
final class PhoneContents {
    private static final String CARD = "/storage/card/";
    private static final String INTERNAL = "/data/";

    private final String listing;
    private final String banner;
    private final Map<String, PhoneFile> files = new TreeMap<>();
    private final TreeSet<String> apps = new TreeSet<>();
    private Map<String, String> started = Map.of();

    PhoneContents(String listing, String banner, Map<String, PhoneFile> files) {
        this.listing = listing;
        this.banner = banner;
        this.files.putAll(files);
        start();
    }

    String banner() {
        return banner;
    }

    /** What it says when it is asked for its properties. */
    String properties() {
        StringBuilder all = new StringBuilder(listing);
        started.forEach((key, value) ->
                all.append('[').append(key).append("]: [").append(value).append("]\n"));
        return all.toString();
    }

    Optional<PhoneFile> file(String path) {
        return Optional.ofNullable(files.get(path)).map(PhoneFile::copy);
    }

    void put(String path, PhoneFile file) {
        files.put(path, file);
    }

    void install(String app) {
        apps.add(app);
    }

    String apps() {
        StringBuilder all = new StringBuilder();
        apps.forEach(app -> all.append("package:").append(app).append('\n'));
        return all.toString();
    }

    /** A wipe takes the internal storage and the apps; the card stays. */
    void wipe() {
        files.keySet().removeIf(path -> path.startsWith(INTERNAL));
        apps.clear();
    }

    static boolean isOnCard(String path) {
        return path.startsWith(CARD);
    }

    static boolean isOfTheUser(String path) {
        return path.startsWith(CARD) || path.startsWith(INTERNAL);
    }

    /** The properties are read once, and not at all from a file that others may write (the platform's published loader). */
    void start() {
        PhoneFile file = files.get(CablePhone.PROPERTIES);
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
