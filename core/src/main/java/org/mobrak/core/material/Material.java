package org.mobrak.core.material;

import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Finding;

/**
 * What is worth remembering of a file once it has been looked into: enough to say what it is for, without its thousand
 * members.
 *
 * @param bytes its size
 * @param banner the line by which its kernel names itself
 * @param release the kernel's release
 * @param osVersion of the boot image in it
 * @param patchLevel of the boot image in it, as ISO 8601 year and month
 * @param board what its boot image says it is for; empty text if it says nothing
 * @param members the plain names in it, the first {@value #MOST_MEMBERS} at any depth
 */
public record Material(
        String name,
        long bytes,
        FileKind kind,
        Digests digests,
        List<String> devices,
        List<Write> writes,
        Optional<String> banner,
        Optional<String> release,
        Optional<String> osVersion,
        Optional<String> patchLevel,
        String board,
        List<String> members,
        List<Finding> findings) {
    private static final int MOST_MEMBERS = 200;

    public Material {
        devices = List.copyOf(devices);
        writes = List.copyOf(writes);
        members = List.copyOf(members);
        findings = List.copyOf(findings);
    }

    /** The same for a phone whose partitions are called so: families call the same thing by different names. */
    public Material by(PartitionNames names) {
        return new Material(
                name,
                bytes,
                kind,
                digests,
                devices,
                writes.stream().map(write -> write.by(names)).toList(),
                banner,
                release,
                osVersion,
                patchLevel,
                board,
                members,
                findings);
    }

    /** What is remembered of an inspection. */
    public static Material of(Inspection inspection) {
        return new Material(
                inspection.name(),
                inspection.bytes(),
                inspection.kind(),
                inspection.digests().orElse(new Digests(Map.of())),
                inspection.devices(),
                inspection.writes(),
                inspection.kernel().flatMap(About.Kernel::banner),
                inspection.kernel().flatMap(About.Kernel::release),
                inspection.boot().flatMap(About.BootImage::osVersion),
                inspection.boot().flatMap(About.BootImage::patchLevel).map(YearMonth::toString),
                inspection.boot().map(About.BootImage::name).orElse(""),
                inspection
                        .root()
                        .all()
                        .skip(1)
                        .map(Part::plainName)
                        .limit(MOST_MEMBERS)
                        .toList(),
                inspection.findings());
    }
}
