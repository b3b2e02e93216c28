package org.scenothesis.testkit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

/// The takes of the demo shot as small drawings under their own names: a wall, a patch that stands for the maker, a ball on green for the
/// lantern.
public final class TinyShoot {
    public static final int WIDTH = 160;
    public static final int HEIGHT = 90;
    public static final int FRAMES = 12;

    private TinyShoot() {}

    /// Writes all seven takes into `folder/footage`.
    ///
    /// @throws FootageException if a file cannot be written
    public static void film(Path folder) throws FootageException, IOException {
        Path footage = Files.createDirectories(folder.resolve("footage"));
        for (String clean : new String[] {"clean-1", "clean-2"}) {
            video(footage.resolve(clean + ".mp4"), i -> wall());
        }
        video(footage.resolve("maker-1.mp4"), i -> patched(wall(), 50 + i, 40, 0.5f));
        video(footage.resolve("lantern-1.mp4"), i -> ball(cloth()));
        Stills.write(footage.resolve("screen-only.png"), cloth(), Stills.Format.PNG8);
        Stills.write(footage.resolve("lamp-pass.png"), patched(wall(), 90, 30, 0.9f), Stills.Format.PNG8);
        Stills.write(footage.resolve("card-ruler.png"), patched(wall(), 70, 50, 0.18f), Stills.Format.PNG8);
    }

    private interface Frames {
        Picture at(int i);
    }

    private static void video(Path file, Frames frames) throws FootageException {
        try (VideoSink s = new VideoSink(file, new VideoSink.Plan(WIDTH, HEIGHT, 24, VideoFormat.H264_MP4, 9, null))) {
            for (int i = 0; i < FRAMES; i++) {
                s.write(frames.at(i));
            }
        }
    }

    /// A wall of soft blotches, always the same.
    public static Picture wall() {
        SplittableRandom r = new SplittableRandom(5);
        Picture p = Picture.filled(WIDTH, HEIGHT, 0.2f, 0.17f, 0.13f);
        for (int k = 0; k < 150; k++) {
            int left = r.nextInt(WIDTH - 9);
            int top = r.nextInt(HEIGHT - 9);
            float v = (float) r.nextDouble(0.05, 0.4);
            for (int y = top; y < top + 3 + k % 6; y++) {
                for (int x = left; x < left + 2 + k % 7; x++) {
                    p.r().data()[y * WIDTH + x] = v;
                    p.g().data()[y * WIDTH + x] = v * 0.9f;
                    p.b().data()[y * WIDTH + x] = v * 0.7f;
                }
            }
        }
        return p;
    }

    private static Picture patched(Picture p, int left, int top, float v) {
        for (int y = top; y < top + 16; y++) {
            for (int x = left; x < left + 12; x++) {
                for (Plane c : p.colours()) {
                    c.data()[y * WIDTH + x] = v;
                }
            }
        }
        return p;
    }

    private static Picture cloth() {
        return Picture.filled(WIDTH, HEIGHT, 0.05f, 0.4f, 0.1f);
    }

    /// A warm ball where the demo's lantern hangs.
    private static Picture ball(Picture p) {
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                float a = (float) Math.clamp(9.5 - Math.hypot(x + 0.5 - 0.616 * WIDTH, y + 0.5 - 0.36 * HEIGHT), 0, 1);
                float[] own = {0.7f, 0.5f, 0.25f};
                for (int c = 0; c < 3; c++) {
                    float[] d = p.colours().get(c).data();
                    d[y * WIDTH + x] += a * (own[c] - d[y * WIDTH + x]);
                }
            }
        }
        return p;
    }
}
