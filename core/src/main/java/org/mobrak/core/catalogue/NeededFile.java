package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/**
 * A file the route needs.
 *
 * @param bytes its size
 * @param md5 lower-case hexadecimal, as most sources give it
 * @param sha1 lower-case hexadecimal
 * @param sha256 lower-case hexadecimal
 * @param slot the one slot it belongs in, as the flasher of the route's version calls it
 * @param partition what it is written to
 * @param keepZipped whether it must stay as it is; absent where that does not matter
 * @param where {@code phone} or {@code computer}; the phone if absent
 * @param inside the archive that it comes in, to be unpacked once
 * @param holds what the source says is in it: the kernel's release and build date, OS version and patch level
 */
public record NeededFile(
        String name,
        String role,
        Optional<Long> bytes,
        Optional<String> md5,
        Optional<String> sha1,
        Optional<String> sha256,
        Optional<String> slot,
        Optional<PartitionClass> partition,
        Optional<Boolean> keepZipped,
        Optional<String> where,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) Optional<String> inside,
        Map<Fact, String> holds) {
    public NeededFile {
        holds = holds == null ? Map.of() : Map.copyOf(holds);
    }

    /** Whether it is copied to the phone, and not only used on the computer. */
    public boolean goesToPhone() {
        return where.filter("computer"::equals).isEmpty();
    }

    /** Its name and, where a flasher has one for it, its slot, for a person. */
    public String placed() {
        return slot.map(one -> "%s, into the slot of the %s and no other".formatted(name, one))
                .orElse(name);
    }

    /** Whether there is anything to check its bytes against. */
    public boolean hasDigest() {
        return !digests().isEmpty();
    }

    /** What the source says its digests are, by the name of the digest, the strongest first. */
    public Map<String, String> digests() {
        Map<String, String> digests = new LinkedHashMap<>();
        sha256.ifPresent(value -> digests.put("SHA-256", value));
        sha1.ifPresent(value -> digests.put("SHA-1", value));
        md5.ifPresent(value -> digests.put("MD5", value));
        return digests;
    }
}
