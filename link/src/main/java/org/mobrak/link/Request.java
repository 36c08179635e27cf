package org.mobrak.link;

/**
 * Something that is asked of a phone besides its readings.
 *
 * @param <T> what it gives when it goes well
 */
public sealed interface Request<T> {

    /** A file as it lies on the phone. */
    record Pull(String path) implements Request<PhoneFile> {}

    /** A file put in the place of another, or where none was. */
    record Push(String path, PhoneFile file) implements Request<PhoneFile> {
        public Push {
            file = file.copy();
        }
    }

    /** A restart into the OS; what it reads when it starts is read anew. */
    record Restart() implements Request<String> {}
}
