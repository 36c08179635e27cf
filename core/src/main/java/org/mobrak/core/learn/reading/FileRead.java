package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A file as a guide speaks of it; filled while the guide is read. */
final class FileRead {
    final Read<String> name;
    final List<Sentence> sentences = new ArrayList<>();
    final Map<String, Read<String>> sums = new LinkedHashMap<>();
    /** Keys of the models it is for, where it stands with some; empty where it is for all. */
    final Set<String> models = new LinkedHashSet<>();
    /** OS versions it is for, by the key of the model. */
    final Map<String, Set<String>> versions = new LinkedHashMap<>();

    /** Builds it is for, by the key of the model. */
    final Map<String, Set<String>> builds = new LinkedHashMap<>();

    /** Kinds of checksum of which several are given. */
    final Set<String> disputed = new LinkedHashSet<>();

    Optional<Read<Long>> bytes = Optional.empty();
    Optional<Read<String>> slot = Optional.empty();
    Optional<Boolean> keepZipped = Optional.empty();
    Optional<String> where = Optional.empty();
    String role = "file";
    Optional<String> partition = Optional.empty();
    /** Whether it takes the place of another on some builds. */
    boolean instead;

    boolean withdrawn;
    boolean wanted;

    FileRead(Read<String> name) {
        this.name = name;
    }

    String value() {
        return name.value();
    }
}
