package org.mobrak.core.material.reader;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.mobrak.core.material.About;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/**
 * Device trees behind a kernel, one after the other: the flattened format of the Devicetree Specification, release v0.4,
 * chapter 5 (all numbers big-endian). Of each only the root node's model and first compatible name are read.
 */
final class DeviceTrees {
    private static final byte[] MAGIC = Fields.magic("d00dfeed");
    private static final int TOTAL_BYTES = 4;
    private static final int STRUCTURE_AT = 8;
    private static final int STRINGS_AT = 12;
    private static final int LAST_COMPATIBLE_VERSION = 24;
    private static final int HEADER_BYTES = 40;
    private static final int OLDEST_KNOWN = 16;

    private static final int BEGIN_NODE = 1;
    private static final int PROPERTY = 3;
    private static final int NOTHING = 4;
    private static final int LONGEST_NAME = 200;
    /** No root node has so many properties; the walk ends there. */
    private static final int MOST_PROPERTIES = 64;
    /** Kernels for many phones carry dozens. */
    private static final int MOST_TREES = 500;

    private DeviceTrees() {}

    /** Whether a tree begins here. */
    static boolean beginsAt(Fields bytes, int at) {
        return bytes.has(at, MAGIC);
    }

    /** All trees from a place on, in their order. */
    static List<Part> in(byte[] bytes, int from) {
        Fields fields = new Fields(bytes);
        List<Part> trees = new ArrayList<>();
        int at = from;
        while (at >= 0 && at <= bytes.length - HEADER_BYTES && trees.size() < MOST_TREES) {
            if (bytes[at] != MAGIC[0] || !beginsAt(fields, at)) {
                at++;
                continue;
            }
            Optional<Part> tree = tree(fields, at, trees.size() + 1);
            tree.ifPresent(trees::add);
            at += tree.map(part -> (int) part.bytes().getAsLong()).orElse(1);
        }
        return trees;
    }

    private static Optional<Part> tree(Fields fields, int at, int number) {
        try {
            long total = fields.bigEndian32(at + TOTAL_BYTES);
            boolean sound = total >= HEADER_BYTES
                    && total <= fields.length() - at
                    && fields.bigEndian32(at + LAST_COMPATIBLE_VERSION) <= OLDEST_KNOWN;
            if (!sound) {
                return Optional.empty();
            }
            About.DeviceTree about = root(fields, at, (int) total);
            String name = "device tree " + number
                    + about.model()
                            .or(about::compatible)
                            .map(model -> ": " + model)
                            .orElse("");
            return Optional.of(
                    new Part(name, OptionalLong.of(total), FileKind.DEVICE_TREE, Optional.of(about), List.of()));
        } catch (Broken noTree) {
            return Optional.empty();
        }
    }

    private static About.DeviceTree root(Fields fields, int start, int total) throws Broken {
        long structure = fields.bigEndian32(start + STRUCTURE_AT);
        long strings = fields.bigEndian32(start + STRINGS_AT);
        Optional<String> model = Optional.empty();
        Optional<String> compatible = Optional.empty();
        if (structure < total && strings < total) {
            int at = start + (int) structure;
            int properties = 0;
            if (fields.bigEndian32(at) == BEGIN_NODE) {
                // The root's name is empty: one zero, padded to four bytes.
                at += 8;
            }
            long token = fields.bigEndian32(at);
            while ((token == PROPERTY || token == NOTHING)
                    && properties++ < MOST_PROPERTIES
                    && at < start + total - 12) {
                if (token == NOTHING) {
                    at += 4;
                } else {
                    long length = fields.bigEndian32(at + 4);
                    long name = fields.bigEndian32(at + 8);
                    if (length > total || name >= total - strings) {
                        break;
                    }
                    String said = text(fields, start + (int) (strings + name));
                    if (said.equals("model")) {
                        model = Optional.of(text(fields, at + 12));
                    } else if (said.equals("compatible")) {
                        compatible = Optional.of(text(fields, at + 12));
                    }
                    at += 12 + (int) (length + 3) / 4 * 4;
                }
                token = fields.bigEndian32(at);
            }
        }
        return new About.DeviceTree(model, compatible);
    }

    /** A text ended by a zero; what no screen shows is left out. */
    private static String text(Fields fields, int at) {
        byte[] bytes = fields.bytes();
        int end = at;
        while (end < bytes.length && end < at + LONGEST_NAME && bytes[end] != 0) {
            end++;
        }
        String text = new String(bytes, Math.min(at, bytes.length), Math.max(0, end - at), StandardCharsets.US_ASCII);
        StringBuilder shown = new StringBuilder();
        text.chars().filter(c -> c >= ' ' && c < 0x7f).forEach(c -> shown.append((char) c));
        return shown.toString();
    }
}
