package org.scenothesis.bench;

import java.util.SplittableRandom;
import org.scenothesis.core.picture.Picture;

/// Pictures to measure with.
final class Pictures {
    private Pictures() {}

    /// A subject in the middle of a noisy green screen.
    static Picture screen(int w, int h) {
        Picture p = Picture.of(w, h);
        SplittableRandom r = new SplittableRandom(1);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                boolean subject = Math.hypot(x - w / 2.0, y - h / 2.0) < h / 3.0;
                float n = (float) (0.01 * r.nextDouble());
                int i = y * w + x;
                p.r().data()[i] = (subject ? 0.45f : 0.06f) + n;
                p.g().data()[i] = (subject ? 0.30f : 0.40f) + n;
                p.b().data()[i] = (subject ? 0.20f : 0.10f) + n;
            }
        }
        return p;
    }

    static Picture room(int w, int h) {
        Picture p = Picture.of(w, h);
        SplittableRandom r = new SplittableRandom(2);
        for (int i = 0; i < w * h; i++) {
            p.r().data()[i] = (float) (0.2 + 0.2 * r.nextDouble());
            p.g().data()[i] = (float) (0.2 + 0.1 * r.nextDouble());
            p.b().data()[i] = 0.15f;
        }
        return p;
    }
}
