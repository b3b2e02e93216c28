package org.scenothesis.media;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.concurrent.TimeUnit;

/// What a file or a folder of stills looks like from outside: changes whenever it is written, moved over, or replaced.
public final class FileStamp {
    private FileStamp() {}

    /// @throws IOException if it is not there
    public static String of(Path p) throws IOException {
        MessageDigest digest = sha();
        for (Path f : files(p)) {
            digest.update(line(f).getBytes(StandardCharsets.UTF_8));
        }
        return HexFormat.of().formatHex(digest.digest(), 0, 16);
    }

    /// The same, empty if it is not there.
    public static String orNone(Path p) {
        try {
            return Files.exists(p) ? of(p) : "";
        } catch (IOException | UncheckedIOException e) {
            return "";
        }
    }

    /// The file, or the files of the folder in order; devices and pipes, which never end, are neither.
    ///
    /// @throws IOException if it is not there, or cannot be listed
    public static List<Path> files(Path p) throws IOException {
        if (Files.isRegularFile(p)) {
            return List.of(p);
        }
        if (!Files.isDirectory(p)) {
            throw new NoSuchFileException(p.toString());
        }
        try (var all = Files.list(p)) {
            return all.filter(Files::isRegularFile).sorted().toList();
        }
    }

    private static String line(Path f) throws IOException {
        BasicFileAttributes a = Files.readAttributes(f, BasicFileAttributes.class);
        Object changed = Files.getFileStore(f).supportsFileAttributeView("unix") ? Files.getAttribute(f, "unix:ctime") : "";
        return f.getFileName() + "|" + a.size() + "|" + a.lastModifiedTime().to(TimeUnit.NANOSECONDS) + "|" + a.fileKey() + "|" + changed
                + "\n";
    }

    private static MessageDigest sha() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
