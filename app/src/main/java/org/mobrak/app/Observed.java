package org.mobrak.app;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/** A value that changes, and whoever wants to know of it. It is changed, and listeners are told, on the thread that draws. */
public final class Observed<T> {
    private final List<Listener<T>> listeners = new CopyOnWriteArrayList<>();
    private volatile T value;

    Observed(T first) {
        this.value = first;
    }

    /** Told after each change. */
    public interface Listener<T> {
        void changed(Observed<T> source, T before, T now);
    }

    public T get() {
        return value;
    }

    public void addListener(Listener<T> listener) {
        listeners.add(listener);
    }

    void set(T now) {
        T before = value;
        value = now;
        if (before != now) {
            listeners.forEach(listener -> listener.changed(this, before, now));
        }
    }
}
