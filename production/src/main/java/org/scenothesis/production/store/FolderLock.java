package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.DiskTrouble;
import org.scenothesis.media.FreshFile;
import org.scenothesis.production.words.Words;
import org.slf4j.LoggerFactory;

/// Who may write a production: whoever holds the lock on its file `.lock`. A note beside it says who that is.
///
/// The file itself is never written, so that a link laid under its name harms nothing; such a link is not followed.
final class FolderLock implements AutoCloseable {
    private final Path file;
    private final Path note;
    private @Nullable FileChannel channel;
    private @Nullable FileLock lock;
    private @Nullable Object identity;
    private String holder = "";
    private String refusal = "";

    FolderLock(Path folder) {
        file = folder.resolve(".lock");
        note = folder.resolve(".lock-owner");
    }

    boolean held() {
        return lock != null;
    }

    /// Who holds it when we do not: a process number, or "another program"; empty where nobody does.
    String holder() {
        return holder;
    }

    /// Why we do not hold it, as the words that follow "this production"; empty when we do.
    String refusal() {
        return refusal;
    }

    /// Takes the lock if nobody else has it.
    boolean take() {
        release();
        try {
            if (Files.isSymbolicLink(file)) {
                refusal = Words.of("folder-lock.cannot-be-written-in-its-folder", file.getFileName());
                return false;
            }
            FileChannel opened = FileChannel.open(
                    file, Set.of(StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.READ, LinkOption.NOFOLLOW_LINKS));
            FileLock got = tryLock(opened);
            if (got == null) {
                opened.close();
                holder = owner();
                refusal = Words.of("folder-lock.is-open-elsewhere-process-close-it", holder);
                return false;
            }
            channel = opened;
            lock = got;
            identity = identity();
            holder = "";
            refusal = "";
            sign();
            return true;
        } catch (IOException e) {
            release();
            holder = "";
            refusal = DiskTrouble.told(Words.of("folder-lock.cannot-be-written-check-its-permissions"), e);
            return false;
        }
    }

    /// The lock counts, whether the note can be written or not.
    private void sign() {
        try {
            FreshFile.write(note, String.valueOf(ProcessHandle.current().pid()).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderLock.class).debug("no note beside the lock {}", file, e);
        }
    }

    private static @Nullable FileLock tryLock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    private String owner() {
        try {
            return Files.isRegularFile(note, LinkOption.NOFOLLOW_LINKS) && Files.size(note) < 100 ? Files.readString(note).strip()
                    : "another program";
        } catch (IOException e) {
            return "another program";
        }
    }

    private @Nullable Object identity() throws IOException {
        BasicFileAttributes a = Files.readAttributes(file, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS);
        return a.fileKey();
    }

    /// Whether the lock still counts: a file that was removed is made again by the next program, and then locks nothing. Takes it anew
    /// where that is possible.
    boolean stillHeld() {
        if (identity == null) {
            return false;
        }
        try {
            if (lock != null && Objects.equals(identity, identity())) {
                return true;
            }
        } catch (IOException e) {
            // It is gone, with its folder perhaps: try to take it anew.
        }
        return take();
    }

    private void release() {
        try {
            if (lock != null) {
                lock.release();
            }
            if (channel != null) {
                channel.close();
            }
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderLock.class).warn("the lock {} was not released", file, e);
        }
        lock = null;
        channel = null;
    }

    @Override
    public void close() {
        boolean own = lock != null;
        release();
        if (own) {
            try {
                Files.deleteIfExists(note);
            } catch (IOException e) {
                // A note without a lock says nothing.
            }
        }
    }
}
