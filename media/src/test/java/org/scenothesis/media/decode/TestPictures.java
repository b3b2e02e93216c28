package org.scenothesis.media.decode;

import org.scenothesis.core.picture.Picture;

/// Pictures made by rule, so that every pixel's truth is known.
public final class TestPictures {
    private TestPictures() {}

    /// Smooth colour, with a bright square whose place tells the frame number.
    public static Picture chart(int width, int height, int frame) {
        Picture p = Picture.of(width, height);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                p.r().data()[i] = 0.1f + 0.4f * x / width;
                p.g().data()[i] = 0.15f + 0.3f * y / height;
                p.b().data()[i] = 0.25f;
            }
        }
        int left = 8 * (frame % 8);
        for (int y = 8; y < 16; y++) {
            for (int x = left; x < left + 8; x++) {
                int i = y * width + x;
                p.r().data()[i] = 0.9f;
                p.g().data()[i] = 0.9f;
                p.b().data()[i] = 0.9f;
            }
        }
        return p;
    }

    /// Which frame of the chart a picture shows.
    public static int frameOf(Picture p) {
        int best = 0;
        for (int k = 1; k < 8; k++) {
            if (p.r().at(8 * k + 4, 12) > p.r().at(8 * best + 4, 12)) {
                best = k;
            }
        }
        return best;
    }

    public static double worst(Picture a, Picture b) {
        double most = 0;
        for (int c = 0; c < 3; c++) {
            float[] x = a.colours().get(c).data();
            float[] y = b.colours().get(c).data();
            for (int i = 0; i < x.length; i++) {
                most = Math.max(most, Math.abs(x[i] - y[i]));
            }
        }
        return most;
    }

    public static double mean(Picture a, Picture b) {
        double sum = 0;
        for (int c = 0; c < 3; c++) {
            float[] x = a.colours().get(c).data();
            float[] y = b.colours().get(c).data();
            for (int i = 0; i < x.length; i++) {
                sum += Math.abs(x[i] - y[i]);
            }
        }
        return sum / (3 * a.r().data().length);
    }
}
