package org.scenothesis.core.key;

import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// The subject's own colour: the cloth's share taken out of mixed pixels, then the screen channel limited by the other two.
///
/// The luminance that the limit takes is given back in grey, so that skin does not go dark.
final class Despill {
    /// How much of the luminance taken comes back.
    private static final float BACK = 0.35f;

    private Despill() {}

    static Picture element(Picture frame, Keyer.Mix mix, Plane alpha, double amount, Bands bands) {
        int w = frame.width();
        Picture out = Picture.of(w, frame.height());
        boolean green = mix.model().hue() == ScreenHue.GREEN;
        Plane screen = green ? out.g() : out.b();
        Plane other = green ? out.b() : out.g();
        var limit = new Limit((float) amount, (float) (green ? Luminance.GREEN : Luminance.BLUE) * BACK);
        bands.run(frame.height(), (from, to, band) -> {
            for (int c = 0; c < 3; c++) {
                var mixed = new Mixed(
                        frame.colours().get(c).data(), mix.model().colour().colours().get(c).data(), mix.colour().get(c).data(), mix.shade()
                        .data(),
                        alpha.data());
                unmix(mixed, out.colours().get(c).data(), from * w, to * w);
            }
            limit(screen.data(), out.r().data(), other.data(), limit, from * w, to * w);
        });
        return out;
    }

    /// One channel of a frame and what it is mixed of.
    private record Mixed(float[] seen, float[] cloth, float[] near, float[] shade, float[] alpha) {}

    /// Unmixed where enough of the subject is there to divide by, leaning on the nearest solid colour where it is not.
    private static void unmix(Mixed m, float[] out, int from, int to) {
        float[] seen = m.seen;
        float[] cloth = m.cloth;
        float[] near = m.near;
        float[] shade = m.shade;
        float[] alpha = m.alpha;
        for (int i = from; i < to; i++) {
            float a = alpha[i];
            float own = (seen[i] - (1 - a) * cloth[i] * shade[i]) / Math.max(a, 0.02f);
            own = Math.max(0, Math.min(own, Math.max(2 * near[i], 0.05f) + seen[i]));
            float trust = a < 0.02f ? 0 : Math.min(1, a * a * 1.6f);
            float mixed = near[i] + (own - near[i]) * trust;
            out[i] = a >= 1 ? seen[i] : mixed;
        }
    }

    private record Limit(float amount, float back) {}

    private static void limit(float[] screen, float[] first, float[] second, Limit limit, int from, int to) {
        float amount = limit.amount;
        float share = limit.back;
        for (int i = from; i < to; i++) {
            float most = 0.5f * (first[i] + second[i]) * 0.35f + Math.max(first[i], second[i]) * 0.65f;
            float over = Math.max(0, (screen[i] - most) * amount);
            float back = over * share;
            screen[i] += back - over;
            first[i] += back;
            second[i] += back;
        }
    }
}
