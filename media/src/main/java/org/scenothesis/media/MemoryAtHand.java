package org.scenothesis.media;

import java.nio.file.Path;
import java.util.Locale;

/// Says before work begins that a picture is too large for the memory at hand, instead of failing in the middle of it.
public final class MemoryAtHand {
    /// Bytes per pixel that showing or laying a picture takes, with what it is laid on.
    public static final int WHOLE = 36;
    /// Bytes per pixel of one more layer: its picture, its element, its shadow.
    public static final int LAYER = 30;
    /// Bytes per pixel that keying takes.
    public static final int KEYING = 130;
    /// Bytes per pixel that laying an element over another picture takes.
    public static final int OVER = 56;

    private static final double SHARE = 0.8;

    private MemoryAtHand() {}

    public static boolean fits(long pixels, int bytesPerPixel) {
        return pixels * (double) bytesPerPixel <= SHARE * Runtime.getRuntime().maxMemory();
    }

    /// @throws FootageException if work of so many bytes per pixel would not fit
    public static void require(Path path, long pixels, int bytesPerPixel) throws FootageException {
        if (!fits(pixels, bytesPerPixel)) {
            long most = Runtime.getRuntime().maxMemory();
            long gigabytes = (long) Math.ceil(pixels * (double) bytesPerPixel / SHARE / (1L << 30));
            double below = Math.floor(SHARE * most / bytesPerPixel / 1e6);
            if (below < 1) {
                throw new FootageException(path, String.format(Locale.ENGLISH, "this needs about %d GB of memory, and %.1f GB are at "
                        + "hand; switch layers off, or start with SCENOTHESIS_HEAP=%dg.",
                    gigabytes, most / (double) (1L << 30), gigabytes
                        + 1));
            }
            throw new FootageException(path, String.format(
                    Locale.ENGLISH, "the picture has %.0f megapixels; this needs about %d GB of memory, and %.1f GB are at hand. Scale "
                            + "it below %.0f megapixels, or start with SCENOTHESIS_HEAP=%dg.",
                    pixels / 1e6, gigabytes, most / (double) (1L << 30), below, gigabytes + 1));
        }
    }

    /// Rows of a picture that fit into a fifth of the memory at hand for work of so many bytes per pixel.
    public static int rows(int width, int bytesPerPixel) {
        return (int) Math.max(1, Runtime.getRuntime().maxMemory() / 5 / ((long) width * bytesPerPixel));
    }

    /// How many times smaller on each side a picture must be for work of so many bytes per pixel; 1 where it fits as it is.
    public static int reduction(long pixels, int bytesPerPixel) {
        long most = Runtime.getRuntime().maxMemory();
        int k = 1;
        while (pixels / ((long) k * k) * (double) bytesPerPixel > SHARE / 2 * most) {
            k++;
        }
        return k;
    }
}
