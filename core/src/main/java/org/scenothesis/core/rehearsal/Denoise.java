package org.scenothesis.core.rehearsal;

import java.util.Arrays;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// Takes the chance out of a rendered picture: averages pixels whose surroundings differ by no more than their known variance.
///
/// Source: non-local means with the renderer's own variances, Rousselle, Knaus & Zwicker 2012. Pixels with hardly any variance are kept.
final class Denoise {
    private static final int WINDOW = 6;
    private static final int PATCH = 1;
    private static final float STRENGTH = 0.45f;
    private static final float CALM = 2e-7f;

    private Denoise() {}

    /// - `variance`: of the luminance of each pixel's mean.
    static Picture of(Picture in, Plane variance, Bands bands) {
        int w = in.width();
        int h = in.height();
        float[] luma = new float[w * h];
        for (int i = 0; i < luma.length; i++) {
            luma[i] = 0.3f * in.r().data()[i] + 0.6f * in.g().data()[i] + 0.1f * in.b().data()[i];
        }
        float[] v = steady(variance, bands);
        Picture out = in.copy();
        bands.run(h, (from, to, band) -> {
            float[] sum = new float[4];
            for (int y = from; y < to; y++) {
                for (int x = 0; x < w; x++) {
                    if (v[y * w + x] > CALM) {
                        gather(in, luma, v, x, y, sum);
                        out.r().data()[y * w + x] = sum[0] / sum[3];
                        out.g().data()[y * w + x] = sum[1] / sum[3];
                        out.b().data()[y * w + x] = sum[2] / sum[3];
                    }
                }
            }
        });
        return out;
    }

    // A variance from few samples is itself noisy: the mean over 3×3, where the middle knows any.
    private static float[] steady(Plane variance, Bands bands) {
        int w = variance.width();
        float[] out = new float[variance.data().length];
        bands.run(variance.height(), (from, to, band) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < w; x++) {
                    float sum = 0;
                    int n = 0;
                    for (int j = Math.max(0, y - 1); j <= Math.min(variance.height() - 1, y + 1); j++) {
                        for (int i = Math.max(0, x - 1); i <= Math.min(w - 1, x + 1); i++) {
                            sum += variance.at(i, j);
                            n++;
                        }
                    }
                    out[y * w + x] = variance.at(x, y) > 0 ? sum / n : 0;
                }
            }
        });
        return out;
    }

    private static void gather(Picture in, float[] luma, float[] v, int x, int y, float[] sum) {
        int w = in.width();
        int h = in.height();
        Arrays.fill(sum, 0);
        for (int j = Math.max(PATCH, y - WINDOW); j <= Math.min(h - 1 - PATCH, y + WINDOW); j++) {
            for (int i = Math.max(PATCH, x - WINDOW); i <= Math.min(w - 1 - PATCH, x + WINDOW); i++) {
                float weight = i == x && j == y ? 1
                        : alike(luma, v, w, Math.clamp(y, PATCH, h - 1 - PATCH) * w + Math.clamp(x, PATCH, w - 1 - PATCH), j * w + i);
                int q = j * w + i;
                sum[0] += weight * in.r().data()[q];
                sum[1] += weight * in.g().data()[q];
                sum[2] += weight * in.b().data()[q];
                sum[3] += weight;
            }
        }
        if (sum[3] < 1e-6f) {
            int q = y * w + x;
            sum[0] = in.r().data()[q];
            sum[1] = in.g().data()[q];
            sum[2] = in.b().data()[q];
            sum[3] = 1;
        }
    }

    private static float alike(float[] luma, float[] v, int w, int p, int q) {
        float d = 0;
        for (int j = -PATCH; j <= PATCH; j++) {
            for (int i = -PATCH; i <= PATCH; i++) {
                int a = p + j * w + i;
                int b = q + j * w + i;
                float diff = luma[a] - luma[b];
                d += (diff * diff - v[a] - Math.min(v[a], v[b])) / (1e-8f + STRENGTH * STRENGTH * (v[a] + v[b]));
            }
        }
        d /= (2 * PATCH + 1) * (2 * PATCH + 1);
        return d > 6 ? 0 : (float) Math.exp(-Math.max(0, d));
    }
}
