package org.scenothesis.testkit;

import java.util.SplittableRandom;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// Comparing and making planes.
public final class Planes {
    private Planes() {}

    /// Mean absolute difference.
    public static double meanDifference(Plane a, Plane b) {
        a.requireShape(b);
        double sum = 0;
        for (int i = 0; i < a.data().length; i++) {
            sum += Math.abs(a.data()[i] - b.data()[i]);
        }
        return sum / a.data().length;
    }

    public static double largestDifference(Plane a, Plane b) {
        a.requireShape(b);
        double most = 0;
        for (int i = 0; i < a.data().length; i++) {
            most = Math.max(most, Math.abs(a.data()[i] - b.data()[i]));
        }
        return most;
    }

    public static double mean(Plane p) {
        double sum = 0;
        for (float v : p.data()) {
            sum += v;
        }
        return sum / p.data().length;
    }

    /// Uniform chance in [0, 1), the same for the same seed.
    public static Plane random(int width, int height, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Plane p = Plane.of(width, height);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) r.nextDouble();
        }
        return p;
    }

    public static Picture randomPicture(int width, int height, long seed) {
        return new Picture(random(width, height, seed), random(width, height, seed + 1), random(width, height, seed + 2), null);
    }

    /// A picture of smooth waves and a few hard edges, for codecs and warps.
    public static Picture chart(int width, int height) {
        Picture p = Picture.of(width, height);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                boolean block = (x / 32 + y / 32) % 2 == 0;
                p.r().data()[i] = (float) (0.25 + 0.2 * Math.sin(x * 0.05)) + (block ? 0.15f : 0);
                p.g().data()[i] = (float) (0.3 + 0.2 * Math.cos(y * 0.04));
                p.b().data()[i] = 0.1f + 0.5f * x / width;
            }
        }
        return p;
    }
}
