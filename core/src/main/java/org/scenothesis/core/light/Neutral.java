package org.scenothesis.core.light;

import java.util.Optional;

/// The colour of light as something neutral shows it: correlated colour temperature, and how far beside the black body, positive towards
/// green.
///
/// Sources: Ohno 2013 (nearest point of the locus by a parabola over 1 % steps), locus by Krystek 1985 (within 8·10⁻⁵ in u and v from 1000
/// to 15000 K).
public record Neutral(double kelvin, double duv) {
    private static final double LOW_K = 1000;
    private static final double HIGH_K = 30_000;
    private static final double STEP = 1.01;
    /// Farther beside the locus a colour has no temperature.
    private static final double FARTHEST = 0.06;

    /// Of a colour in linear light with the primaries and white of sRGB (IEC 61966-2-1); empty for black and for colours that no light of a
    /// temperature has.
    public static Optional<Neutral> of(double r, double g, double b) {
        double x = 0.4123908 * r + 0.3575843 * g + 0.1804808 * b;
        double y = 0.2126390 * r + 0.7151687 * g + 0.0721923 * b;
        double z = 0.0193308 * r + 0.1191948 * g + 0.9505322 * b;
        double sum = x + y + z;
        return sum <= 1e-9 || y <= 0 ? Optional.empty() : ofXy(x / sum, y / sum);
    }

    /// Of CIE 1931 chromaticity.
    public static Optional<Neutral> ofXy(double x, double y) {
        double u = 4 * x / (-2 * x + 12 * y + 3);
        double v = 6 * y / (-2 * x + 12 * y + 3);
        double best = LOW_K;
        for (double t = LOW_K; t < HIGH_K; t *= STEP) {
            best = away(u, v, t) < away(u, v, best) ? t : best;
        }
        // A parabola through three distances; a second pass on finer steps.
        double step = STEP;
        for (int round = 0; round < 3; round++) {
            double a = Math.log(best / step);
            double b = Math.log(best);
            double fa = square(u, v, best / step);
            double fb = square(u, v, best);
            double fc = square(u, v, best * step);
            double bend = fa - 2 * fb + fc;
            best = bend <= 0 ? best : Math.exp(b + 0.5 * (b - a) * Math.clamp((fa - fc) / bend, -2, 2));
            step = 1 + (step - 1) / 4;
        }
        double d = away(u, v, best);
        return best < LOW_K * 1.02 || best > HIGH_K * 0.98 || d > FARTHEST ? Optional.empty()
                : Optional.of(new Neutral(best, Math.copySign(d, v - v(best))));
    }

    private static double away(double u, double v, double t) {
        return Math.sqrt(square(u, v, t));
    }

    private static double square(double u, double v, double t) {
        double du = u - u(t);
        double dv = v - v(t);
        return du * du + dv * dv;
    }

    private static double u(double t) {
        return (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t) / (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t);
    }

    private static double v(double t) {
        return (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t) / (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t);
    }
}
