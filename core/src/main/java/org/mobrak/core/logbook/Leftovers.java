package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import org.apache.commons.io.file.PathUtils;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What a program that was killed left behind: told by the number of its process, which is part of the name. */
public final class Leftovers {
    private static final Logger LOG = LoggerFactory.getLogger(Leftovers.class);

    private Leftovers() {}

    /** How something begins that goes again when this program is done with it. */
    public static String named(String prefix) {
        return prefix + ProcessHandle.current().pid() + "-";
    }

    /**
     * Deletes what programs left that are gone, if it is the person's own; what is still used stays. Where that cannot be, as in a folder
     * that may be written and not read, it stays too: nobody's work waits for tidiness.
     */
    public static void sweep(Path folder, String prefix) {
        try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, prefix + "[0-9]*-*")) {
            for (Path one : left) {
                if (isOfTheDead(one, prefix) && isOurs(one)) {
                    delete(one);
                }
            }
        } catch (IOException | DirectoryIteratorException notToBeSwept) {
            LOG.info("{} was not swept", folder, notToBeSwept);
        }
    }

    private static boolean isOfTheDead(Path one, String prefix) {
        String pid = one.getFileName().toString().substring(prefix.length()).replaceFirst("-.*", "");
        return pid.matches("\\d{1,9}") && ProcessHandle.of(Long.parseLong(pid)).isEmpty();
    }

    /** Others' files in a folder that all may write into are theirs, whatever they are called. */
    private static boolean isOurs(Path one) throws IOException {
        Path home = Path.of(System.getProperty("user.home"));
        return !Files.isSymbolicLink(one)
                && (Files.notExists(home)
                        || Files.getOwner(one, LinkOption.NOFOLLOW_LINKS).equals(Files.getOwner(home)));
    }

    private static void delete(Path one) throws IOException {
        if (Files.isDirectory(one, LinkOption.NOFOLLOW_LINKS)) {
            PathUtils.deleteDirectory(one);
        } else {
            Files.deleteIfExists(one);
        }
    }
}
