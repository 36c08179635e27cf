package org.mobrak.app.demo;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import org.mobrak.link.Answer;
import org.mobrak.link.Bench;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Reply;
import org.mobrak.link.Request;

/** The demo's cable. What hangs on it is read when it is first looked at, since a window that opens has other things to read. */
final class DemoCable implements PhoneLink {
    private final Path demo;
    private Optional<Bench> read = Optional.empty();

    DemoCable(Path demo) {
        this.demo = demo;
    }

    private synchronized Bench bench() throws IOException {
        if (read.isEmpty()) {
            read = Optional.of(DrawerFile.bench(demo));
        }
        return read.get();
    }

    @Override
    public List<String> seen() throws IOException {
        return bench().seen();
    }

    @Override
    public Answer ask(String phone, Question question) throws InterruptedException {
        try {
            return bench().ask(phone, question);
        } catch (IOException unreadable) {
            return new Answer.Silence(why(unreadable), "Make the demo anew.");
        }
    }

    @Override
    public <T> CompletionStage<Reply<T>> send(String phone, Request<T> request) {
        try {
            return bench().send(phone, request);
        } catch (IOException unreadable) {
            return CompletableFuture.completedFuture(
                    new Reply.Failed<>(Reply.Kind.NOT_SEEN, why(unreadable), "Make the demo anew."));
        }
    }

    private static String why(IOException unreadable) {
        return "The demo's cable cannot be read: " + unreadable.getMessage() + ".";
    }
}
