package org.scenothesis.media;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import org.jspecify.annotations.Nullable;

/// Why a disk refused something, in the words that follow what was to be done.
public final class DiskTrouble {
    private DiskTrouble() {}

    /// "the disk is full; free some room." and the like; null where the cause says nothing that a person can use.
    public static @Nullable String why(@Nullable Throwable cause) {
        for (Throwable t = cause; t != null; t = t.getCause()) {
            if (t instanceof IOException e) {
                return of(e);
            }
        }
        return null;
    }

    private static @Nullable String of(IOException e) {
        String words = String.valueOf(e.getMessage());
        String file = e instanceof FileSystemException f ? String.valueOf(f.getFile()) : "";
        if (words.contains("No space left") || words.contains("quota") || words.contains("not enough space")) {
            return "the disk is full; free some room and try again.";
        }
        if (words.contains("Read-only file system")) {
            return "the disk is read-only; choose another place, or make it writable.";
        }
        if (e instanceof AccessDeniedException || words.contains("Permission denied") || words.contains("Operation not permitted")) {
            return file + " cannot be read or written with your permissions; change them, or choose another place.";
        }
        if (e instanceof FileAlreadyExistsException || e instanceof NotDirectoryException || words.contains("Not a directory")
                || words.contains("Is a directory") || words.contains("File exists")) {
            return "a file or folder of another kind stands in the way at " + file + "; move it away.";
        }
        if (words.contains("File name too long")) {
            return "the name is too long for this disk; choose a shorter one.";
        }
        return e instanceof NoSuchFileException ? file + " is not there any more; bring it back." : null;
    }

    /// A sentence that says what could not be done and what to do, with the true reason where the cause tells it.
    public static String told(String sentence, @Nullable Throwable cause) {
        String why = why(cause);
        int remedy = sentence.indexOf(';');
        return why == null ? sentence : (remedy < 0 ? sentence.replaceAll("\\.$", "") : sentence.substring(0, remedy)) + ": " + why;
    }
}
