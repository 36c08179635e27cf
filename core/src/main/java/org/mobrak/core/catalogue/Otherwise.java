package org.mobrak.core.catalogue;

import java.util.Optional;

/**
 * Another way to do a step, for who likes it so; what is not said is as in the step itself.
 *
 * @param by which way
 * @param from the mode it begins in
 * @param keys what is held; empty where nothing is
 */
public record Otherwise(Habit by, String text, Optional<String> from, Optional<KeyChord> keys, Optional<String> sign) {}
