package org.mobrak.core.material;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;

/**
 * A piece of a file and what was found in it: the file itself, a member of an archive, a kernel within a boot image.
 *
 * @param name as the archive has it, or what it is within its image, such as {@code kernel}
 * @param bytes its size when unpacked; empty where only reading all of it would tell
 * @param about what is known of it beyond its kind
 * @param inside what lies in it, in its order
 */
public record Part(String name, OptionalLong bytes, FileKind kind, Optional<About> about, List<Part> inside) {
    public Part {
        inside = List.copyOf(inside);
    }

    /** A piece with nothing in it. */
    public static Part plain(String name, OptionalLong bytes, FileKind kind) {
        return new Part(name, bytes, kind, Optional.empty(), List.of());
    }

    /** This piece and all in it, from the outside inwards. */
    public Stream<Part> all() {
        // Streams of streams cost a multiple where an archive has twenty thousand members.
        List<Part> all = new ArrayList<>();
        addTo(all);
        return all.stream();
    }

    private void addTo(List<Part> all) {
        all.add(this);
        for (Part part : inside) {
            part.addTo(all);
        }
    }

    /** The first thing of a kind that is known of this piece or something in it. */
    public <T extends About> Optional<T> first(Class<T> type) {
        return all().map(part -> part.about().orElse(null))
                .filter(type::isInstance)
                .map(type::cast)
                .findFirst();
    }

    /** The name without the folders before it. */
    public String plainName() {
        return name.substring(name.lastIndexOf('/') + 1);
    }
}
