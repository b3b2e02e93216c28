package org.scenothesis.core.picture;

/// Sampling a plane between its pixels, and warping one by a [PlanarMap].
///
/// Coordinates follow the pixel convention: the value of pixel (0, 0) sits at (0.5, 0.5). Outside, the edge is held.
public final class Resample {
    private Resample() {}

    /// Catmull-Rom value at (x, y). Source: Keys 1981, a = −0.5.
    public static float cubic(Plane p, double x, double y) {
        double fx = x - 0.5;
        double fy = y - 0.5;
        int x0 = (int) Math.floor(fx);
        int y0 = (int) Math.floor(fy);
        float tx = (float) (fx - x0);
        float ty = (float) (fy - y0);
        int w = p.width();
        int h = p.height();
        float[] d = p.data();
        float sum = 0;
        for (int j = -1; j <= 2; j++) {
            int row = Math.clamp(y0 + j, 0, h - 1) * w;
            float line = weight(tx + 1) * d[row + Math.clamp(x0 - 1, 0, w - 1)]
                    + weight(tx) * d[row + Math.clamp(x0, 0, w - 1)]
                    + weight(1 - tx) * d[row + Math.clamp(x0 + 1, 0, w - 1)]
                    + weight(2 - tx) * d[row + Math.clamp(x0 + 2, 0, w - 1)];
            sum += weight(Math.abs(ty - j)) * line;
        }
        return sum;
    }

    private static float weight(float t) {
        if (t < 1) {
            return (1.5f * t - 2.5f) * t * t + 1;
        }
        return t < 2 ? ((-0.5f * t + 2.5f) * t - 4) * t + 2 : 0;
    }

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

    public static void warpInto(Plane in, PlanarMap outToIn, Plane out, Bands bands) {
        warpInto(in, outToIn, out, Box.all(out), bands);
    }

    /// Warps only what lies within `box`; the rest of `out` is left as it is.
    public static void warpInto(Plane in, PlanarMap outToIn, Plane out, Box box, Bands bands) {
        int w = out.width();
        bands.run(box.height(), (from, to, band) -> {
            for (int y = box.top() + from; y < box.top() + to; y++) {
                for (int x = box.left(); x < box.right(); x++) {
                    double d = outToIn.denominator(x + 0.5, y + 0.5);
                    out.data()[y * w + x] =
                            cubic(in, outToIn.mapX(x + 0.5, y + 0.5) / d, outToIn.mapY(x + 0.5, y + 0.5) / d);
                }
            }
        });
    }

    public static Picture warp(Picture in, PlanarMap outToIn, Bands bands) {
        Plane a = in.a();
        return new Picture(
                warp(in.r(), outToIn, bands),
                warp(in.g(), outToIn, bands),
                warp(in.b(), outToIn, bands),
                a == null ? null : warp(a, outToIn, bands));
    }

    /// Shrinks or enlarges by area averaging (down) or interpolation (up) to `width × height`.
    public static Plane scale(Plane in, int width, int height, Bands bands) {
        if (width == in.width() && height == in.height()) {
            return in.copy();
        }
        Plane rows = scaleRows(in, width, bands);
        return Blur.transpose(scaleRows(Blur.transpose(rows, bands), height, bands), bands);
    }

    public static Picture scale(Picture in, int width, int height, Bands bands) {
        Plane a = in.a();
        return new Picture(
                scale(in.r(), width, height, bands),
                scale(in.g(), width, height, bands),
                scale(in.b(), width, height, bands),
                a == null ? null : scale(a, width, height, bands));
    }

    private static Plane scaleRows(Plane in, int width, Bands bands) {
        int w = in.width();
        double step = w / (double) width;
        double reach = Math.max(1, step);
        Plane out = Plane.of(width, in.height());
        bands.run(in.height(), (from, to, band) -> {
            for (int x = 0; x < width; x++) {
                double centre = (x + 0.5) * step - 0.5;
                int lo = (int) Math.ceil(centre - reach + 1e-9);
                int hi = (int) Math.floor(centre + reach - 1e-9);
                scaleColumn(in, out, new Tent(x, lo, hi, centre, reach), from, to);
            }
        });
        return out;
    }

    private record Tent(int x, int lo, int hi, double centre, double reach) {}

    private static void scaleColumn(Plane in, Plane out, Tent t, int from, int to) {
        int n = t.hi - t.lo + 1;
        float[] k = new float[n];
        float sum = 0;
        for (int i = 0; i < n; i++) {
            k[i] = (float) (1 - Math.abs(t.lo + i - t.centre) / t.reach);
            sum += k[i];
        }
        for (int y = from; y < to; y++) {
            float v = 0;
            for (int i = 0; i < n; i++) {
                v += k[i] * in.data()[y * in.width() + Math.clamp(t.lo + i, 0, in.width() - 1)];
            }
            out.data()[y * out.width() + t.x] = v / sum;
        }
    }
}
