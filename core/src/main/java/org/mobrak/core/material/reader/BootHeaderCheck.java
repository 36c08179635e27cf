package org.mobrak.core.material.reader;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.About;

/**
 * What in a boot image's header cannot be: texts with bytes that no command line or board name has, and pieces that would lie
 * over each other, or past the end, of the phone's memory. A loader may take other addresses than these, so it is a caution.
 */
final class BootHeaderCheck {
    private static final long END_OF_32_BITS = 1L << 32;

    private final Piece piece;
    private final About.BootImage about;

    BootHeaderCheck(Piece piece, About.BootImage about) {
        this.piece = piece;
        this.about = about;
    }

    /** A stretch of memory. */
    private record Stretch(String name, long from, long bytes) {
        private boolean overlaps(Stretch other) {
            return from < other.from + other.bytes && other.from < from + bytes;
        }
    }

    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        text("command line", about.cmdline()).ifPresent(findings::add);
        text("board name", about.name()).ifPresent(findings::add);
        memory(findings);
        return findings;
    }

    private Optional<Finding> text(String what, String text) {
        boolean odd = text.chars().anyMatch(c -> c < ' ' && c != '\n' && c != '\t' || c >= 0x7f);
        return odd
                ? Optional.of(Finding.caution(
                        "odd-header",
                        "“%s”: the %s in its header has bytes in it that no %s has; the header may be damaged. Fetch it again."
                                .formatted(piece.path(), what, what)))
                : Optional.empty();
    }

    private void memory(List<Finding> findings) {
        List<Stretch> stretches = stretches();
        for (int i = 0; i < stretches.size(); i++) {
            Stretch one = stretches.get(i);
            if (one.from() + one.bytes() > END_OF_32_BITS) {
                findings.add(odd("the %s would lie past the end of the memory".formatted(one.name())));
            }
            for (Stretch other : stretches.subList(i + 1, stretches.size())) {
                if (one.overlaps(other)) {
                    findings.add(
                            odd("%s and %s would lie over each other in memory".formatted(one.name(), other.name())));
                }
            }
        }
    }

    /** Only what has an address of its own and a size. */
    private List<Stretch> stretches() {
        Map<String, Long> sizes = Map.of(
                BootHeader.KERNEL, about.kernelBytes(), "ramdisk", about.ramdiskBytes(), "second", about.secondBytes());
        List<Stretch> stretches = new ArrayList<>();
        about.addresses().forEach((name, address) -> {
            long bytes = sizes.getOrDefault(name, 0L);
            if (address > 0 && bytes > 0) {
                stretches.add(new Stretch(name, address, bytes));
            }
        });
        return stretches;
    }

    private Finding odd(String what) {
        return Finding.caution(
                "odd-header",
                "“%s”: by the addresses in its header %s; the header may be damaged.".formatted(piece.path(), what));
    }
}
