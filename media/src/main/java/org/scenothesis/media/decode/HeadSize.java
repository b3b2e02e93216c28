package org.scenothesis.media.decode;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.FootageException;

/// How large a still says that it is, read from its head before anything is unpacked.
final class HeadSize {
    private static final long PNG = 0x89504e470d0a1a0aL;
    private static final int SIDE = 128;
    private static final double LIBRARY = Integer.MAX_VALUE / 8.0;
    private static final int MOST_MEGAPIXELS = 260;

    private HeadSize() {}

    /// @throws FootageException if a still is larger than any that can be worked with
    static void bounded(Path path) throws FootageException {
        if (Footages.isStill(path)) {
            long[] size = of(path);
            if (size != null) {
                bounded(path, size[0], size[1]);
            }
        }
    }

    /// @throws FootageException if a picture is larger than any that can be worked with
    static void bounded(Path path, long width, long height) throws FootageException {
        // Both the library's bound, which counts some room at the sides, and ours.
        if ((double) width * height > Plane.MAX_PIXELS || (width + SIDE) * (double) (height + SIDE) >= LIBRARY) {
            throw new FootageException(path,
                    String.format(Locale.ENGLISH, "the picture is too large (%dx%d, %.0f megapixels); scale it below %d megapixels.",
                    width, height, (double) width * height / 1e6, MOST_MEGAPIXELS));
        }
    }

    /// Width and height, null where the head does not say.
    private static long @Nullable [] of(Path path) {
        try (FileChannel file = FileChannel.open(path)) {
            ByteBuffer head = ByteBuffer.allocate(24);
            if (file.read(head, 0) == 24 && head.getLong(0) == PNG) {
                return new long[] {Integer.toUnsignedLong(head.getInt(16)), Integer.toUnsignedLong(head.getInt(20))};
            }
            ExrHead exr = ExrHead.of(file);
            return exr != null ? new long[] {exr.width(), exr.height()} : byLibrary(path);
        } catch (IOException | UncheckedIOException e) {
            // What cannot be read is said when it is opened.
            return null;
        }
    }

    private static long @Nullable [] byLibrary(Path path) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(path.toFile())) {
            var readers = in == null ? null : ImageIO.getImageReaders(in);
            if (readers == null || !readers.hasNext()) {
                return null;
            }
            ImageReader r = readers.next();
            try {
                r.setInput(in, true, true);
                return new long[] {r.getWidth(0), r.getHeight(0)};
            } catch (RuntimeException e) {
                // Its readers throw whatever a damaged head leads them to.
                return null;
            } finally {
                r.dispose();
            }
        }
    }
}
