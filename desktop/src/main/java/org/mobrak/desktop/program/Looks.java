package org.mobrak.desktop.program;

import java.util.function.Consumer;
import java.util.function.IntConsumer;

/**
 * What a person can change of how everything looks.
 *
 * @param choose takes {@code light}, {@code dark} or {@code system}
 * @param grow larger letters by so many pixels, smaller ones by less than nought; nought for the usual
 */
public record Looks(Consumer<String> choose, IntConsumer grow) {}
