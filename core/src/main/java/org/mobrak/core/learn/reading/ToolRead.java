package org.mobrak.core.learn.reading;

import java.util.Optional;

/** A program of the computer, or a driver. */
public record ToolRead(Read<String> name, String kind, Optional<Read<String>> atLeast, Optional<Read<String>> atMost) {}
