package org.mobrak.app.demo;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.function.Consumer;
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
            read = Optional.of(DrawerFile.bench(workspace));
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
