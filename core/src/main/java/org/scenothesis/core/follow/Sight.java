package org.scenothesis.core.follow;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;

/// The brightness of a frame, smoothed against aliases and noise, at its size and at halves of it. Level 0 is the whole size.
record Sight(List<Plane> levels) {
    private static final double SMOOTH_PX = 0.8;
    private static final int SMALLEST = 24;
    private static final int MOST = 6;

    static Sight of(Plane luma, Bands bands) {
        List<Plane> levels = new ArrayList<>();
        levels.add(Blur.gaussian(luma, SMOOTH_PX, bands));
        while (levels.size() < MOST && Math.min(levels.getLast().width(), levels.getLast().height()) >= 2 * SMALLEST) {
            levels.add(Resample.half(levels.getLast(), bands));
        }
        return new Sight(List.copyOf(levels));
    }

    int width() {
        return levels.getFirst().width();
    }

    int height() {
        return levels.getFirst().height();
    }

    int deepest() {
        return levels.size() - 1;
    }

    /// The value at a place of a level in its own pixels, by cubic interpolation (Keys 1981, a = −0.5); NaN where its neighbours lie outside.
    static float cubic(Plane p, double x, double y) {
        double fx = x - 0.5;
        double fy = y - 0.5;
        int left = (int) Math.floor(fx) - 1;
        int top = (int) Math.floor(fy) - 1;
        if (left < 0 || top < 0 || left + 3 >= p.width() || top + 3 >= p.height()) {
            return linear(p, x, y);
        }
        float tx = (float) (fx - left - 1);
        float ty = (float) (fy - top - 1);
        float[] d = p.data();
        float sum = 0;
        for (int j = 0, i = top * p.width() + left; j < 4; j++, i += p.width()) {
            float row = weight(0, tx) * d[i] + weight(1, tx) * d[i + 1] + weight(2, tx) * d[i + 2] + weight(3, tx) * d[i + 3];
            sum += weight(j, ty) * row;
        }
        return sum;
    }

    private static float weight(int tap, float t) {
        return switch (tap) {
            case 0 -> ((-0.5f * t + 1) * t - 0.5f) * t;
            case 1 -> (1.5f * t - 2.5f) * t * t + 1;
            case 2 -> ((-1.5f * t + 2) * t + 0.5f) * t;
            default -> (0.5f * t - 0.5f) * t * t;
        };
    }

    /// The same along straight lines.
    static float linear(Plane p, double x, double y) {
        double fx = x - 0.5;
        double fy = y - 0.5;
        if (!(fx >= -0.5 && fy >= -0.5 && fx <= p.width() - 0.5 && fy <= p.height() - 0.5)) {
            return Float.NaN;
        }
        int left = Math.clamp((int) Math.floor(fx), 0, Math.max(0, p.width() - 2));
        int top = Math.clamp((int) Math.floor(fy), 0, Math.max(0, p.height() - 2));
        float tx = (float) Math.clamp(fx - left, 0, 1);
        float ty = (float) Math.clamp(fy - top, 0, 1);
        int i = top * p.width() + left;
        float[] d = p.data();
        float above = d[i] + tx * (d[i + 1] - d[i]);
        float below = d[i + p.width()] + tx * (d[i + p.width() + 1] - d[i + p.width()]);
        return above + ty * (below - above);
    }
}
