package org.mobrak.desktop.shell;

import java.nio.file.Path;
import java.util.List;

/** What a window can do with workspaces as a whole; one takes the place of the other. */
public interface Workspaces {
    /** Those that were open last, the latest first. */
    List<Path> recent();

    /** Where this one lies. */
    Path here();

    /** Where the program writes down what it has to say of itself. */
    Path log();

    /** Opens a workspace in place of this one; makes it where there is none. */
    void open(Path folder);

    /** Lays out the demo and opens it. */
    void demo();

    /** Moves this workspace and opens it where it then lies. */
    void move(Path to);
}
