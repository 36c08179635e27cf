package org.mobrak.desktop.session;

/** Something to tell the user at once. A bad one says what was wrong and what to do. */
public record Notice(boolean bad, String text) {}
