package org.scenothesis.core.picture;

import java.util.Arrays;
import org.scenothesis.core.Check;

/// Gaussian-like blur by three box passes with fractional ends, any radius at one cost; edges are held.
///
/// - Source: Wells 1986; box of width w has variance (w² − 1)/12, three of them sum to σ².
/// - Error: against a true Gaussian at most 3 % of the step height for σ ≥ 1.
/// - Cost: rows and columns go in blocks of 32 lines that stay in the second cache through all three passes; a running sum steps along all
///   lines at once, so that the compiler can use its vectors.
public final class Blur {
    private static final int LANES = Bands.BAND_ROWS;

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
        Span span = Span.of((float) ((Math.sqrt(4 * sigmaPx * sigmaPx + 1) - 1) / 2));
        int w = in.width();
        int h = in.height();
        Plane out = Plane.of(w, h);
        bands.run(h, (from, to, band) -> {
            float[] block = new float[w * LANES];
            gather(in.data(), from * w, w, to - from, block);
            scatter(thrice(block, w, span), w, to - from, out.data(), from * w);
        });
        bands.run(w, (from, to, band) -> {
            float[] block = new float[h * LANES];
            for (int y = 0; y < h; y++) {
                System.arraycopy(out.data(), y * w + from, block, y * LANES, to - from);
            }
            float[] soft = thrice(block, h, span);
            for (int y = 0; y < h; y++) {
                System.arraycopy(soft, y * LANES, out.data(), y * w + from, to - from);
            }
        });
        return out;
    }

    /// Each plane blurred by itself, alpha too; sigma in pixels.
    public static Picture gaussian(Picture in, double sigmaPx, Bands bands) {
        Plane a = in.a();
        return new Picture(
                gaussian(in.r(), sigmaPx, bands),
                gaussian(in.g(), sigmaPx, bands),
                gaussian(in.b(), sigmaPx, bands),
                a == null ? null : gaussian(a, sigmaPx, bands));
    }

    /// A box of `2n + 1` whole pixels and a fraction `ends` of one more on either side.
    private record Span(int n, float ends, float scale) {
        static Span of(float half) {
            int n = (int) half;
            return new Span(n, half - n, 1f / (2 * half + 1));
        }
    }

    /// Rows to lines of a block: the pixel `x` of row `r` goes to `x·LANES + r`.
    private static void gather(float[] in, int at, int w, int rows, float[] block) {
        for (int x0 = 0; x0 < w; x0 += 16) {
            int x1 = Math.min(w, x0 + 16);
            for (int r = 0; r < rows; r++) {
                for (int x = x0; x < x1; x++) {
                    block[x * LANES + r] = in[at + r * w + x];
                }
            }
        }
    }

    private static void scatter(float[] block, int w, int rows, float[] out, int at) {
        for (int x0 = 0; x0 < w; x0 += 16) {
            int x1 = Math.min(w, x0 + 16);
            for (int r = 0; r < rows; r++) {
                for (int x = x0; x < x1; x++) {
                    out[at + r * w + x] = block[x * LANES + r];
                }
            }
        }
    }

    /// Three box passes along a block of `length` steps; the block itself is used up.
    private static float[] thrice(float[] block, int length, Span span) {
        float[] other = new float[block.length];
        float[] sum = new float[LANES];
        pass(block, other, length, span, sum);
        pass(other, block, length, span, sum);
        pass(block, other, length, span, sum);
        return other;
    }

    private static void pass(float[] in, float[] out, int length, Span span, float[] sum) {
        int n = span.n;
        int last = length - 1;
        Arrays.fill(sum, 0);
        for (int i = -n; i <= n; i++) {
            add(sum, in, Math.clamp(i, 0, last) * LANES);
        }
        for (int i = 0; i < length; i++) {
            int before = Math.clamp(i - n - 1, 0, last) * LANES;
            int after = Math.min(i + n + 1, last) * LANES;
            int leaves = Math.max(i - n, 0) * LANES;
            Spans.slide(in, out, sum, new Spans.Step(i * LANES, before, after, leaves), span.ends, span.scale);
        }
    }

    private static void add(float[] sum, float[] in, int at) {
        for (int l = 0; l < LANES; l++) {
            sum[l] += in[at + l];
        }
    }

    private static Plane small(Plane in, double sigma, Bands bands) {
        float[] k = weights(sigma);
        int n = k.length / 2;
        int w = in.width();
        Plane across = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            float[] padded = new float[w + 2 * n];
            for (int y = from; y < to; y++) {
                pad(in.data(), y * w, w, n, padded);
                for (int i = 0; i < k.length; i++) {
                    Spans.addWeighted(padded, k[i], across.data(), new Spans.Run(i, 0, y * w, w));
                }
            }
        });
        Plane out = Plane.of(w, in.height());
        bands.run(in.height(), (from, to, band) -> {
            for (int y = from; y < to; y++) {
                for (int i = 0; i < k.length; i++) {
                    int line = Math.clamp(y + i - n, 0, in.height() - 1) * w;
                    Spans.addWeighted(across.data(), k[i], out.data(), new Spans.Run(line, 0, y * w, w));
                }
            }
        });
        return out;
    }

    private static float[] weights(double sigma) {
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
        return k;
    }

    private static void pad(float[] src, int at, int w, int n, float[] out) {
        System.arraycopy(src, at, out, n, w);
        for (int i = 0; i < n; i++) {
            out[i] = src[at];
            out[n + w + i] = src[at + w - 1];
        }
    }
}
