package org.mobrak.link;

import java.util.function.Consumer;
import org.mobrak.core.catalogue.PartitionClass;

/**
 * Something that is asked of a phone, or done with it.
 *
 * @param <T> what it gives when it goes well
 */
public sealed interface Request<T> {

    /** Has it done by a phone. */
    Reply<T> by(Handset phone, Consumer<PhoneLink.Progress> told);

    /** Its property list, as raw as it says it; its OS must run. */
    record Properties() implements Request<String> {
        @Override
        public Reply<String> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.properties();
        }
    }

    /** The banner of its kernel. */
    record KernelBanner() implements Request<String> {
        @Override
        public Reply<String> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.kernelBanner();
        }
    }

    /** What it says of its battery, in the form of the platform. */
    record Battery() implements Request<String> {
        @Override
        public Reply<String> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.battery();
        }
    }

    /** A restart into a mode; what the OS reads when it starts is read anew. Gives where it came to. */
    record Restart(Mode mode) implements Request<Mode> {
        @Override
        public Reply<Mode> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.restart(mode);
        }
    }

    /** A file as it lies on the phone. */
    record Pull(String path) implements Request<PhoneFile> {
        @Override
        public Reply<PhoneFile> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.pull(path);
        }
    }

    /** A file put in the place of another, or where none was. */
    record Push(String path, PhoneFile file) implements Request<PhoneFile> {
        public Push {
            file = file.copy();
        }

        @Override
        public Reply<PhoneFile> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.push(path, file, told);
        }
    }

    /** An image written over a partition; the phone must be in a mode of its loader. Gives the bytes written. */
    record Write(PartitionClass where, byte[] image) implements Request<Long> {
        public Write {
            image = image.clone();
        }

        @Override
        public Reply<Long> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.write(where, image, told);
        }
    }

    /** A package handed to a recovery, which installs it. Gives what the recovery said. */
    record Sideload(byte[] file) implements Request<String> {
        public Sideload {
            file = file.clone();
        }

        @Override
        public Reply<String> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.sideload(file, told);
        }
    }

    /**
     * An app installed in the OS.
     *
     * @param name how it is listed then
     */
    record Install(String name, byte[] file) implements Request<String> {
        public Install {
            file = file.clone();
        }

        @Override
        public Reply<String> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.install(name, file, told);
        }
    }

    /**
     * A command in the phone's shell.
     *
     * @param root whether as its highest user, which the root manager must allow
     */
    record Run(String command, boolean root) implements Request<Said> {
        @Override
        public Reply<Said> by(Handset phone, Consumer<PhoneLink.Progress> told) {
            return phone.run(command, root);
        }
    }

    /**
     * What a command said.
     *
     * @param status 0 where it went well
     */
    record Said(String text, int status) {
        /** There is no such command (POSIX.1-2017, 2.8.2). */
        public static final int NOT_FOUND = 127;
    }
}
