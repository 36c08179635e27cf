package org.mobrak.core.material.check;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Digest;

/** Is it, to the byte, the file the route speaks of? */
final class DigestRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        return use.needed().stream().flatMap(needed -> Stream.concat(size(use, needed), digests(use, needed)));
    }

    private static Stream<Finding> size(Use use, NeededFile needed) {
        return needed
                .bytes()
                .filter(bytes -> bytes != use.file().bytes())
                .map(bytes -> Finding.stop(
                        "size-mismatch",
                        "The route's file is %,d bytes long; this one is %,d. Fetch it again from where the route has it."
                                .formatted(bytes, use.file().bytes())))
                .stream();
    }

    private static Stream<Finding> digests(Use use, NeededFile needed) {
        return needed.digests().entrySet().stream().flatMap(said -> compare(use, said).stream());
    }

    private static Optional<Finding> compare(Use use, Map.Entry<String, String> said) {
        Digest digest = Digest.ofName(said.getKey()).orElseThrow();
        return use.file()
                .digests()
                .agrees(digest, said.getValue())
                .map(agrees -> agrees
                        ? Finding.note(
                                "digest-right",
                                "Its %s is the one the route gives: it is that file, to the byte."
                                        .formatted(digest.label()))
                        : Finding.stop(
                                "digest-mismatch",
                                "Its %s is not the one the route gives: it is damaged, or another file. Fetch it again; never write it."
                                        .formatted(digest.label())));
    }
}
