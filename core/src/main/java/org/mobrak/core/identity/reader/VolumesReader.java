package org.mobrak.core.identity.reader;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Source;

/**
 * A listing of volumes and their free space, in both forms: POSIX's {@code df} with blocks and the mount point last, and the
 * old phones' own with the mount point first and sizes such as {@code 1.3G} (powers of 1024).
 */
final class VolumesReader implements FormReader {
    private static final Pattern SIZE = Pattern.compile("(\\d{1,12}(?:\\.\\d{1,3})?)([KMGT]?)i?B?");
    private static final Pattern CARD = Pattern.compile(
            "/storage/(sdcard1|ext\\w*|[0-9A-F]{4}-[0-9A-F]{4})|/mnt/(ext\\w*|sdcard/ext\\w*|media_rw/[0-9A-F-]{9})|/mnt/sdcard|/sdcard");

    /** Where the columns are. */
    private record Columns(int mount, int free, long block) {}

    @Override
    public void read(Page page) {
        Optional<Columns> columns = Optional.empty();
        for (int index : page.open().toArray()) {
            if (page.line(index).startsWith("Filesystem")) {
                columns = columns(page.line(index));
                columns.ifPresent(found -> page.take(index));
            } else if (columns.isPresent()) {
                takeRow(page, index, columns.get());
            }
        }
    }

    private static Optional<Columns> columns(String header) {
        List<String> names = Arrays.asList(header.toLowerCase(Locale.ROOT).split("\\s+"));
        if (names.contains("free")) {
            return Optional.of(new Columns(0, names.indexOf("free"), 1));
        }
        int free = names.contains("available") ? names.indexOf("available") : names.indexOf("avail");
        boolean kilobytes = names.stream().anyMatch(name -> name.startsWith("1k-") || name.startsWith("1024-"));
        boolean halves = names.contains("512-blocks");
        return free < 0
                ? Optional.empty()
                : Optional.of(new Columns(names.indexOf("mounted"), free, kilobytes ? 1024 : halves ? 512 : 1));
    }

    private static void takeRow(Page page, int index, Columns columns) {
        String[] cells = page.line(index).split("\\s+");
        if (cells.length <= Math.max(columns.free(), Math.max(columns.mount(), 3))) {
            return;
        }
        Optional<Long> free = bytes(cells[columns.free()], columns.block());
        free.ifPresent(count -> {
            page.take(index);
            factOf(cells[columns.mount()])
                    .ifPresent(fact -> page.say(fact, String.valueOf(count), Source.VOLUMES, index));
        });
    }

    private static Optional<Fact> factOf(String mount) {
        if (mount.equals("/data")) {
            return Optional.of(Fact.DATA_FREE);
        }
        return CARD.matcher(mount).matches() ? Optional.of(Fact.CARD_FREE) : Optional.empty();
    }

    private static Optional<Long> bytes(String cell, long block) {
        Matcher size = SIZE.matcher(cell);
        if (!size.matches()) {
            return Optional.empty();
        }
        double unit = size.group(2).isEmpty() ? block : Math.pow(1024, "KMGT".indexOf(size.group(2)) + 1);
        return Optional.of(Math.round(Double.parseDouble(size.group(1)) * unit));
    }
}
