package org.mobrak.core.identity;

import java.util.Objects;
import java.util.OptionalLong;

/** Where a reading comes from, as a value: what a text is called never decides what it counts as. */
public sealed interface Origin {

    /** It stands in a text of a certain form; lines count from 1. */
    record Text(Source source, String file, int line) implements Origin {
        public Text {
            Objects.requireNonNull(source);
            Objects.requireNonNull(file);
            if (line < 1) {
                throw new IllegalArgumentException("Lines count from 1, not " + line);
            }
        }

        @Override
        public String place() {
            return file + ", line " + line;
        }
    }

    /** A person said so. */
    record Typed() implements Origin {
        private static final String PLACE = "typed in";

        @Override
        public Source source() {
            return Source.TYPED;
        }

        @Override
        public String file() {
            return PLACE;
        }

        @Override
        public String place() {
            return PLACE;
        }
    }

    /** A job of this phone, by its number, ended so. */
    record Proved(long job) implements Origin {
        @Override
        public Source source() {
            return Source.PROVED;
        }

        @Override
        public String file() {
            return "proof of job " + job;
        }

        @Override
        public String place() {
            return file();
        }
    }

    /** It follows from another reading, and stands where that one does. */
    record Derived(Origin from) implements Origin {
        @Override
        public Source source() {
            return Source.WORKED_OUT;
        }

        @Override
        public String file() {
            return from.file();
        }

        @Override
        public int line() {
            return from.line();
        }

        @Override
        public String place() {
            return from.place();
        }
    }

    /** Nobody said it; it is taken for granted to look ahead. */
    record Supposed() implements Origin {
        @Override
        public Source source() {
            return Source.WORKED_OUT;
        }

        @Override
        public String file() {
            return "supposed";
        }

        @Override
        public String place() {
            return file();
        }
    }

    /** What kind of source it is, for its rank. */
    Source source();

    /** The text's name, as the user knows it, or the word for where else it comes from. */
    String file();

    /** The line in that text, from 1; 1 where there is no text. */
    default int line() {
        return 1;
    }

    /** Where it stands, for a person: {@code listing.txt, line 12}. */
    String place();

    /** The job that brought it about, so that what was read before it is history. */
    default OptionalLong provedBy() {
        return this instanceof Proved proof ? OptionalLong.of(proof.job()) : OptionalLong.empty();
    }
}
