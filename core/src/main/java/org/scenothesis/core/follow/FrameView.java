package org.scenothesis.core.follow;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;

/// The brightness of a frame, smoothed against aliases and noise, at its size and at halves of it. Level 0 is the whole size.
record FrameView(List<Plane> levels) {
    private static final double SMOOTH_PX = 0.8;
    private static final int SMALLEST = 24;
    private static final int MOST = 6;

    static FrameView of(Plane luma, Bands bands) {
        List<Plane> levels = new ArrayList<>();
        levels.add(Blur.gaussian(luma, SMOOTH_PX, bands));
        while (levels.size() < MOST && Math.min(levels.getLast().width(), levels.getLast().height()) >= 2 * SMALLEST) {
            levels.add(Resample.half(levels.getLast(), bands));
        }
        return new FrameView(List.copyOf(levels));
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

    /// The value at a place of a level in its own pixels, by cubic interpolation (Keys 1981, a = −0.5); NaN where its neighbours lie
    /// outside.
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
        float a0 = ((-0.5f * tx + 1) * tx - 0.5f) * tx;
        float a1 = (1.5f * tx - 2.5f) * tx * tx + 1;
        float a2 = ((-1.5f * tx + 2) * tx + 0.5f) * tx;
        float a3 = (0.5f * tx - 0.5f) * tx * tx;
        float[] d = p.data();
        int w = p.width();
        int i = top * w + left;
        int j = i + w;
        int k = j + w;
        int l = k + w;
        return (((-0.5f * ty + 1) * ty - 0.5f) * ty) * (a0 * d[i] + a1 * d[i + 1] + a2 * d[i + 2] + a3 * d[i + 3])
                + ((1.5f * ty - 2.5f) * ty * ty + 1) * (a0 * d[j] + a1 * d[j + 1] + a2 * d[j + 2] + a3 * d[j + 3])
                + (((-1.5f * ty + 2) * ty + 0.5f) * ty) * (a0 * d[k] + a1 * d[k + 1] + a2 * d[k + 2] + a3 * d[k + 3])
                + ((0.5f * ty - 0.5f) * ty * ty) * (a0 * d[l] + a1 * d[l + 1] + a2 * d[l + 2] + a3 * d[l + 3]);
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
