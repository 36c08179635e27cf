package org.mobrak.core.material;

import java.time.Instant;
import java.time.YearMonth;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is known of a piece of a file beyond its kind. Everything here is the file's own word. */
public sealed interface About {

    /**
     * The header of a boot image. Sizes are in bytes, addresses as they would be in the phone's memory.
     *
     * @param headerVersion 0 to 4
     * @param addresses of kernel, ramdisk, second stage, tags and dtb, where the version has them
     * @param osVersion such as {@code 4.4.2}; absent where the field is empty
     */
    record BootImage(
            int headerVersion,
            long pageSize,
            long kernelBytes,
            long ramdiskBytes,
            long secondBytes,
            long dtbBytes,
            Map<String, Long> addresses,
            String name,
            String cmdline,
            Optional<String> osVersion,
            Optional<YearMonth> patchLevel)
            implements About {
        public BootImage {
            addresses = Collections.unmodifiableMap(new LinkedHashMap<>(addresses));
        }
    }

    /** How a kernel is laid out around its compressed self. */
    enum Layout {
        ZIMAGE("ARM zImage"),
        ARM64("arm64 Image"),
        WRAPPED("legacy wrapped image"),
        BARE("bare kernel");

        private final String label;

        Layout(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * A kernel.
     *
     * @param compression such as {@code gzip}; {@code none}
     * @param banner the whole line {@code Linux version …}; absent where none was found
     * @param release such as {@code 3.4.67-g5f2a1b}
     */
    record Kernel(Layout layout, String compression, Optional<String> banner, Optional<String> release)
            implements About {}

    /** The chunks of a sparse image, counted by kind, and the size it unfolds to. */
    record Sparse(long blockSize, long totalBlocks, long raw, long fill, long dontCare, long crc32, long expandedBytes)
            implements About {}

    /**
     * The superblock of an ext4 file system.
     *
     * @param volumeName empty if it has none
     * @param lastMounted where it was mounted last; empty if it never was
     * @param written when it was last written, if it says so
     */
    record Ext4(String volumeName, String lastMounted, long bytes, String uuid, Optional<Instant> written)
            implements About {}

    /**
     * What an update zip says of itself.
     *
     * @param metadata its lines, by key
     * @param devices the devices its script or metadata lets it run on; empty where it does not ask
     * @param touches what its script does to which partition or folder, in its order
     */
    record Update(Map<String, String> metadata, List<String> devices, List<Touch> touches) implements About {
        public Update {
            devices = List.copyOf(devices);
            touches = List.copyOf(touches);
        }
    }

    /**
     * A command of a script that writes.
     *
     * @param target a partition's name, the path of its block device, or a folder of a mounted file system
     * @param command such as {@code package_extract_file}
     * @param source the member that is written, where the command names one
     */
    record Touch(String target, String command, Optional<String> source) {}

    /** What a device tree's root node says of the board it is for. */
    record DeviceTree(Optional<String> model, Optional<String> compatible) implements About {}

    /** What an ELF header says: 32 or 64 bits, and the machine's name. */
    record Elf(int bits, String machine, String type) implements About {}
}
