package org.scenothesis.core.light;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

/// How wide something upright is in the picture, by where its colour gives way to what is beside it.
///
/// - `px`: square to the line from base to top, in pixels; NaN where no even width stands out. `blurPx`: how blurred its edges are, as a
///   standard deviation.
record RoundObject(double px, double blurPx) {
    private static final int LEVELS = 15;
    private static final double USUAL_BLUR_PX = 0.6;
    private static final double LOW = 0.35;
    private static final double HIGH = 0.92;
    private static final double REACH = 0.12;
    private static final double UNLIKE = 0.12;
    private static final double CLEAR = 0.6;
    private static final double HALF_PX = 0.75;
    /// It is as wide from foot to top as this much of itself; else it is no strip.
    private static final double EVEN = 0.25;

    /// Of what stands between two points of the picture.
    static RoundObject of(Picture p, Point base, Point top) {
        double high = top.minus(base).length();
        Point up = top.minus(base).times(1 / high);
        Point side = new Point(-up.y(), up.x());
        int reach = (int) Math.max(8, REACH * high * 4);
        List<Double> widths = new ArrayList<>();
        List<Double> blurs = new ArrayList<>();
        for (int i = 0; i < LEVELS; i++) {
            Point m = base.plus(up.times(high * (LOW + (HIGH - LOW) * i / (LEVELS - 1))));
            double w = width(p, m, side, reach / 4.0);
            if (!Double.isNaN(w)) {
                widths.add(w);
                blurs.add(blur(p, m.plus(side.times(edge(p, m, side, reach / 4.0).px)), side));
                blurs.add(blur(p, m.minus(side.times(edge(p, m, side.times(-1), reach / 4.0).px)), side.times(-1)));
            }
        }
        if (widths.size() < LEVELS / 2) {
            return new RoundObject(Double.NaN, USUAL_BLUR_PX);
        }
        widths.sort(null);
        blurs.sort(null);
        double middle = widths.get(widths.size() / 2);
        boolean even = widths.get(3 * widths.size() / 4) - widths.get(widths.size() / 4) <= EVEN * middle;
        // Edges that lie in the light are broader than the picture is blurred: the sharper ones tell.
        return new RoundObject(even ? middle : Double.NaN, Math.clamp(blurs.get(blurs.size() / 4), 0.25, 3));
    }

    /// Between the sharpest changes of colour at both sides of its axis; twice the clearer one where the other is lost in the light.
    private static double width(Picture p, Point m, Point side, double reach) {
        Edge right = edge(p, m, side, reach);
        Edge left = edge(p, m, side.times(-1), reach);
        double most = Math.max(right.step, left.step);
        if (most < UNLIKE * Math.max(1e-3, level(at(p, m.plus(side.times(reach)))))) {
            return Double.NaN;
        }
        boolean both = Math.min(right.step, left.step) > CLEAR * most;
        return both ? right.px + left.px : 2 * (right.step > left.step ? right.px : left.px);
    }

    /// The largest change of colour on the way out from the axis: where, and how large.
    private record Edge(double px, double step) {}

    private static Edge edge(Picture p, Point m, Point side, double reach) {
        int n = (int) (reach * 4);
        double[] step = new double[n];
        int best = 4;
        for (int i = 4; i < n; i++) {
            double[] in = at(p, m.plus(side.times(i / 4.0 - HALF_PX)));
            double[] out = at(p, m.plus(side.times(i / 4.0 + HALF_PX)));
            step[i] = Math.sqrt(Math.pow(out[0] - in[0], 2) + Math.pow(out[1] - in[1], 2) + Math.pow(out[2] - in[2], 2));
            best = step[i] > step[best] ? i : best;
        }
        // The middle of the change: it is as broad as the picture is blurred.
        double sum = 0;
        double at = 0;
        for (int i = Math.max(4, best - 5); i <= Math.min(n - 1, best + 5); i++) {
            double w = Math.max(0, step[i] - 0.3 * step[best]);
            sum += w;
            at += w * i / 4.0;
        }
        return new Edge(sum <= 0 ? best / 4.0 : at / sum, step[best]);
    }

    /// From a quarter to three quarters of a change of colour there are 1.349 standard deviations.
    private static double blur(Picture p, Point at, Point side) {
        double[] in = at(p, at.minus(side.times(3)));
        double[] out = at(p, at.plus(side.times(3)));
        double apart = 0;
        for (int c = 0; c < 3; c++) {
            apart += Math.pow(out[c] - in[c], 2);
        }
        double low = Double.NaN;
        double high = Double.NaN;
        for (double d = -3; d <= 3; d += 0.05) {
            double[] v = at(p, at.plus(side.times(d)));
            double share = 0;
            for (int c = 0; c < 3; c++) {
                share += (v[c] - in[c]) * (out[c] - in[c]);
            }
            share /= Math.max(1e-12, apart);
            low = share < 0.25 ? d : low;
            high = Double.isNaN(high) && share >= 0.75 ? d : high;
        }
        return Double.isNaN(low) || Double.isNaN(high) || high <= low ? USUAL_BLUR_PX : (high - low) / 1.349;
    }

    private static double level(double[] rgb) {
        return Math.sqrt(rgb[0] * rgb[0] + rgb[1] * rgb[1] + rgb[2] * rgb[2]);
    }

    private static double[] at(Picture p, Point q) {
        double[] out = new double[3];
        for (int c = 0; c < 3; c++) {
            out[c] = Resample.linear(p.colours().get(c), q.x(), q.y());
        }
        return out;
    }
}
