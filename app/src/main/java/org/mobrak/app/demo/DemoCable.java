package org.mobrak.app.demo;

import com.fasterxml.jackson.core.JsonProcessingException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.function.Consumer;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Reply;
import org.mobrak.link.Request;
import org.mobrak.link.bench.BenchCable;

/** The demo's cable. What hangs on it is read when it is first looked at, since a window that opens has other things to read. */
final class DemoCable implements PhoneLink {
    private final Path workspace;
    private Optional<BenchCable> read = Optional.empty();

    DemoCable(Path workspace) {
        this.workspace = workspace;
    }

    private synchronized BenchCable bench() throws IOException {
        if (read.isEmpty()) {
            try {
                read = Optional.of(DrawerFile.bench(workspace));
            } catch (JsonProcessingException older) {
                // As an earlier Mobrak made it; everything but the cable works all the same.
                read = Optional.of(new BenchCable(List.of()));
                throw new UnreadableInput(
                        "The demo's cable was made by another Mobrak, so no phone hangs on it. Open a fresh demo.");
            }
        }
        return read.get();
    }

    @Override
    public List<String> seen() throws IOException {
        return bench().seen();
    }

    @Override
    public <T> CompletionStage<Reply<T>> send(String phone, Request<T> request, Consumer<Progress> told) {
        try {
            return bench().send(phone, request, told);
        } catch (IOException unreadable) {
            return CompletableFuture.completedFuture(new Reply.Failed<>(
                    Reply.Kind.NOT_SEEN, String.valueOf(unreadable.getMessage()), "Make the demo anew."));
        }
    }
}
