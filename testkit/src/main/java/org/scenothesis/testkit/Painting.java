package org.scenothesis.testkit;

import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Plane;

/// Coverage, own colour and seen colour, both multiplied by the coverage.
final class Painting {
    final double[] alpha;
    final double[][] own;
    final double[][] lit;

    Painting(int pixels) {
        alpha = new double[pixels];
        own = new double[3][pixels];
        lit = new double[3][pixels];
    }

    void over(int i, double cover, double[] colour, double[] light, double[] spill) {
        for (int c = 0; c < 3; c++) {
            own[c][i] = own[c][i] * (1 - cover) + cover * colour[c] * light[0];
            lit[c][i] = lit[c][i] * (1 - cover) + cover * colour[c] * (light[0] + spill[c]);
        }
        alpha[i] = alpha[i] * (1 - cover) + cover;
    }

    void over(Painting p) {
        for (int i = 0; i < alpha.length; i++) {
            for (int c = 0; c < 3; c++) {
                own[c][i] = own[c][i] * (1 - p.alpha[i]) + p.own[c][i];
                lit[c][i] = lit[c][i] * (1 - p.alpha[i]) + p.lit[c][i];
            }
            alpha[i] = alpha[i] * (1 - p.alpha[i]) + p.alpha[i];
        }
    }

    void add(Painting p, int dx, int dy, double share, int w, int h) {
        for (int y = Math.max(0, dy); y < Math.min(h, h + dy); y++) {
            for (int x = Math.max(0, dx); x < Math.min(w, w + dx); x++) {
                int from = (y - dy) * w + x - dx;
                int to = y * w + x;
                alpha[to] += share * p.alpha[from];
                for (int c = 0; c < 3; c++) {
                    own[c][to] += share * p.own[c][from];
                    lit[c][to] += share * p.lit[c][from];
                }
            }
        }
    }

    private static double[] blurred(double[] v, double sigma, int w, int h, Bands bands) {
        Plane p = Plane.of(w, h);
        for (int i = 0; i < v.length; i++) {
            p.data()[i] = (float) v[i];
        }
        float[] f = Blur.gaussian(p, sigma, bands).data();
        double[] out = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            out[i] = f[i];
        }
        return out;
    }

    Painting blurred(double sigma, int w, int h, Bands bands) {
        Painting out = new Painting(alpha.length);
        System.arraycopy(blurred(alpha, sigma, w, h, bands), 0, out.alpha, 0, alpha.length);
        for (int c = 0; c < 3; c++) {
            out.own[c] = blurred(own[c], sigma, w, h, bands);
            out.lit[c] = blurred(lit[c], sigma, w, h, bands);
        }
        return out;
    }
}
