package org.scenothesis.core.picture;

import org.scenothesis.core.Check;

/// Gaussian-like blur by three box passes with fractional ends, any radius at one cost; edges are held.
///
/// - Source: Wells 1986; box of width w has variance (w² − 1)/12, three of them sum to σ².
/// - Error: against a true Gaussian at most 3 % of the step height for σ ≥ 1.
public final class Blur {
    private Blur() {}

    /// Blurs `in` with standard deviation `sigmaPx` (0 copies) into a new plane.
    public static Plane gaussian(Plane in, double sigmaPx, Bands bands) {
        Check.range("sigmaPx", sigmaPx, 0, 4096);
        if (sigmaPx < 0.05) {
            return in.copy();
        }
        if (sigmaPx < 1.2) {
            return small(in, sigmaPx, bands);
        }
        // Three boxes of width w have variance (w² − 1)/4.
        float half = (float) ((Math.sqrt(4 * sigmaPx * sigmaPx + 1) - 1) / 2);
        Plane a = in.copy();
        Plane b = Plane.of(in.width(), in.height());
        for (int i = 0; i < 3; i++) {
            rows(a, b, half, bands);
            Plane t = a;
            a = b;
            b = t;
        }
        Plane at = transpose(a, bands);
        Plane bt = Plane.of(at.width(), at.height());
        for (int i = 0; i < 3; i++) {
            rows(at, bt, half, bands);
            Plane t = at;
            at = bt;
            bt = t;
        }
        return transpose(at, bands);
    }

    public static Picture gaussian(Picture in, double sigmaPx, Bands bands) {
        Plane a = in.a();
        return new Picture(
                gaussian(in.r(), sigmaPx, bands),
                gaussian(in.g(), sigmaPx, bands),
                gaussian(in.b(), sigmaPx, bands),
                a == null ? null : gaussian(a, sigmaPx, bands));
    }

    private static Plane small(Plane in, double sigma, Bands bands) {
        int n = (int) Math.ceil(3 * sigma);
        float[] k = new float[2 * n + 1];
        double sum = 0;
        for (int i = -n; i <= n; i++) {
            k[i + n] = (float) Math.exp(-i * i / (2 * sigma * sigma));
            sum += k[i + n];
        }
        for (int i = 0; i < k.length; i++) {
            k[i] /= (float) sum;
        }
        return transpose(convolveRows(transpose(convolveRows(in, k, bands), bands), k, bands), bands);
    }

    private static Plane convolveRows(Plane in, float[] k, Bands bands) {
        int w = in.width();
        int n = k.length / 2;
        Plane out = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            float[] padded = new float[w + 2 * n];
            for (int y = from; y < to; y++) {
                pad(in.data(), y * w, w, n, padded);
                convolve(padded, k, out.data(), y * w, w);
            }
        });
        return out;
    }

    private static void pad(float[] src, int at, int w, int n, float[] out) {
        System.arraycopy(src, at, out, n, w);
        for (int i = 0; i < n; i++) {
            out[i] = src[at];
            out[n + w + i] = src[at + w - 1];
        }
    }

    private static void convolve(float[] padded, float[] k, float[] out, int at, int w) {
        for (int i = 0; i < k.length; i++) {
            float weight = k[i];
            for (int x = 0; x < w; x++) {
                out[at + x] += weight * padded[x + i];
            }
        }
    }

    private static void rows(Plane in, Plane out, float half, Bands bands) {
        int w = in.width();
        int n = (int) half;
        float frac = half - n;
        float scale = 1f / (2 * half + 1);
        bands.run(in.height(), (from, to, band) -> {
            float[] padded = new float[w + 2 * n + 2];
            for (int y = from; y < to; y++) {
                pad(in.data(), y * w, w, n + 1, padded);
                box(padded, out.data(), y * w, w, new Box(n, frac, scale));
            }
        });
    }

    private record Box(int n, float frac, float scale) {}

    private static void box(float[] padded, float[] out, int at, int w, Box box) {
        int n = box.n;
        double sum = 0;
        for (int i = 1; i <= 2 * n + 1; i++) {
            sum += padded[i];
        }
        for (int x = 0; x < w; x++) {
            out[at + x] = (float) (sum + box.frac * (padded[x] + padded[x + 2 * n + 2])) * box.scale;
            sum += padded[x + 2 * n + 2] - padded[x + 1];
        }
    }

    /// The plane with rows and columns exchanged, in tiles so that both sides stay in the cache.
    static Plane transpose(Plane in, Bands bands) {
        int w = in.width();
        int h = in.height();
        Plane out = Plane.of(h, w);
        float[] s = in.data();
        float[] d = out.data();
        bands.run(h, (from, to, band) -> {
            for (int x0 = 0; x0 < w; x0 += 32) {
                int x1 = Math.min(w, x0 + 32);
                for (int y = from; y < to; y++) {
                    for (int x = x0; x < x1; x++) {
                        d[x * h + y] = s[y * w + x];
                    }
                }
            }
        });
        return out;
    }
}
