package org.scenothesis.core.picture;

import java.util.List;

/// Sampling a plane between its pixels, and warping one by a [PlanarMap].
///
/// - Coordinates follow the pixel convention: the value of pixel (0, 0) sits at (0.5, 0.5). Outside, the edge is held.
/// - Where a warp shrinks, every output pixel is the mean over its footprint in the input, taken at so many points that none is skipped.
public final class Resample {
    /// A pixel that covers less than this much of the input is read at one point.
    private static final double SHRUNK = 1.2;
    private static final int MOST_STEPS = 64;

    private Resample() {}

    /// Catmull-Rom value at (x, y).
    public static float cubic(Plane p, double x, double y) {
        Taps taps = new Taps(p.width(), p.height());
        taps.at(x, y);
        return taps.value(p.data());
    }

    /// The value at a point between four pixels, in pixels from the outer corner of the first; the border goes on outside.
    public static float linear(Plane p, double x, double y) {
        double fx = Math.clamp(x - 0.5, 0, p.width() - 1);
        double fy = Math.clamp(y - 0.5, 0, p.height() - 1);
        int x0 = Math.min((int) fx, Math.max(0, p.width() - 2));
        int y0 = Math.min((int) fy, Math.max(0, p.height() - 2));
        int x1 = Math.min(x0 + 1, p.width() - 1);
        int y1 = Math.min(y0 + 1, p.height() - 1);
        float tx = (float) (fx - x0);
        float ty = (float) (fy - y0);
        float top = p.at(x0, y0) * (1 - tx) + p.at(x1, y0) * tx;
        float low = p.at(x0, y1) * (1 - tx) + p.at(x1, y1) * tx;
        return top * (1 - ty) + low * ty;
    }

    /// Pulls every output pixel from where `outToIn` says; outside the input the edge is held.
    public static Plane warp(Plane in, PlanarMap outToIn, Bands bands) {
        Plane out = Plane.of(in.width(), in.height());
        warpInto(in, outToIn, out, bands);
        return out;
    }

    /// As [#warp] into a plane of any size.
    public static void warpInto(Plane in, PlanarMap outToIn, Plane out, Bands bands) {
        warpInto(List.of(in), outToIn, List.of(out), bands);
    }

    /// Several planes of one shape into as many of another, where each pixel's place and weights are found once for all of them.
    public static void warpInto(List<Plane> in, PlanarMap outToIn, List<Plane> out, Bands bands) {
        float[][] from = in.stream().map(Plane::data).toArray(float[][]::new);
        float[][] to = out.stream().map(Plane::data).toArray(float[][]::new);
        int w = out.getFirst().width();
        int inWidth = in.getFirst().width();
        int inHeight = in.getFirst().height();
        bands.run(out.getFirst().height(), (first, end, band) -> {
            Taps taps = new Taps(inWidth, inHeight);
            for (int y = first; y < end; y++) {
                if (plain(outToIn, w, y + 0.5)) {
                    row(taps, outToIn, from, to, y, w);
                } else {
                    footprints(taps, outToIn, from, to, y, w);
                }
            }
        });
    }

    /// Whether a whole row is surely not shrunken: the largest stretch of its ends over the smallest denominator.
    private static boolean plain(PlanarMap m, int w, double y) {
        double least = Math.min(m.denominator(0.5, y), m.denominator(w - 0.5, y));
        if (!(least > 0)) {
            return false;
        }
        double most = Math.max(stretch2(m, 0.5, y), stretch2(m, w - 0.5, y));
        return most <= SHRUNK * SHRUNK * least * least * least * least;
    }

    /// The square of the longer side of a pixel in the input, times the fourth power of the denominator; along a row it is largest at an
    /// end.
    private static double stretch2(PlanarMap m, double x, double y) {
        double d = m.denominator(x, y);
        double u = m.mapX(x, y);
        double v = m.mapY(x, y);
        double across = square(m.a() * d - u * m.g()) + square(m.d() * d - v * m.g());
        double down = square(m.b() * d - u * m.h()) + square(m.e() * d - v * m.h());
        return Math.max(across, down);
    }

    private static double square(double v) {
        return v * v;
    }

    private static void row(Taps taps, PlanarMap outToIn, float[][] from, float[][] to, int row, int w) {
        for (int i = row * w; i < (row + 1) * w; i++) {
            point(taps, outToIn, i - row * w + 0.5, row + 0.5, from, to, i);
        }
    }

    private static void point(Taps taps, PlanarMap outToIn, double x, double y, float[][] from, float[][] to, int i) {
        double d = outToIn.denominator(x, y);
        taps.at(outToIn.mapX(x, y) / d, outToIn.mapY(x, y) / d);
        for (int c = 0; c < from.length; c++) {
            to[c][i] = taps.value(from[c]);
        }
    }

    private static void footprints(Taps taps, PlanarMap outToIn, float[][] from, float[][] to, int row, int w) {
        double y = row + 0.5;
        for (int i = row * w; i < (row + 1) * w; i++) {
            double x = i - row * w + 0.5;
            double d = outToIn.denominator(x, y);
            double u = outToIn.mapX(x, y) / d;
            double v = outToIn.mapY(x, y) / d;
            Point right = new Point((outToIn.a() - u * outToIn.g()) / d, (outToIn.d() - v * outToIn.g()) / d);
            Point below = new Point((outToIn.b() - u * outToIn.h()) / d, (outToIn.e() - v * outToIn.h()) / d);
            int across = steps(right);
            int down = steps(below);
            if (across == 1 && down == 1) {
                point(taps, outToIn, x, y, from, to, i);
            } else {
                footprint(taps, new Footprint(new Point(u, v), right, below, across, down), from, to, i);
            }
        }
    }

    /// Into how many parts a pixel is divided along one side, by how far apart its ends lie in the input.
    private static int steps(Point side) {
        double length2 = square(side.x()) + square(side.y());
        return length2 <= SHRUNK * SHRUNK ? 1 : length2 < MOST_STEPS * MOST_STEPS ? (int) Math.ceil(Math.sqrt(length2)) : MOST_STEPS;
    }

    /// Where an output pixel lies in the input: its centre, its two sides there, and how many points are read along each.
    private record Footprint(Point centre, Point right, Point below, int across, int down) {}

    /// The mean over a pixel's footprint, which one pixel sees as a parallelogram; its points lie no further apart than the input's pixels,
    /// so that a straight line between these will do.
    private static void footprint(Taps taps, Footprint f, float[][] from, float[][] to, int i) {
        float share = 1f / (f.across * f.down);
        double stepX = f.right.x() / f.across;
        double stepY = f.right.y() / f.across;
        for (int c = 0; c < from.length; c++) {
            to[c][i] = 0;
        }
        for (int k = 0; k < f.down; k++) {
            double along = (k + 0.5) / f.down - 0.5;
            double x = f.centre.x() + along * f.below.x() - (f.across - 1) * 0.5 * stepX;
            double y = f.centre.y() + along * f.below.y() - (f.across - 1) * 0.5 * stepY;
            for (int j = 0; j < f.across; j++, x += stepX, y += stepY) {
                taps.between(x, y);
                for (int c = 0; c < from.length; c++) {
                    to[c][i] += share * taps.mean(from[c]);
                }
            }
        }
    }

    /// The picture seen through a map from the result's pixels to the given ones, as large as it; outside of it there is nothing.
    public static Picture warp(Picture in, PlanarMap outToIn, Bands bands) {
        boolean opaque = in.a() == null;
        List<Plane> from = opaque ? in.colours() : List.of(in.r(), in.g(), in.b(), in.alpha());
        List<Plane> to = from.stream().map(p -> Plane.of(p.width(), p.height())).toList();
        warpInto(from, outToIn, to, bands);
        return new Picture(to.get(0), to.get(1), to.get(2), opaque ? null : to.get(3));
    }

    /// Half the size, every pixel the mean of four; the last row and column count twice where the size is odd.
    public static Plane half(Plane in, Bands bands) {
        int w = in.width();
        return half(w, in.height(), bands, (above, below, both) -> {
            for (int x = 0; x < w; x++) {
                both[x] = in.data()[above + x] + in.data()[below + x];
            }
        });
    }

    /// [#half] of `in · weight`, without a plane for the product.
    public static Plane half(Plane in, Plane weight, Bands bands) {
        int w = in.width();
        return half(w, in.height(), bands, (above, below, both) -> {
            for (int x = 0; x < w; x++) {
                both[x] = in.data()[above + x] * weight.data()[above + x] + in.data()[below + x] * weight.data()[below + x];
            }
        });
    }

    /// Adds up two rows, given by where they begin.
    private interface TwoRows {
        void add(int above, int below, float[] both);
    }

    private static Plane half(int w, int h, Bands bands, TwoRows rows) {
        Plane out = Plane.of((w + 1) / 2, (h + 1) / 2);
        bands.run(out.height(), (from, to, band) -> {
            float[] both = new float[w + 1];
            for (int y = from; y < to; y++) {
                rows.add(2 * y * w, Math.min(h - 1, 2 * y + 1) * w, both);
                both[w] = both[w - 1];
                for (int x = 0; x < out.width(); x++) {
                    out.data()[y * out.width() + x] = 0.25f * (both[2 * x] + both[2 * x + 1]);
                }
            }
        });
        return out;
    }

    /// The way back from [#half] to `width × height`, interpolated; edges are held.
    public static Plane twice(Plane in, int width, int height, Bands bands) {
        int w = in.width();
        Plane out = Plane.of(width, height);
        bands.run(height, (from, to, band) -> {
            float[] line = new float[w + 2];
            for (int y = from; y < to; y++) {
                int near = Math.min(in.height() - 1, y / 2) * w;
                int far = Math.clamp(y / 2 + (y % 2 == 0 ? -1 : 1), 0, in.height() - 1) * w;
                for (int x = 0; x < w; x++) {
                    line[x + 1] = 0.75f * in.data()[near + x] + 0.25f * in.data()[far + x];
                }
                line[0] = line[1];
                line[w + 1] = line[w];
                widen(line, out.data(), y * width, width);
            }
        });
        return out;
    }

    /// `line` holds one value more at either end.
    private static void widen(float[] line, float[] out, int at, int width) {
        for (int x = 0; x < width / 2; x++) {
            out[at + 2 * x] = 0.75f * line[x + 1] + 0.25f * line[x];
            out[at + 2 * x + 1] = 0.75f * line[x + 1] + 0.25f * line[x + 2];
        }
        if (width % 2 == 1) {
            out[at + width - 1] = 0.75f * line[width / 2 + 1] + 0.25f * line[width / 2];
        }
    }

    /// Shrinks or enlarges by area averaging (down) or interpolation (up) to `width × height`.
    public static Plane scale(Plane in, int width, int height, Bands bands) {
        if (width == in.width() && height == in.height()) {
            return in.copy();
        }
        return scaleColumns(scaleRows(in, width, bands), height, bands);
    }

    /// The picture at another size, each plane by itself, alpha too.
    public static Picture scale(Picture in, int width, int height, Bands bands) {
        Plane a = in.a();
        return new Picture(
                scale(in.r(), width, height, bands),
                scale(in.g(), width, height, bands),
                scale(in.b(), width, height, bands),
                a == null ? null : scale(a, width, height, bands));
    }

    private static Plane scaleRows(Plane in, int width, Bands bands) {
        Tent[] tents = tents(in.width(), width);
        Plane out = Plane.of(width, in.height());
        bands.run(in.height(), (from, to, band) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < width; x++) {
                    out.data()[y * width + x] = tents[x].of(in.data(), y * in.width());
                }
            }
        });
        return out;
    }

    private static Plane scaleColumns(Plane in, int height, Bands bands) {
        int w = in.width();
        Tent[] tents = tents(in.height(), height);
        Plane out = Plane.of(w, height);
        bands.run(height, (from, to, band) -> {
            for (int y = from; y < to; y++) {
                float[] k = tents[y].weights;
                for (int i = 0; i < k.length; i++) {
                    Spans.addWeighted(in.data(), k[i], out.data(), new Spans.Run((tents[y].first + i) * w, 0, y * w, w));
                }
            }
        });
        return out;
    }

    /// Which values make a scaled one, and their weights, which fall off to both sides like a tent and sum to 1.
    private record Tent(int first, float[] weights) {
        float of(float[] in, int at) {
            float sum = 0;
            for (int i = 0; i < weights.length; i++) {
                sum += weights[i] * in[at + first + i];
            }
            return sum;
        }
    }

    private static Tent[] tents(int from, int to) {
        double step = from / (double) to;
        double reach = Math.max(1, step);
        Tent[] tents = new Tent[to];
        for (int x = 0; x < to; x++) {
            double centre = (x + 0.5) * step - 0.5;
            int low = (int) Math.ceil(centre - reach + 1e-9);
            int high = (int) Math.floor(centre + reach - 1e-9);
            int first = Math.clamp(low, 0, from - 1);
            float[] k = new float[Math.clamp(high, 0, from - 1) - first + 1];
            double sum = 0;
            for (int i = low; i <= high; i++) {
                sum += 1 - Math.abs(i - centre) / reach;
            }
            for (int i = low; i <= high; i++) {
                // The edge is held: what lies beyond it counts for the edge.
                k[Math.clamp(i, 0, from - 1) - first] += (float) ((1 - Math.abs(i - centre) / reach) / sum);
            }
            tents[x] = new Tent(first, k);
        }
        return tents;
    }
}
