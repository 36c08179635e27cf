package org.mobrak.core.material;

import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Finding;

/**
 * Everything found in one file without asking what it is for.
 *
 * @param bytes its size
 * @param root the file as a piece, with all that lies in it
 * @param digests empty where only its headers were read
 * @param trailer the md5 line behind a tar archive, checked where digests were worked out
 * @param devices for which it says it was made
 * @param writes what it would write, each partition once
 * @param findings the gravest first
 */
public record Inspection(
        Path file,
        long bytes,
        Part root,
        Optional<Digests> digests,
        Optional<Trailer.Checked> trailer,
        List<String> devices,
        List<Write> writes,
        List<Finding> findings) {
    public Inspection {
        devices = List.copyOf(devices);
        writes = List.copyOf(writes);
        findings = findings.stream()
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
    }

    /** The same with digests that were worked out at another time. */
    public Inspection with(Digests known) {
        return new Inspection(file, bytes, root, Optional.of(known), trailer, devices, writes, findings);
    }

    /** The same under another path. */
    public Inspection at(Path other) {
        return new Inspection(other, bytes, root, digests, trailer, devices, writes, findings);
    }

    /** The same with other findings. */
    public Inspection with(List<Finding> others) {
        return new Inspection(file, bytes, root, digests, trailer, devices, writes, others);
    }

    /** The same for a phone whose partitions are called so. */
    public Inspection by(PartitionNames names) {
        List<Write> named = writes.stream().map(write -> write.by(names)).toList();
        return new Inspection(file, bytes, root, digests, trailer, devices, named, findings);
    }

    public FileKind kind() {
        return root.kind();
    }

    /** The file's name without its folder. */
    public String name() {
        return file.getFileName().toString();
    }

    /** The first kernel in it, however deep. */
    public Optional<About.Kernel> kernel() {
        return root.first(About.Kernel.class);
    }

    /** The first boot image in it, however deep. */
    public Optional<About.BootImage> boot() {
        return root.first(About.BootImage.class);
    }

    /** The first sparse image in it, however deep. */
    public Optional<About.Sparse> sparse() {
        return root.first(About.Sparse.class);
    }
}
