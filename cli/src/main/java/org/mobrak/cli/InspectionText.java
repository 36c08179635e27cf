package org.mobrak.cli;

import java.io.PrintWriter;
import java.util.Locale;
import org.mobrak.core.material.About;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Part;

/** An inspection for a person at a terminal: what is wrong first. */
final class InspectionText {
    private static final int MOST_MEMBERS = 40;

    private final PrintWriter out;
    private int members;

    InspectionText(PrintWriter out) {
        this.out = out;
    }

    void print(Inspection inspection) {
        out.printf("%s: %s, %,d bytes%n", inspection.file(), inspection.kind().label(), inspection.bytes());
        inspection
                .findings()
                .forEach(finding -> out.printf(
                        "  %s: %s%n", finding.severity().word().toUpperCase(Locale.ROOT), finding.message()));
        inspection
                .trailer()
                .ifPresent(trailer -> out.printf(
                        "  %-12s %s%n",
                        "md5 at end", trailer.valid() ? "right" : "wrong, " + trailer.actual() + " is right"));
        inspection
                .kernel()
                .flatMap(About.Kernel::banner)
                .ifPresent(banner -> out.printf("  %-12s %s%n", "kernel", banner));
        inspection.boot().flatMap(About.BootImage::osVersion).ifPresent(os -> out.printf("  %-12s %s%n", "OS", os));
        if (!inspection.devices().isEmpty()) {
            out.printf("  %-12s %s%n", "devices", String.join(", ", inspection.devices()));
        }
        inspection
                .writes()
                .forEach(write -> out.printf(
                        "  %-12s %s (%s), by %s%n",
                        "writes", write.partition(), write.kind().label(), write.because()));
        inspection.digests().ifPresent(digests -> digests.values().forEach(this::digest));
        inspection.root().inside().forEach(part -> part(part, "  "));
        if (members > MOST_MEMBERS) {
            out.printf("  … and %d more; --json lists them all%n", members - MOST_MEMBERS);
        }
    }

    private void digest(Digest digest, String value) {
        out.printf("  %-12s %s%n", digest.label(), value);
    }

    private void part(Part part, String indent) {
        members++;
        if (members <= MOST_MEMBERS) {
            String size = part.bytes().isPresent()
                    ? "%,d bytes".formatted(part.bytes().getAsLong())
                    : "size not known";
            out.printf("%s└ %s: %s, %s%n", indent, part.name(), part.kind().label(), size);
        }
        part.inside().forEach(inner -> part(inner, indent + "  "));
    }
}
