package org.mobrak.desktop;

import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;

/** Why something on a disk did not go, in words: what the computer itself says is often only the file's name. */
final class FileWords {
    private FileWords() {}

    static String of(Exception refused) {
        if (refused instanceof FileAlreadyExistsException || refused instanceof NotDirectoryException) {
            return file(refused) + " is a file, not a folder. Choose a folder.";
        }
        if (refused instanceof AccessDeniedException) {
            return file(refused) + " may not be read or written by you. Change who may, or choose another folder.";
        }
        if (refused instanceof NoSuchFileException) {
            return file(refused) + " is not there.";
        }
        String said = refused.getMessage();
        return said == null || said.isBlank()
                ? "It failed: " + refused.getClass().getSimpleName()
                : said;
    }

    private static String file(Exception refused) {
        return refused instanceof FileSystemException named ? named.getFile() : String.valueOf(refused.getMessage());
    }
}
