package org.mobrak.core.identity.reader;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How a phone's storage is divided, from what its shell lists: links from partitions' names to devices, the kernel's list of
 * devices with blocks of 1,024 bytes (proc(5), {@code /proc/partitions}), and its list of flash areas with sizes in hexadecimal
 * bytes ({@code /proc/mtd}).
 */
public final class PartitionListing implements FormReader {
    private static final String DEVICE = "((?:mmcblk\\d|sd[a-z]|nvme\\dn\\d)p?)(\\d{1,3})";
    private static final Pattern LINK =
            Pattern.compile("(?:.{0,120}\\s)?([A-Za-z][\\w.-]{0,39}) -> (?:/dev/block/)?" + DEVICE);
    private static final Pattern BLOCKS =
            Pattern.compile("\\d{1,4}\\s{1,12}\\d{1,5}\\s{1,12}(\\d{1,12})\\s{1,12}" + DEVICE);
    private static final Pattern FLASH =
            Pattern.compile("mtd(\\d{1,3}):\\s{1,4}([0-9a-f]{4,12})\\s{1,4}[0-9a-f]{4,12}\\s{1,4}\"([\\w.-]{1,40})\"");
    private static final long BLOCK = 1024;
    private static final int LONGEST_LINE = 120;
    private static final int HEXADECIMAL = 16;

    PartitionListing() {}

    /**
     * A partition.
     *
     * @param bytes its size, where the kernel's list tells it
     */
    public record Named(String name, Optional<Long> bytes) {}

    /** A name and where on the storage it lies. */
    private record Place(String name, String disk, int number) {}

    /** The partitions in a text, as they lie on the storage; empty where it lists none. */
    public static List<Named> in(String text) {
        List<Place> places = new ArrayList<>();
        Map<String, Long> bytes = new HashMap<>();
        text.lines().map(String::strip).forEach(line -> {
            if (!mayBeOne(line)) {
                return;
            }
            Matcher link = LINK.matcher(line);
            Matcher blocks = BLOCKS.matcher(line);
            Matcher flash = FLASH.matcher(line);
            if (link.matches()) {
                places.add(new Place(link.group(1), link.group(2), Integer.parseInt(link.group(3))));
            } else if (blocks.matches()) {
                bytes.put(blocks.group(2) + blocks.group(3), Long.parseLong(blocks.group(1)) * BLOCK);
            } else if (flash.matches()) {
                places.add(new Place(flash.group(3), "mtd", Integer.parseInt(flash.group(1))));
                bytes.put("mtd" + flash.group(1), Long.parseLong(flash.group(2), HEXADECIMAL));
            }
        });
        return places.stream()
                .sorted(Comparator.comparing(Place::disk).thenComparing(Place::number))
                .map(place -> new Named(place.name(), Optional.ofNullable(bytes.get(place.disk() + place.number()))))
                .distinct()
                .toList();
    }

    /** Most lines of a long text are not, and need no pattern for that. */
    private static boolean mayBeOne(String line) {
        return line.contains(" -> ")
                || line.startsWith("mtd")
                || !line.isEmpty() && Character.isDigit(line.charAt(0)) && line.length() < LONGEST_LINE;
    }

    /** Its lines are no readings of a fact, but they are known for what they are. */
    @Override
    public void read(Page page) {
        for (int index : page.open().toArray()) {
            String line = page.line(index).strip();
            boolean one = mayBeOne(line)
                    && (LINK.matcher(line).matches()
                            || BLOCKS.matcher(line).matches()
                            || FLASH.matcher(line).matches());
            if (one) {
                page.take(index);
            }
        }
    }
}
