package org.scenothesis.testkit;

import java.nio.file.Path;
import java.util.SplittableRandom;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

/// A clip of a blotchy surface that drifts on a known way: `STEP_X`, `STEP_Y` pixels a frame.
public final class DriftingClip {
    public static final int WIDTH = 256;
    public static final int HEIGHT = 144;
    public static final int STEP_X = 3;
    public static final int STEP_Y = 1;

    private DriftingClip() {}

    /// @throws FootageException if the file cannot be written
    public static void write(Path file, int frames) throws FootageException {
        Picture wide = surface(WIDTH + STEP_X * frames, HEIGHT + STEP_Y * frames);
        try (VideoSink s = new VideoSink(file, new VideoSink.Plan(WIDTH, HEIGHT, 25, VideoFormat.H264_MP4, frames, null))) {
            for (int i = 0; i < frames; i++) {
                int left = STEP_X * (frames - i);
                int top = STEP_Y * (frames - i);
                s.write(new Box(left, top, left + WIDTH, top + HEIGHT).cut(wide));
            }
        }
    }

    private static Picture surface(int w, int h) {
        SplittableRandom r = new SplittableRandom(9);
        Picture p = Picture.of(w, h);
        for (int i = 0; i < w * h; i++) {
            float v = (float) r.nextDouble();
            for (int c = 0; c < 3; c++) {
                p.colours().get(c).data()[i] = v;
            }
        }
        Picture soft = Blur.gaussian(p, 2, Bands.sequential());
        for (int c = 0; c < 3; c++) {
            float[] d = soft.colours().get(c).data();
            for (int i = 0; i < d.length; i++) {
                d[i] = Math.clamp(0.3f + 2.5f * (d[i] - 0.5f), 0.02f, 0.95f);
            }
        }
        return soft;
    }
}
