package org.mobrak.core.material;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.PartitionClass;

/**
 * What a file would write. A flasher goes by the names of members, a recovery by the script; a file that is neither archive
 * nor update says nothing of where it belongs, so nothing is said.
 */
public final class Writes {
    /** No phone has so many partitions; an archive of photographs has as many files. */
    private static final int MOST_UNKNOWN = 64;

    private final PartitionNames names;

    public Writes(PartitionNames names) {
        this.names = names;
    }

    /** Each partition once, with the first reason found; of those nobody knows, the first {@value #MOST_UNKNOWN}. */
    public List<Write> of(Part root) {
        Map<String, Write> writes = new LinkedHashMap<>();
        packages(root).flatMap(this::direct).forEach(write -> writes.putIfAbsent(write.partition(), write));
        Stream<Write> unknown = writes.values().stream()
                .filter(write -> write.kind() == PartitionClass.UNKNOWN)
                .skip(MOST_UNKNOWN);
        unknown.map(Write::partition).toList().forEach(writes::remove);
        return List.copyOf(writes.values());
    }

    /** The devices that the updates in a file say they are for. */
    public static List<String> devices(Part root) {
        return root.all()
                .flatMap(part -> part.about().stream())
                .filter(About.Update.class::isInstance)
                .flatMap(about -> ((About.Update) about).devices().stream())
                .distinct()
                .toList();
    }

    /** The archives that are given to a flasher or recovery: not those that are wrapped around them. */
    private static Stream<Part> packages(Part part) {
        if (part.about().filter(About.Update.class::isInstance).isPresent()
                || part.kind().isTar()) {
            return Stream.of(part);
        }
        return wraps(part) || part.kind().isPacked()
                ? part.inside().stream().flatMap(Writes::packages)
                : Stream.of(part);
    }

    /** Whether it is a mere wrapping: somewhere in it, archives opened, lies a package. */
    private static boolean wraps(Part part) {
        return (part.kind() == FileKind.ZIP || part.kind().isPacked())
                && part.inside().stream().anyMatch(inner -> isPackage(inner) || wraps(inner));
    }

    private static boolean isPackage(Part part) {
        return part.kind().isTar() || part.kind() == FileKind.UPDATE_ZIP;
    }

    private Stream<Write> direct(Part pack) {
        Stream<Write> script =
                pack.about().filter(About.Update.class::isInstance).map(About.Update.class::cast).stream()
                        .flatMap(update -> update.touches().stream())
                        .map(touch -> write(touch.target(), "the script's " + touch.command()));
        boolean byName = pack.kind().isTar() || pack.kind() == FileKind.ZIP;
        Stream<Write> members = byName
                ? pack.inside().stream()
                        .filter(member -> isImage(member, pack))
                        .map(member -> write(member.plainName(), "the member " + member.name()))
                : Stream.empty();
        return Stream.concat(script, members);
    }

    /** In a tar every member is written, but not what lies in folders; in a plain zip only what is named like a partition. */
    private boolean isImage(Part member, Part pack) {
        boolean inFolder = member.name().indexOf('/', member.name().startsWith("./") ? 2 : 0) >= 0;
        return pack.kind().isTar()
                ? member.kind() != FileKind.TEXT && !inFolder || names.knows(names.partition(member.plainName()))
                : member.plainName().endsWith(".img")
                        || names.knows(names.partition(member.plainName()))
                                && member.plainName().contains(".");
    }

    private Write write(String place, String because) {
        String partition = names.partition(place).replaceFirst("^/", "");
        PartitionClass kind = names.classOf(partition);
        return new Write(partition, kind, because);
    }
}
