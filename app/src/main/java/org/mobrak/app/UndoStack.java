package org.mobrak.app;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What was done in this session and how it is taken back; lives on the worker thread. */
final class UndoStack {
    private final Deque<Step> done = new ArrayDeque<>();
    private final Deque<Step> undone = new ArrayDeque<>();

    /** One edit, named in a few words. */
    record Step(String name, Runnable undo, Runnable redo) {}

    /** How it stood at some time. */
    record Mark(List<Step> done, List<Step> undone) {}

    Mark mark() {
        return new Mark(List.copyOf(done), List.copyOf(undone));
    }

    /** What was remembered since is forgotten: it did not come about. */
    void backTo(Mark mark) {
        forget();
        done.addAll(mark.done());
        undone.addAll(mark.undone());
    }

    void did(Step step) {
        done.push(step);
        undone.clear();
    }

    void undo() {
        move(done, undone, Step::undo);
    }

    void redo() {
        move(undone, done, Step::redo);
    }

    /** Edits of another phone, or under a job that ended, are no longer taken back from here. */
    void forget() {
        done.clear();
        undone.clear();
    }

    Optional<String> nextUndo() {
        return Optional.ofNullable(done.peek()).map(Step::name);
    }

    Optional<String> nextRedo() {
        return Optional.ofNullable(undone.peek()).map(Step::name);
    }

    /** A step that fails stays where it is, to be tried again. */
    private static void move(Deque<Step> from, Deque<Step> to, Function<Step, Runnable> how) {
        Step step = from.peek();
        if (step != null) {
            how.apply(step).run();
            to.push(from.pop());
        }
    }
}
