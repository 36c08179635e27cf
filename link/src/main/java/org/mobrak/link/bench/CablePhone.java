package org.mobrak.link.bench;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Handset;
import org.mobrak.link.Mode;
import org.mobrak.link.PhoneFile;
import org.mobrak.link.PhoneLink.Progress;
import org.mobrak.link.Reply;
import org.mobrak.link.Reply.Failed;
import org.mobrak.link.Reply.Kind;
import org.mobrak.link.Request;
import org.mobrak.link.bench.Stimulus.Image;

/**
 * A bench phone as a computer reaches it: the same truth, the same state and the same rules as the phone that is rehearsed on, and
 * what lies on it. It does one thing after the other; whoever comes meanwhile is told so.
 */
public final class CablePhone implements Handset {
    /** Where this phone has the properties it reads when it starts. */
    public static final String PROPERTIES = "/system/build.prop";

    private static final Set<Mode> LOADER = Set.of(Mode.DOWNLOAD, Mode.FLASH_CONSOLE);
    /** So many times progress is told (our own choice). */
    private static final int PIECES = 20;

    private static final double BYTES_OF_A_MEGABYTE = 1_000_000;

    private final String name;
    private final BenchTruth truth;
    private final PhoneContents contents;
    private final AtomicBoolean busy = new AtomicBoolean();
    private BenchState state;

    /**
     * A phone.
     *
     * @param name what a person sees of it, since the cable shows no model
     * @param listing what it answers when asked for its properties, besides those of its file
     * @param banner its kernel's banner
     */
    public CablePhone(String name, BenchTruth truth, String listing, String banner, Map<String, PhoneFile> files) {
        this.name = name;
        this.truth = truth;
        this.contents = new PhoneContents(listing, banner, files);
        this.state = BenchState.of(truth);
    }

    public String name() {
        return name;
    }

    /** Something is done to it that no cable does: keys, a plug, time. */
    public synchronized Turn does(Stimulus stimulus) {
        Turn turn = stimulus.on(truth, state);
        boolean started = state.mode() != Mode.OS || stimulus instanceof Stimulus.Restart;
        take(turn.state());
        if (started && state.mode() == Mode.OS) {
            contents.start();
        }
        return turn;
    }

    synchronized boolean isOnTheCable() {
        return state.wire().cable() != Cable.NONE;
    }

    <T> Reply<T> answer(Request<T> request, Consumer<Progress> told) {
        if (!busy.compareAndSet(false, true)) {
            return new Failed<>(Kind.BUSY, "It is busy with what was asked before.", "Wait until that is done.");
        }
        try {
            return request.by(this, told);
        } finally {
            busy.set(false);
        }
    }

    private synchronized void take(BenchState after) {
        if (after.inside().wiped() && !state.inside().wiped()) {
            contents.wipe();
        }
        state = after;
    }

    private synchronized BenchState state() {
        return state;
    }

    @Override
    public Reply<String> properties() {
        return fromTheOs(contents::properties);
    }

    @Override
    public Reply<String> kernelBanner() {
        return fromTheOs(contents::banner);
    }

    @Override
    public Reply<String> battery() {
        return fromTheOs(() -> String.format(
                Locale.ROOT,
                "Current battery state:%n  present: true%n  level: %d%n  scale: 100%n  temperature: %d%n",
                Math.round(state.battery()),
                Math.round(state.celsius() * 10)));
    }

    private synchronized Reply<String> fromTheOs(Supplier<String> says) {
        Optional<Failed<String>> shut = shut(Set.of(Mode.OS));
        return shut.<Reply<String>>map(failed -> failed).orElseGet(() -> new Reply.Done<>(says.get()));
    }

    private synchronized <T> Optional<Failed<T>> shut(Set<Mode> wanted) {
        return Reach.shut(state, wanted);
    }

    private boolean is(Fact fact, String value) {
        return state.inside().is(fact, value);
    }

    private boolean isRooted() {
        return is(Fact.ROOT, "permanent") || is(Fact.ROOT, "temporary");
    }

    @Override
    public synchronized Reply<Mode> restart(Mode mode) {
        Optional<Failed<Mode>> shut = shut(Set.of(Mode.OS, Mode.RECOVERY, Mode.DOWNLOAD, Mode.FLASH_CONSOLE));
        if (shut.isPresent()) {
            return shut.get();
        }
        Turn turn = does(new Stimulus.Restart(mode));
        return turn.done()
                ? new Reply.Done<>(state.mode())
                : new Failed<>(
                        Kind.REFUSED,
                        "It came to something else: " + state.mode().screen() + ".",
                        "Hold the power key until it is off, and see what was written last.");
    }

    @Override
    public synchronized Reply<PhoneFile> pull(String path) {
        Optional<Failed<PhoneFile>> shut = shut(Set.of(Mode.OS, Mode.RECOVERY));
        return shut.<Reply<PhoneFile>>map(failed -> failed)
                .or(() -> noCard(path))
                .or(() -> contents.file(path).map(Reply.Done::new))
                .orElseGet(() -> new Failed<>(
                        Kind.NO_SUCH_FILE, "It has no file " + path + ".", "Look for it with a file manager."));
    }

    private Optional<Reply<PhoneFile>> noCard(String path) {
        return PhoneContents.isOnCard(path) && !is(Fact.CARD, "yes")
                ? Optional.of(new Failed<>(Kind.NO_SUCH_FILE, "There is no card in it.", "Put the card in."))
                : Optional.empty();
    }

    @Override
    public Reply<PhoneFile> push(String path, PhoneFile file, Consumer<Progress> told) {
        Optional<Reply<PhoneFile>> shut = this.<PhoneFile>shut(Set.of(Mode.OS, Mode.RECOVERY))
                .<Reply<PhoneFile>>map(failed -> failed)
                .or(() -> noCard(path))
                .or(() -> PhoneContents.isOfTheUser(path) || isRooted()
                        ? Optional.empty()
                        : Optional.of(new Failed<>(
                                Kind.NO_RIGHT,
                                "It lets nobody write its system files.",
                                "Root it first, and allow the shell when the manager asks.")));
        if (shut.isPresent()) {
            return shut.get();
        }
        if (!sends(file.content().length, told)) {
            return broken();
        }
        synchronized (this) {
            contents.put(path, file);
        }
        return new Reply.Done<>(file.copy());
    }

    /** Sends bytes piece by piece; false where the cable was pulled meanwhile. */
    private boolean sends(long bytes, Consumer<Progress> told) {
        double seconds = bytes / BYTES_OF_A_MEGABYTE / truth.nature().writeMegabytes();
        for (int piece = 1; piece <= PIECES; piece++) {
            synchronized (this) {
                if (!state.hasPort()) {
                    return false;
                }
                take(state.working(truth, seconds / PIECES));
            }
            told.accept(new Progress(bytes * piece / PIECES, bytes));
        }
        return true;
    }

    private static <T> Failed<T> broken() {
        return new Failed<>(
                Kind.BROKEN_OFF,
                "The port is gone in the middle of the work.",
                "Plug it in again, bring it into the same mode and do it once more before it starts.");
    }

    @Override
    public Reply<Long> write(PartitionClass where, byte[] image, Consumer<Progress> told) {
        Optional<Failed<Long>> shut = shut(LOADER);
        if (shut.isPresent()) {
            return shut.get();
        }
        if (is(Fact.LOCK, "locked") && state().mode() == Mode.FLASH_CONSOLE) {
            return new Failed<>(
                    Kind.REFUSED,
                    "Its bootloader is locked and takes nothing unsigned.",
                    "Unlock it first; that wipes the data.");
        }
        ImageLook.Seen seen = new ImageLook(truth).look(image);
        if (!sends(image.length, told)) {
            breakOff(where);
            return broken();
        }
        Turn turn = work(Map.of(where, seen.worth()), effects(where, seen), where == PartitionClass.DATA);
        return turn.done() ? new Reply.Done<>((long) image.length) : refused(turn);
    }

    /** What is so after a write, by what the bytes say. */
    private static Map<Fact, String> effects(PartitionClass where, ImageLook.Seen seen) {
        Map<Fact, String> now = new EnumMap<>(Fact.class);
        if (where == PartitionClass.RECOVERY) {
            now.put(Fact.RECOVERY, "custom");
        }
        if (where == PartitionClass.KERNEL) {
            seen.kernelRelease().ifPresent(release -> now.put(Fact.KERNEL_RELEASE, release));
            now.put(Fact.KERNEL_KIND, "custom");
        }
        return now;
    }

    /** What is sent whole before its first byte is written stays as it was. */
    private synchronized void breakOff(PartitionClass where) {
        if (!Works.isSentFirst(where)) {
            take(state.with(state.inside().broken(Set.of(where), Set.of())));
        }
    }

    private Turn work(Map<PartitionClass, Image> images, Map<Fact, String> effects, boolean wipes) {
        return does(new Stimulus.Work(new Stimulus.Task(
                Set.of(), false, images, effects, wipes, Truth.YES, 0, OptionalDouble.empty(), true)));
    }

    private static <T> Failed<T> refused(Turn turn) {
        String said = turn.seen().isEmpty()
                ? "It refuses."
                : turn.seen().get(turn.seen().size() - 1).text();
        return new Failed<>(Kind.REFUSED, said + ".", "Hold file and phone against each other once more.");
    }

    @Override
    public Reply<String> sideload(byte[] file, Consumer<Progress> told) {
        Optional<Failed<String>> shut = shut(Set.of(Mode.RECOVERY));
        if (shut.isPresent()) {
            return shut.get();
        }
        ImageLook.Seen seen = new ImageLook(truth).look(file);
        if (!sends(file.length, told)) {
            return broken();
        }
        if (seen.worth() == Image.DAMAGED) {
            return new Failed<>(Kind.REFUSED, "The recovery says that the package is damaged.", "Fetch it anew.");
        }
        if (seen.worth() == Image.FOREIGN) {
            return new Failed<>(
                    Kind.REFUSED,
                    "The recovery says that the package is for another phone.",
                    "Take the one for this phone.");
        }
        if (!is(Fact.RECOVERY, "custom")) {
            return new Failed<>(
                    Kind.REFUSED,
                    "The stock recovery takes only what its maker signed.",
                    "Bring a custom recovery first.");
        }
        Map<PartitionClass, Image> images = seen.in().writes().stream()
                .map(write -> write.kind())
                .filter(kind -> kind != PartitionClass.UNKNOWN && kind != PartitionClass.APP)
                .distinct()
                .collect(Collectors.toMap(kind -> kind, kind -> Image.RIGHT));
        Turn turn = work(images, Map.of(), false);
        return turn.done() ? new Reply.Done<>("The recovery says that it is installed.") : refused(turn);
    }

    @Override
    public Reply<String> install(String app, byte[] file, Consumer<Progress> told) {
        Optional<Failed<String>> shut = shut(Set.of(Mode.OS));
        if (shut.isPresent()) {
            return shut.get();
        }
        if (!sends(file.length, told)) {
            return broken();
        }
        synchronized (this) {
            contents.install(app);
        }
        return new Reply.Done<>("Installed.");
    }

    @Override
    public synchronized Reply<Request.Said> run(String command, boolean root) {
        Optional<Failed<Request.Said>> shut = shut(Set.of(Mode.OS));
        if (shut.isPresent()) {
            return shut.get();
        }
        if (root && !isRooted()) {
            return new Reply.Done<>(CableShell.notFound("su"));
        }
        return new Reply.Done<>(new CableShell(contents, root).run(command));
    }
}
