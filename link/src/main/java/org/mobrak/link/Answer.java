package org.mobrak.link;

/** What a phone says when it is asked. */
public sealed interface Answer {

    /** It answered with this text. */
    record Text(String text) implements Answer {}

    /** It said nothing; why, and what to do about it. */
    record Silence(String why, String remedy) implements Answer {}
}
