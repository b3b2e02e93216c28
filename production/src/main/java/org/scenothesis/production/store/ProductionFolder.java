package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Take;

/// A production on disk: `production.json`, `footage/`, `renders/`, and a `.cache/` that may be deleted at any time.
///
/// Only one process writes: it holds a lock on `.lock`, with its number in it. Others may read.
public final class ProductionFolder implements AutoCloseable {
    public static final String FILE = "production.json";
    private static final String PREVIOUS = "production.previous.json";

    private final Path folder;
    private final @Nullable FileChannel channel;
    private final @Nullable FileLock lock;
    private final String holder;
    private Production production;
    private JsonNode tree;

    private ProductionFolder(Path folder, ProductionJson.Read read, boolean write) throws StoreException {
        this.folder = folder.toAbsolutePath().normalize();
        production = read.production();
        tree = read.tree();
        FileChannel opened = null;
        FileLock held = null;
        String other = "";
        if (write) {
            try {
                opened = FileChannel.open(folder.resolve(".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.READ);
                held = tryLock(opened);
                if (held == null) {
                    other = new String(Files.readAllBytes(folder.resolve(".lock")), StandardCharsets.UTF_8).strip();
                    opened.close();
                } else {
                    opened.truncate(0);
                    opened.write(ByteBuffer.wrap(String.valueOf(ProcessHandle.current().pid()).getBytes(StandardCharsets.UTF_8)));
                }
            } catch (IOException e) {
                other = "a folder that cannot be written";
            }
        }
        channel = opened;
        lock = held;
        holder = other;
    }

    private static @Nullable FileLock tryLock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    /// Opens a folder, or the `production.json` in it, for reading and, if nobody else does, writing.
    ///
    /// @throws StoreException if there is no production, or one that cannot be read
    public static ProductionFolder open(Path path) throws StoreException {
        return open(path, true);
    }

    /// @throws StoreException if there is no production, or one that cannot be read
    public static ProductionFolder open(Path path, boolean write) throws StoreException {
        Path folder = Files.isRegularFile(path) ? path.toAbsolutePath().getParent() : path;
        Path file = folder.resolve(FILE);
        if (!Files.isRegularFile(file)) {
            throw new StoreException(path, "there is no production.json here; choose a production folder or start a new one.");
        }
        try {
            if (Files.size(file) > 32L << 20) {
                throw new StoreException(file, "the file is larger than 32 MB, which no production is; choose another.");
            }
            return new ProductionFolder(folder, ProductionJson.read(file, Files.readString(file)), write);
        } catch (MalformedInputException e) {
            throw new StoreException(file, "the file is not text; it was left as it is.", e);
        } catch (IOException e) {
            throw new StoreException(file, "the file cannot be read; check its permissions.", e);
        }
    }

    /// Makes a new production in an empty or missing folder.
    ///
    /// @throws StoreException if there is one already, or the folder cannot be written
    public static ProductionFolder create(Path folder, Production production) throws StoreException {
        if (Files.exists(folder.resolve(FILE))) {
            throw new StoreException(folder, "there is a production here already; open it, or choose another folder.");
        }
        try {
            Files.createDirectories(folder.resolve("footage"));
            replace(folder.resolve(FILE), ProductionJson.write(production, null));
        } catch (IOException e) {
            throw new StoreException(folder, "the folder cannot be written; check its permissions and the space left.", e);
        }
        return open(folder);
    }

    public Path path() {
        return folder;
    }

    public Production production() {
        return production;
    }

    public boolean writable() {
        return lock != null;
    }

    /// Who holds the production when it is not writable: a process number, or a reason.
    public String holder() {
        return holder;
    }

    public Path footage(Take take) {
        return folder.resolve(take.footage()).normalize();
    }

    public Path renders() {
        return folder.resolve("renders");
    }

    public Path cache() {
        return folder.resolve(".cache");
    }

    /// Saves: written beside, forced to disk, the old file kept as the previous one, then renamed over.
    ///
    /// @throws StoreException if it cannot be written; the file on disk is then unchanged
    public synchronized void save(Production now) throws StoreException {
        if (!writable()) {
            throw new StoreException(folder, "this production is open elsewhere (" + holder + "), so nothing was saved; close it there.");
        }
        Path file = folder.resolve(FILE);
        try {
            JsonNode written = ProductionJson.tree(now, tree);
            if (Files.exists(file)) {
                Files.copy(file, folder.resolve(PREVIOUS), StandardCopyOption.REPLACE_EXISTING);
            }
            replace(file, ProductionJson.write(now, tree));
            tree = written;
            production = now;
        } catch (IOException e) {
            throw new StoreException(file, "the change could not be saved; check the space left on the disk and the folder's permissions.", e);
        }
    }

    private static void replace(Path file, String text) throws IOException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try (FileChannel c = FileChannel.open(part, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            ByteBuffer bytes = ByteBuffer.wrap(text.getBytes(StandardCharsets.UTF_8));
            while (bytes.hasRemaining()) {
                c.write(bytes);
            }
            c.force(true);
        }
        Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }

    /// Brings footage into the folder if it lies outside, and gives its path relative to it.
    ///
    /// @throws StoreException if it cannot be copied
    public String bringIn(Path source) throws StoreException {
        Path from = source.toAbsolutePath().normalize();
        if (from.startsWith(folder)) {
            return folder.relativize(from).toString().replace('\\', '/');
        }
        try {
            Path to = free(folder.resolve("footage"), String.valueOf(from.getFileName()));
            Files.createDirectories(to.getParent());
            if (Files.isDirectory(from)) {
                copyFolder(from, to);
            } else {
                Path part = to.resolveSibling(to.getFileName() + ".part");
                Files.copy(from, part, StandardCopyOption.REPLACE_EXISTING);
                Files.move(part, to, StandardCopyOption.ATOMIC_MOVE);
            }
            return folder.relativize(to).toString().replace('\\', '/');
        } catch (IOException e) {
            throw new StoreException(source, "the footage could not be copied into the production; check the space left on the disk.", e);
        }
    }

    private static void copyFolder(Path from, Path to) throws IOException {
        Files.createDirectories(to);
        try (var files = Files.list(from)) {
            for (Path f : files.filter(Files::isRegularFile).toList()) {
                Files.copy(f, to.resolve(f.getFileName()));
            }
        }
    }

    private static Path free(Path folder, String name) {
        Path p = folder.resolve(name);
        int dot = name.lastIndexOf('.');
        for (int i = 2; Files.exists(p); i++) {
            p = folder.resolve(dot > 0 ? name.substring(0, dot) + "-" + i + name.substring(dot) : name + "-" + i);
        }
        return p;
    }

    @Override
    public void close() {
        try {
            if (lock != null) {
                lock.release();
            }
            if (channel != null) {
                channel.close();
            }
        } catch (IOException e) {
            org.slf4j.LoggerFactory.getLogger(ProductionFolder.class).warn("the lock of {} was not released", folder, e);
        }
    }
}
