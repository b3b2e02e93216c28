package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.ExportFormat;
import org.scenothesis.production.words.Words;

/// How much room on the disk a render will take, estimated before it begins.
///
/// A video takes its room twice while its parts are joined.
public record Space(long needed, long free) {
    private static final double SPARE = 1.1;

    static Space of(Path target, ShotRenderer.Format format, int frames, ExportFormat as) throws FootageException {
        double bytes = as.bitsPerPixel() / 8 * format.width() * format.height() * frames * (as.still() ? 1 : 2);
        try {
            Path there = target.toAbsolutePath();
            while (there.getParent() != null && !Files.exists(there)) {
                there = there.getParent();
            }
            return new Space((long) bytes, Files.getFileStore(there).getUsableSpace());
        } catch (IOException e) {
            throw new FootageException(target, Words.of("space.the-disk-cannot-be-asked-for"), e);
        }
    }

    public boolean enough() {
        return free > SPARE * needed;
    }

    /// "about 1.2 GB of 30.4 GB free".
    public String words() {
        return "about " + size(needed) + " of " + size(free) + " free";
    }

    public static String size(long bytes) {
        return bytes >= 1_000_000_000 ? String.format(Locale.ENGLISH, "%.1f GB", bytes / 1e9)
                : String.format(Locale.ENGLISH, "%.1f MB", bytes / 1e6);
    }
}
