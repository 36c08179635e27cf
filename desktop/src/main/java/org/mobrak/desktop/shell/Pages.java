package org.mobrak.desktop.shell;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.animation.AnimationTimer;
import org.mobrak.app.Snapshot;
import org.mobrak.desktop.parts.View;

/**
 * The pages of the window. The one that is seen is made and shown at once; the others follow one a pulse, so that nobody waits for
 * what nobody sees, and none while something is worked out that will be seen. Whoever turns to a page before its turn has come finds it as it should be.
 */
final class Pages {
    /** What is seen was drawn by then. */
    private static final int DRAWN = 2;

    private final Map<Page, Supplier<View>> makers = new EnumMap<>(Page.class);
    private final Map<Page, View> made = new EnumMap<>(Page.class);
    /** Those that do not show yet how everything stands. */
    private final Set<Page> behind = EnumSet.noneOf(Page.class);

    private final BooleanSupplier atWork;
    private final Runnable allMade;
    private final Others others = new Others();
    private Optional<Snapshot> standing = Optional.empty();

    /**
     * @param atWork whether something is being worked out, which will want to be shown as soon as it is there
     * @param allMade is called once, when the last page was made, by its turn or because somebody turned to it
     */
    Pages(BooleanSupplier atWork, Runnable allMade) {
        this.atWork = atWork;
        this.allMade = allMade;
    }

    void add(Page page, Supplier<View> maker) {
        makers.put(page, maker);
    }

    boolean areMade() {
        return makers.isEmpty();
    }

    void show(Snapshot now, Page seen) {
        standing = Optional.of(now);
        behind.addAll(made.keySet());
        page(seen);
        others.begin();
    }

    /** A page as everything stands now. */
    View page(Page page) {
        Supplier<View> maker = makers.remove(page);
        if (maker != null) {
            made.put(page, maker.get());
            behind.add(page);
            if (areMade()) {
                allMade.run();
            }
        }
        View view = Objects.requireNonNull(made.get(page));
        if (standing.isPresent() && behind.remove(page)) {
            view.show(standing.get());
        }
        return view;
    }

    private boolean anotherFollows() {
        if (!areMade()) {
            page(makers.keySet().iterator().next());
            return true;
        }
        behind.stream().findFirst().ifPresent(this::page);
        return !behind.isEmpty();
    }

    private final class Others extends AnimationTimer {
        private int pulses;

        void begin() {
            pulses = 0;
            start();
        }

        @Override
        public void handle(long now) {
            pulses++;
            if (pulses > DRAWN && !atWork.getAsBoolean() && !anotherFollows()) {
                stop();
            }
        }
    }
}
