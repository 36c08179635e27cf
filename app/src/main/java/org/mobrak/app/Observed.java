package org.mobrak.app;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.jspecify.annotations.Nullable;

/** A value that changes, and whoever wants to know of it. It is changed, and listeners are told, on the thread that draws. */
public final class Observed<T> {
    private final List<Listener<T>> listeners = new CopyOnWriteArrayList<>();
    private volatile @Nullable T value;

    /** @param first what it is before anything was shown; only a desk without a workspace has none */
    Observed(@Nullable T first) {
        this.value = first;
    }

    /** Told after each change. */
    public interface Listener<T> {
        void changed(Observed<T> source, @Nullable T before, T now);
    }

    /** What it is now. Whoever asks before the workspace is open asks whether there is one. */
    @SuppressWarnings("NullAway")
    public T get() {
        return value;
    }

    public void addListener(Listener<T> listener) {
        listeners.add(listener);
    }

    void set(T now) {
        @Nullable T before = value;
        value = now;
        if (before != now) {
            listeners.forEach(listener -> listener.changed(this, before, now));
        }
    }
}
