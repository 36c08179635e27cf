package org.mobrak.core.material.reader;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.About;
import org.mobrak.core.material.About.Layout;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/**
 * A kernel image: ARM zImage (Linux documentation, arm/booting, and {@code arch/arm/boot/compressed/head.S}), arm64 Image
 * (Linux documentation, arm64/booting) or the legacy wrapped image (a header of 64 bytes, big-endian, in the boot loader's
 * open source as {@code image.h}).
 *
 * <p>Most of a zImage is its own compressed self behind a small loader. The loader may hold a magic number by chance, so each
 * place where one stands is tried until what unpacks there names itself.
 */
final class KernelReader implements PartReader {
    private static final byte[] ZIMAGE = Fields.magic("18286f01");
    private static final int ZIMAGE_AT = 0x24;
    private static final int ZIMAGE_START = 0x28;
    private static final int ZIMAGE_END = 0x2c;
    private static final byte[] ARM64 = Fields.magic("41524d64");
    private static final int ARM64_AT = 56;
    private static final byte[] WRAPPED = Fields.magic("27051956");

    /** No kernel of a phone comes near it; it is held in memory whole. */
    static final int MOST_BYTES = 48 << 20;
    /** A kernel with more chance magic numbers than this is none. */
    private static final int MOST_TRIES = 64;

    @Override
    public FileKind kind() {
        return FileKind.KERNEL_IMAGE;
    }

    @Override
    public boolean recognises(Fields head) {
        return layout(head) != Layout.BARE;
    }

    private static Layout layout(Fields head) {
        if (head.has(ZIMAGE_AT, ZIMAGE)) {
            return Layout.ZIMAGE;
        }
        if (head.has(ARM64_AT, ARM64)) {
            return Layout.ARM64;
        }
        return head.has(0, WRAPPED) ? Layout.WRAPPED : Layout.BARE;
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        return readAny(piece, looker);
    }

    /** Reads what is known to be a kernel, whatever its first bytes. */
    static Part readAny(Piece piece, PieceInspector looker) throws IOException {
        byte[] bytes = piece.in().readNBytes(MOST_BYTES + 1);
        return ofBytes(piece, bytes, looker);
    }

    /** Reads what may be a kernel without any header; empty where nothing in it names itself. */
    static Optional<Part> plain(Piece piece, PieceInspector looker) throws IOException {
        byte[] bytes = piece.in().readNBytes(MOST_BYTES);
        BannerScan scan = new BannerScan();
        scan.read(bytes, 0);
        return scan.best().isPresent() ? Optional.of(ofBytes(piece, bytes, looker)) : Optional.empty();
    }

    /** Reads a kernel whose bytes are in memory already. */
    static Part ofBytes(Piece piece, byte[] bytes, PieceInspector looker) throws IOException {
        if (bytes.length > MOST_BYTES) {
            looker.tell(Finding.note(
                    "kernel-too-large",
                    "“%s” is larger than %d MiB and was not searched for a kernel's name."
                            .formatted(piece.path(), MOST_BYTES >> 20)));
            return Part.plain(piece.name(), piece.bytes(), FileKind.KERNEL_IMAGE);
        }
        Search search = new Search(piece, looker);
        looker.attempt(piece, () -> search.kernel(bytes));
        return new Part(
                piece.name(), piece.bytes(), FileKind.KERNEL_IMAGE, Optional.ofNullable(search.found), search.trees);
    }

    /** The search through one kernel's bytes. */
    private static final class Search {
        private final Piece piece;
        private final PieceInspector looker;
        private @Nullable About found;
        private List<Part> trees = List.of();

        Search(Piece piece, PieceInspector looker) {
            this.piece = piece;
            this.looker = looker;
        }

        void kernel(byte[] bytes) throws IOException {
            Fields fields = new Fields(bytes);
            Layout layout = layout(fields);
            int from = 0;
            if (layout == Layout.WRAPPED) {
                WrappedHeader header = WrappedHeader.read(fields);
                header.faults(bytes)
                        .forEach(fault -> looker.tell(Finding.stop(
                                "kernel-wrapping", "“%s”: %s. Fetch it again.".formatted(piece.path(), fault))));
                from = WrappedHeader.BYTES;
            } else if (layout == Layout.ZIMAGE) {
                checkLength(fields);
            }
            found = banner(bytes, from, layout);
            trees = DeviceTrees.in(bytes, from);
            if (!trees.isEmpty()) {
                looker.tell(Finding.note(
                        "device-trees",
                        "“%s”: a kernel with %s behind it: %s."
                                .formatted(
                                        piece.path(),
                                        trees.size() == 1 ? "a device tree" : trees.size() + " device trees",
                                        few(trees))));
            }
        }

        private static String few(List<Part> trees) {
            String first = trees.stream().limit(5).map(Part::name).collect(Collectors.joining("; "));
            return trees.size() <= 5 ? first : first + " and " + (trees.size() - 5) + " more";
        }

        private void checkLength(Fields fields) throws Broken {
            long claimed = fields.u32(ZIMAGE_END) - fields.u32(ZIMAGE_START);
            if (claimed < 0 || claimed > fields.length()) {
                looker.tell(Finding.stop(
                        "truncated",
                        "“%s”: the kernel says it is %d bytes long, but there are only %d. Fetch it again."
                                .formatted(piece.path(), claimed, fields.length())));
            }
        }

        private About.Kernel banner(byte[] bytes, int from, Layout layout) throws IOException {
            Fields fields = new Fields(bytes);
            int tries = 0;
            for (int at = from; at < bytes.length && tries < MOST_TRIES; at++) {
                Optional<Compression> compression = Compression.beginningAt(fields, at);
                if (compression.isPresent() && compression.get().unpacksAt(bytes, at)) {
                    tries++;
                    Optional<BannerScan.Banner> banner = unpacked(compression.get(), bytes, at);
                    if (banner.isPresent()) {
                        return about(layout, compression.get().word(), banner);
                    }
                }
            }
            BannerScan scan = new BannerScan();
            scan.read(bytes, from);
            Optional<BannerScan.Banner> plain = scan.best();
            if (plain.isEmpty()) {
                looker.tell(Finding.note(
                        "no-banner",
                        "“%s”: no kernel in it names itself, so its version is not known.".formatted(piece.path())));
            }
            return about(layout, "none", plain);
        }

        private Optional<BannerScan.Banner> unpacked(Compression compression, byte[] bytes, int at) {
            BannerScan scan = new BannerScan();
            InputStream packed = new ByteArrayInputStream(bytes, at, bytes.length - at);
            try (InputStream in = looker.budget().meter(compression.open(packed, false))) {
                scan.read(in);
            } catch (IOException | RuntimeException wrong) {
                // A magic number by chance, unless the kernel has already said its name.
                scan.best()
                        .ifPresent(named -> looker.tell(Finding.stop(
                                "damaged",
                                "“%s”: the kernel is damaged or cut short within its %s. Fetch it again."
                                        .formatted(piece.path(), compression.word()))));
            }
            return scan.best();
        }

        private static About.Kernel about(Layout layout, String compression, Optional<BannerScan.Banner> banner) {
            return new About.Kernel(
                    layout, compression, banner.map(BannerScan.Banner::line), banner.map(BannerScan.Banner::release));
        }
    }

    /** The header of a legacy wrapped image. */
    private record WrappedHeader(long headerCrc, long dataBytes, long dataCrc) {
        private static final int BYTES = 64;
        private static final int HEADER_CRC = 4;
        private static final int DATA_BYTES = 12;
        private static final int DATA_CRC = 24;

        static WrappedHeader read(Fields fields) throws Broken {
            fields.hex(0, BYTES);
            return new WrappedHeader(
                    fields.bigEndian32(HEADER_CRC), fields.bigEndian32(DATA_BYTES), fields.bigEndian32(DATA_CRC));
        }

        List<String> faults(byte[] bytes) {
            if (crc(headerWithoutCrc(bytes), 0, BYTES) != headerCrc) {
                return List.of("the checksum in its header is not that of its header");
            }
            if (dataBytes > bytes.length - BYTES) {
                return List.of("it should hold %d bytes, but only %d follow the header"
                        .formatted(dataBytes, bytes.length - BYTES));
            }
            return crc(bytes, BYTES, (int) dataBytes) == dataCrc
                    ? List.of()
                    : List.of("the checksum in its header is not that of its content");
        }

        private static byte[] headerWithoutCrc(byte[] bytes) {
            byte[] header = Arrays.copyOf(bytes, BYTES);
            Arrays.fill(header, HEADER_CRC, HEADER_CRC + 4, (byte) 0);
            return header;
        }

        private static long crc(byte[] bytes, int from, int count) {
            CRC32 crc = new CRC32();
            crc.update(bytes, from, count);
            return crc.getValue();
        }
    }
}
