package org.scenothesis.media.decode;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.NaturalOrder;

/// Opens footage of any supported kind from a path.
public final class Footages {
    private static final Set<String> STILLS = Set.of("png", "jpg", "jpeg", "tif", "tiff", "exr", "bmp", "dpx", "webp", "jp2", "j2k", "ppm",
            "pgm");

    private static final Set<String> CLIPS = Set.of("mp4", "m4v", "mov", "mkv", "webm", "avi", "mts", "m2ts", "ts", "mpg", "mpeg", "mxf",
            "3gp", "gif", "apng", "dv", "ogv");
    private static final Set<String> SOUNDS = Set.of("wav", "flac", "mp3", "aac", "m4a", "aif", "aiff", "ogg", "oga", "opus", "w64");

    private static final Set<String> OTHERS = Set.of("heic", "heif", "avif", "jxl", "svg", "dng", "cr2", "cr3", "nef", "arw", "raf", "rw2",
            "orf", "wmv", "flv", "vob", "y4m", "insv", "raw");

    private Footages() {}

    /// Whether a file's name says that it is a clip or a still; what is in it may still be something else.
    public static boolean isFootage(Path p) {
        return isStill(p) || CLIPS.contains(extension(p));
    }

    /// Whether a file's name says that it is a picture or clip of a kind that is not read here.
    public static boolean isOther(Path p) {
        return OTHERS.contains(extension(p));
    }

    /// Whether a file's name says that it is sound alone.
    public static boolean isSound(Path p) {
        return SOUNDS.contains(extension(p));
    }

    /// Opens a video, a still, or a folder of stills, read as the file says.
    ///
    /// @throws FootageException if there is nothing there that can be read
    public static Footage open(Path path) throws FootageException {
        return open(FootageSource.of(path));
    }

    /// Opens a video, a still, or a folder of stills, read as the crew says.
    ///
    /// @throws FootageException if there is nothing there that can be read
    public static Footage open(FootageSource source) throws FootageException {
        return open(source, Math.max(1, Runtime.getRuntime().availableProcessors()));
    }

    /// The same, by so many threads: one where many files are open at once, since each thread holds frames of its own.
    ///
    /// @throws FootageException if there is nothing there that can be read
    static Footage open(FootageSource source, int threads) throws FootageException {
        Path path = source.path();
        if (Files.isDirectory(path)) {
            return new SequenceFootage(source, stillsIn(path));
        }
        if (!Files.isRegularFile(path)) {
            throw new FootageException(path, Files.exists(path) ? "this is a device or a pipe and no file; copy the footage into a file."
                    : "there is no such file; check the path.");
        }
        try {
            if (Files.size(path) == 0) {
                throw new FootageException(path, "the file is empty; copy it again from the camera.");
            }
        } catch (IOException e) {
            throw new FootageException(path, "the file cannot be read; check its permissions.", e);
        }
        return new VideoFootage(source, threads);
    }

    /// The stills of a folder in natural order of their names.
    static List<Path> stillsIn(Path folder) throws FootageException {
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> found = files.filter(Files::isRegularFile)
                    .filter(p -> STILLS.contains(extension(p)))
                    .sorted(NaturalOrder.INSTANCE)
                    .toList();
            if (found.isEmpty()) {
                throw new FootageException(folder, "the folder holds no stills (PNG, JPEG, TIFF or EXR).");
            }
            return found;
        } catch (IOException e) {
            throw new FootageException(folder, "the folder cannot be listed; check its permissions.", e);
        }
    }

    /// The lower-case extension of a file name, empty if there is none.
    public static String extension(Path p) {
        String name = p.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return dot < 0 ? "" : name.substring(dot + 1).toLowerCase(Locale.ROOT);
    }

    /// Whether a file's name says that it is a still.
    public static boolean isStill(Path p) {
        return STILLS.contains(extension(p));
    }
}
