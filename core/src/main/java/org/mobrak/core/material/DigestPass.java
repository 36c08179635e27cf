package org.mobrak.core.material;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.ClosedByInterruptException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.function.ObjIntConsumer;

/**
 * Works out several digests of a stream while it goes past once.
 *
 * <p>Each digest has its own line of work, so a slow one does not hold up the others; a block is read anew only when the
 * slowest has done with it. Memory: at most {@value #BLOCKS} blocks of {@value #BLOCK_BYTES} bytes.
 */
public final class DigestPass {
    private static final int BLOCK_BYTES = 1 << 18;
    private static final int BLOCKS = 16;

    private final Executor workers;
    private final Watch watch;

    /**
     * A pass.
     *
     * @param workers does the arithmetic; two of them already halve the time
     * @param watch is told of each block
     */
    public DigestPass(Executor workers, Watch watch) {
        this.workers = workers;
        this.watch = watch;
    }

    /**
     * What a pass found.
     *
     * @param trailer the line at the end, held against what comes before it; only where MD5 was asked for
     */
    public record Result(Digests digests, long bytes, Optional<Trailer.Checked> trailer) {}

    private static final class Block {
        private final byte[] bytes = new byte[BLOCK_BYTES];
        private int length;
        private CompletableFuture<Void> done = CompletableFuture.completedFuture(null);
    }

    /**
     * Reads a stream to its end.
     *
     * @throws ClosedByInterruptException if the thread was interrupted
     */
    public Result run(InputStream in, Set<Digest> wanted) throws IOException {
        return run(in, wanted, Optional.empty());
    }

    /**
     * Reads a stream to its end and lets somebody else see each block too, in order.
     *
     * @param onlooker takes the bytes and how many of them count
     */
    public Result run(InputStream in, Set<Digest> wanted, Optional<ObjIntConsumer<byte[]>> onlooker)
            throws IOException {
        Map<Digest, Running> running = new EnumMap<>(Digest.class);
        wanted.forEach(digest -> running.put(digest, Running.of(digest)));
        Map<Digest, CompletableFuture<Void>> lines = new EnumMap<>(Digest.class);
        wanted.forEach(digest -> lines.put(digest, CompletableFuture.completedFuture(null)));
        long total = readAll(in, running, lines, onlooker);
        await(CompletableFuture.allOf(lines.values().toArray(CompletableFuture[]::new)));
        Map<Digest, String> values = new EnumMap<>(Digest.class);
        running.forEach((digest, one) -> values.put(digest, one.hex()));
        return new Result(
                new Digests(values),
                total,
                Optional.ofNullable(running.get(Digest.MD5)).flatMap(Running::trailer));
    }

    private long readAll(
            InputStream in,
            Map<Digest, Running> running,
            Map<Digest, CompletableFuture<Void>> lines,
            Optional<ObjIntConsumer<byte[]>> onlooker)
            throws IOException {
        Deque<Block> blocks = new ArrayDeque<>();
        long total = 0;
        while (true) {
            // A small file never needs a second one.
            boolean another = blocks.isEmpty() || !blocks.peek().done.isDone() && blocks.size() < BLOCKS;
            Block block = another ? new Block() : blocks.remove();
            await(block.done);
            block.length = in.readNBytes(block.bytes, 0, BLOCK_BYTES);
            if (block.length == 0) {
                return total;
            }
            total += block.length;
            watch.read(block.length);
            onlooker.ifPresent(one -> one.accept(block.bytes, block.length));
            List<CompletableFuture<Void>> uses = new ArrayList<>();
            running.forEach((digest, one) -> uses.add(lines.compute(
                    digest,
                    (same, before) -> before.thenRunAsync(() -> one.update(block.bytes, block.length), workers))));
            block.done = CompletableFuture.allOf(uses.toArray(CompletableFuture[]::new));
            blocks.add(block);
        }
    }

    private static void await(CompletableFuture<Void> work) throws IOException {
        try {
            work.get();
        } catch (InterruptedException cancelled) {
            Thread.currentThread().interrupt();
            throw new ClosedByInterruptException();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        }
    }
}
