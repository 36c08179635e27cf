package org.mobrak.core.material.reader;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.material.About;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/** The first fields of an ELF header (System V Application Binary Interface, edition 4.1, figure 4-3). */
final class ElfReader implements PartReader {
    private static final byte[] MAGIC = Fields.magic("7f454c46");
    private static final int CLASS_AT = 4;
    private static final int ORDER_AT = 5;
    private static final int TYPE_AT = 16;
    private static final int MACHINE_AT = 18;
    private static final int LEAST_BYTES = 52;
    private static final int BITS_64 = 2;
    private static final int BIG_ENDIAN = 2;

    private static final Map<Integer, String> MACHINES =
            Map.of(3, "x86", 8, "MIPS", 40, "ARM", 62, "x86-64", 183, "AArch64");
    private static final Map<Integer, String> TYPES =
            Map.of(1, "object", 2, "program", 3, "shared object", 4, "core dump");

    @Override
    public FileKind kind() {
        return FileKind.ELF;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.has(0, MAGIC);
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        Fields head = new Fields(piece.in().head(LEAST_BYTES));
        head.hex(0, LEAST_BYTES);
        boolean swapped = head.u8(ORDER_AT) == BIG_ENDIAN;
        int machine = half(head, MACHINE_AT, swapped);
        int type = half(head, TYPE_AT, swapped);
        About about = new About.Elf(
                head.u8(CLASS_AT) == BITS_64 ? 64 : 32,
                MACHINES.getOrDefault(machine, "machine " + machine),
                TYPES.getOrDefault(type, "type " + type));
        return new Part(piece.name(), piece.bytes(), kind(), Optional.of(about), List.of());
    }

    private static int half(Fields head, int at, boolean swapped) throws Broken {
        return swapped ? head.u8(at) << 8 | head.u8(at + 1) : head.u16(at);
    }
}
