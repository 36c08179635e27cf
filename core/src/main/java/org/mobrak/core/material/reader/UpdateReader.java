package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.material.About;
import org.mobrak.core.material.About.Touch;
import org.mobrak.core.material.reader.ScriptCalls.Call;

/**
 * What an update zip says of itself: the lines of its metadata, the devices its script asks for, what its script writes. A
 * program in place of the script is read too if it is a shell script; any other says nothing.
 */
final class UpdateReader {
    private static final Pattern METADATA = Pattern.compile("META-INF/.*/metadata");
    private static final Pattern SCRIPT = Pattern.compile("META-INF/.*/(updater-script|update-binary)");
    private static final int MOST_BYTES = 1 << 20;
    /** Longer lines are no one's script; patterns over them could take as long as whoever made them likes. */
    private static final int MOST_LINE = 2_000;

    private static final int MOST_TOUCHES = 2_000;

    private static final String DEVICE_PROPERTY =
            "\"?ro\\.(?:product\\.(?:device|name|model|board)|build\\.product|product\\.[a-z_]+\\.device)\"?";
    private static final List<Pattern> DEVICES = List.of(
            Pattern.compile("getprop\\(\\s*(?:\"[^\"\\n]{1,99}\"\\s*,\\s*)?" + DEVICE_PROPERTY
                    + "\\s*\\)\\s*==\\s*\"([^\"]+)\""),
            Pattern.compile("\"([^\"]+)\"\\s*==\\s*getprop\\(\\s*" + DEVICE_PROPERTY),
            Pattern.compile("is_substring\\(\\s*\"([^\"]+)\"\\s*,\\s*getprop\\(\\s*" + DEVICE_PROPERTY),
            Pattern.compile("(?m)^[ \\t]*device\\.name\\d+=(\\S+)"),
            Pattern.compile("getprop " + DEVICE_PROPERTY + "[)`\"]*\\s*!?={1,2}\\s*\"?([A-Za-z0-9_.-]+)"),
            Pattern.compile(
                    "case\\s+\"?[$`(]{1,2}getprop " + DEVICE_PROPERTY + "[)`\"]*\\s+in\\s+([A-Za-z0-9_.|-]+)\\)"));
    private static final Pattern SHELL_WRITE = Pattern.compile(
            "(?m)^[^#\\n]*?(?:\\bdd\\b[^\\n;]*?\\bof=[\"']?([^\\s\"';]+)|flash_image\\s+(\\S+)|>\\s*[\"']?(/dev/block/[^\\s\"';]+)"
                    + "|\\b(?:cp|unzip|mkdir|ln|chmod)\\b[^\\n;]*?\\s(/(?:system|vendor|data)\\b[^\\s;]*))");

    private final Map<String, String> metadata = new LinkedHashMap<>();
    private final Set<String> devices = new LinkedHashSet<>();
    private final Set<Touch> touches = new LinkedHashSet<>();
    private boolean script;

    /** Whether a member of this name is one of those that are read. */
    static boolean reads(String name) {
        return METADATA.matcher(name).matches() || SCRIPT.matcher(name).matches();
    }

    /** Empty where the zip has neither script nor metadata for a recovery. */
    Optional<About.Update> about() {
        return script || !metadata.isEmpty()
                ? Optional.of(new About.Update(metadata, List.copyOf(devices), List.copyOf(touches)))
                : Optional.empty();
    }

    void read(String name, InputStream in) throws IOException {
        byte[] bytes = in.readNBytes(MOST_BYTES);
        if (METADATA.matcher(name).matches()) {
            readMetadata(new String(bytes, StandardCharsets.UTF_8));
            return;
        }
        script = true;
        boolean isProgram = name.endsWith("update-binary") && !new Fields(bytes).has(0, new byte[] {'#', '!'});
        if (!isProgram) {
            readScript(new String(bytes, StandardCharsets.UTF_8));
        }
    }

    private void readMetadata(String text) {
        text.lines()
                .map(line -> line.split("=", 2))
                .filter(parts -> parts.length == 2)
                .forEach(parts -> metadata.put(parts[0].strip(), parts[1].strip()));
        Optional.ofNullable(metadata.get("pre-device"))
                .ifPresent(named -> Arrays.stream(named.split("[,|]"))
                        .map(String::strip)
                        .filter(device -> !device.isEmpty())
                        .forEach(devices::add));
    }

    private void readScript(String text) {
        String plain = text.lines()
                .filter(line -> line.length() <= MOST_LINE && !line.strip().startsWith("#"))
                .collect(Collectors.joining("\n"));
        for (Pattern shape : DEVICES) {
            Matcher named = shape.matcher(plain);
            while (named.find()) {
                devices.addAll(List.of(named.group(1).split("\\|")));
            }
        }
        ScriptCalls.in(plain).forEach(this::readCall);
        Matcher shell = SHELL_WRITE.matcher(plain);
        while (shell.find() && touches.size() < MOST_TOUCHES) {
            for (int group = 1; group <= shell.groupCount(); group++) {
                add(shell.group(group) == null ? "" : shell.group(group), "shell", Optional.empty());
            }
        }
    }

    private void readCall(Call call) {
        switch (call.name()) {
            case "write_raw_image", "write_firmware_image", "package_extract_file", "package_extract_dir" ->
                add(call.argument(1), call.name(), Optional.of(call.argument(0).replaceFirst("^PACKAGE:", "")));
            case "block_image_update", "apply_patch", "patch_partition", "delete", "delete_recursive" ->
                add(call.argument(0), call.name(), Optional.empty());
            case "set_perm", "set_perm_recursive", "set_metadata", "set_metadata_recursive" ->
                call.arguments().stream()
                        .filter(argument -> argument.startsWith("/"))
                        .forEach(path -> add(path, call.name(), Optional.empty()));
            case "format" -> add(call.argument(2), call.name(), Optional.empty());
            case "run_program" -> readProgram(call);
            default -> {
                // The rest of the language writes nothing.
            }
        }
    }

    private void readProgram(Call call) {
        call.arguments().stream()
                .filter(argument -> argument.startsWith("of="))
                .forEach(argument -> add(argument.substring("of=".length()), "dd", Optional.empty()));
        if (call.argument(0).endsWith("flash_image")) {
            add(call.argument(1), "flash_image", Optional.of(call.argument(2)));
        }
    }

    /** Only what lasts: not the temporary folder, not the card. Files of one file system are that file system. */
    private void add(String target, String command, Optional<String> source) {
        String place = target.replaceFirst("^(?:EMMC|MTD):", "").replaceFirst(":.*$", "");
        boolean isFile = place.startsWith("/") && !place.startsWith("/dev/");
        String lasting = isFile ? place.replaceFirst("^(/[^/]*).*$", "$1") : place;
        if (!lasting.isEmpty()
                && !lasting.matches("/(?:tmp|cache|sdcard|external_sd|mnt|)")
                && touches.size() < MOST_TOUCHES) {
            touches.add(new Touch(lasting, command, isFile ? Optional.empty() : source));
        }
    }
}
