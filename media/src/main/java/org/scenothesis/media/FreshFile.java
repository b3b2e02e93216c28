package org.scenothesis.media;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Set;
import java.util.concurrent.ThreadLocalRandom;
import org.slf4j.LoggerFactory;

/// A file in the making: written beside its name under a random one that nobody can have laid a link on, forced to the disk, then renamed
/// over.
///
/// Whoever reads the name sees the old file or the whole new one. Closed without [#place], it leaves nothing behind.
public final class FreshFile implements AutoCloseable {
    /// What names of files in the making end in.
    public static final String ENDING = ".part";
    private static final int LONGEST = 80;

    private final Path target;
    private final Path part;
    private boolean placed;

    private FreshFile(Path target, Path part) {
        this.target = target;
        this.part = part;
    }

    /// @throws IOException if the folder is not there or cannot be written
    public static FreshFile beside(Path target) throws IOException {
        Path part = nameBeside(target);
        open(part).close();
        return new FreshFile(target.toAbsolutePath(), part);
    }

    /// A name beside a target under which it can be made, of a file or a folder.
    public static Path nameBeside(Path target) {
        Path whole = target.toAbsolutePath();
        String name = String.valueOf(whole.getFileName());
        String kept = name.length() > LONGEST ? name.substring(0, LONGEST) : name;
        return whole.resolveSibling(String.format(".%s-%016x%s", kept, ThreadLocalRandom.current().nextLong(), ENDING));
    }

    private static FileChannel open(Path part) throws IOException {
        return FileChannel.open(part, Set.of(StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS));
    }

    /// Writes a whole file at once.
    ///
    /// @throws IOException if it cannot be written; the old file is then unchanged
    public static void write(Path target, byte[] bytes) throws IOException {
        try (FreshFile f = beside(target)) {
            try (FileChannel c = FileChannel.open(f.part, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS)) {
                ByteBuffer b = ByteBuffer.wrap(bytes);
                while (b.hasRemaining()) {
                    c.write(b);
                }
            }
            f.place();
        }
    }

    /// Where to write meanwhile.
    public Path part() {
        return part;
    }

    /// Forces what was written to the disk and gives it its name.
    ///
    /// @throws IOException if that fails; the old file is then unchanged
    public void place() throws IOException {
        try (FileChannel c = FileChannel.open(part, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS)) {
            c.force(true);
        }
        Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        placed = true;
    }

    @Override
    public void close() {
        if (!placed) {
            try {
                Files.deleteIfExists(part);
            } catch (IOException e) {
                LoggerFactory.getLogger(FreshFile.class).warn("{} was not removed", part, e);
            }
        }
    }
}
