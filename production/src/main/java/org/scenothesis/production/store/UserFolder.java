package org.scenothesis.production.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.List;
import org.scenothesis.media.FreshFile;

/// What belongs to the user of this machine and to no production: `~/Scenothesis`, or where the property `scenothesis.user` says.
public final class UserFolder {
    private static final int SECRET_BYTES = 32;

    private UserFolder() {}

    public static Path path() {
        String told = System.getProperty("scenothesis.user", "");
        return told.isEmpty() ? Path.of(System.getProperty("user.home"), "Scenothesis") : Path.of(told);
    }

    /// Where failures inside the program are written down, at most three megabytes of them.
    public static Path log() {
        return path().resolve("log").resolve("scenothesis.log");
    }

    /// The lines of a list of the user's; bytes that are no letters stand as question marks, so that one bad line spoils no other.
    static List<String> lines(Path file) throws IOException {
        return new String(Files.readAllBytes(file), StandardCharsets.UTF_8).lines().toList();
    }

    /// Bytes nobody else knows, made once; what this program measured is signed with them, so that a stranger's readings are not believed.
    ///
    /// Where the folder cannot be written they last as long as the program.
    static byte[] secret() {
        Path file = path().resolve(".secret");
        try {
            if (Files.isRegularFile(file) && Files.size(file) == SECRET_BYTES) {
                return Files.readAllBytes(file);
            }
            byte[] fresh = new byte[SECRET_BYTES];
            new SecureRandom().nextBytes(fresh);
            Files.createDirectories(path());
            FreshFile.write(file, fresh);
            if (Files.getFileStore(file).supportsFileAttributeView("posix")) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
            return fresh;
        } catch (IOException e) {
            byte[] passing = new byte[SECRET_BYTES];
            new SecureRandom().nextBytes(passing);
            return passing;
        }
    }

    static void append(Path file, String line) throws IOException {
        Files.createDirectories(file.getParent());
        Files.writeString(file, line + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }
}
