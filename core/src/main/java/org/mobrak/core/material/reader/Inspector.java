package org.mobrak.core.material.reader;

import java.io.IOException;
import java.nio.channels.Channels;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.Executor;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.DigestPass;
import org.mobrak.core.material.Digests;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.MaterialFindings;
import org.mobrak.core.material.Part;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.SparseSum;
import org.mobrak.core.material.Trailer;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.Writes;

/** Looks into files: what they are and what they would write, and what their digests are. Safe to use from several threads. */
public final class Inspector {
    private final Path temporary;
    private final Executor workers;
    private final PartitionNames names;

    /**
     * An inspector.
     *
     * @param temporary where private copies of inner archives may lie while they are looked into
     * @param workers does the arithmetic of digests
     * @param names what partitions are called
     */
    public Inspector(Path temporary, Executor workers, PartitionNames names) {
        this.temporary = temporary;
        this.workers = workers;
        this.names = names;
    }

    /**
     * Looks into one file.
     *
     * @param wanted which digests to work out; none leaves the file unread but for its headers
     * @throws UnreadableInput if there is no plain file that may be read
     * @throws java.nio.channels.ClosedByInterruptException if the thread was interrupted
     */
    public Inspection inspect(Path path, Set<Digest> wanted, Watch watch) throws IOException {
        try (SourceFile file = SourceFile.open(path)) {
            PieceInspector looker = new PieceInspector(temporary, file.bytes());
            String name = path.getFileName().toString();
            Piece piece = new Piece(
                    name, name, OptionalLong.of(file.bytes()), new Feed(file.stream()), Optional.of(file.channel()), 0);
            Part root = looker.look(piece);
            Optional<SparseSum> sum =
                    root.kind() == FileKind.SPARSE_IMAGE ? Optional.of(new SparseSum()) : Optional.empty();
            Optional<DigestPass.Result> pass = wanted.isEmpty()
                    ? Optional.empty()
                    : Optional.of(
                            new DigestPass(workers, watch).run(file.stream(), wanted, sum.map(one -> one::update)));
            sum.ifPresent(one -> one.mismatches().forEach(wrong -> looker.tell(sparseFault(piece, wrong))));
            return inspection(path, file, piece, root, pass, looker);
        }
    }

    /**
     * Looks into bytes that are at hand and in no file; digests are not worked out. Throws like {@link #inspect}.
     *
     * @param name what the bytes are called
     */
    public Inspection inspect(String name, SeekableByteChannel bytes) throws IOException {
        PieceInspector looker = new PieceInspector(temporary, bytes.size());
        Feed feed = new Feed(Channels.newInputStream(bytes));
        Piece piece = new Piece(name, name, OptionalLong.of(bytes.size()), feed, Optional.of(bytes), 0);
        Part root = looker.look(piece);
        return inspection(Path.of(name), bytes.size(), root, Optional.empty(), Optional.empty(), looker);
    }

    /**
     * Works out digests of one file without looking into it. Throws like {@link #inspect}; a file that changes meanwhile is an
     * {@link UnreadableInput} too.
     */
    public Digests digest(Path path, Set<Digest> wanted, Watch watch) throws IOException {
        try (SourceFile file = SourceFile.open(path)) {
            DigestPass.Result pass = new DigestPass(workers, watch).run(file.stream(), wanted);
            if (file.hasChanged() || pass.bytes() != file.bytes()) {
                throw new UnreadableInput(
                        path + " was changed while it was read; wait until it is whole and try again.");
            }
            return pass.digests();
        }
    }

    private static Finding sparseFault(Piece piece, SparseSum.Mismatch wrong) {
        return Finding.stop(
                "sparse-checksum",
                "“%s”: a checksum inside the image is %s, but its content comes to %s. Fetch it again."
                        .formatted(piece.path(), wrong.expected(), wrong.actual()));
    }

    private Inspection inspection(
            Path path, SourceFile file, Piece piece, Part root, Optional<DigestPass.Result> pass, PieceInspector looker)
            throws IOException {
        var trailer = pass.flatMap(DigestPass.Result::trailer)
                .filter(checked -> root.kind().isTar());
        trailer.filter(checked -> !checked.valid())
                .ifPresent(checked -> looker.tell(TarReader.trailerFault(piece, checked)));
        if (file.hasChanged()
                || pass.filter(done -> done.bytes() != file.bytes()).isPresent()) {
            looker.tell(Finding.stop(
                    "changed-while-read",
                    "“%s” was changed while it was read; wait until the copy or download is done and look again."
                            .formatted(piece.name())));
        }
        return inspection(path, file.bytes(), root, pass.map(DigestPass.Result::digests), trailer, looker);
    }

    private Inspection inspection(
            Path path,
            long bytes,
            Part root,
            Optional<Digests> digests,
            Optional<Trailer.Checked> trailer,
            PieceInspector looker) {
        List<Finding> findings = new ArrayList<>(looker.findings());
        findings.addAll(MaterialFindings.of(root));
        return new Inspection(
                path,
                bytes,
                root,
                digests,
                trailer,
                Writes.devices(root),
                new Writes(names).of(root),
                MaterialFindings.few(findings));
    }
}
