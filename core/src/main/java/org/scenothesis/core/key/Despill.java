package org.scenothesis.core.key;

import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.step.KeySettings;

/// The subject's own colour: the cloth's share taken out of mixed pixels, the cloth's light taken off, and what still leads by the screen's
/// channel limited by the other two; or only that limit.
///
/// On solid pixels the limit goes no further than light of the cloth could: what leads by more has that colour of its own.
final class Despill {
    /// A pixel of less coverage leans on the nearest solid colour: too little of it is seen to divide by.
    private static final float ENOUGH = 0.08f;
    private static final float LEAST = 0.02f;
    /// Of the light that was found, as much again may have been missed, and a little everywhere.
    private static final float MISSED = 0.75f;
    private static final float ANYWHERE = 0.02f;
    /// From less coverage on than this part below solid, the limit is whole.
    private static final float MIXED = 8;
    private static final float MEAN_SHARE = 0.35f;
    /// How much of the luminance that the limit alone takes comes back in grey, so that skin does not go dark.
    private static final double BACK = 0.35;

    private Despill() {}

    /// The colour that mixes with the cloth to what is seen; the cloth's light is still on it.
    static Picture unmixed(Picture frame, Keyer.Mix mix, Plane alpha, Bands bands) {
        int w = frame.width();
        Picture out = Picture.of(w, frame.height());
        bands.run(frame.height(), (from, to, band) -> {
            for (int c = 0; c < 3; c++) {
                var mixed = new Mixed(frame.colours().get(c).data(), mix.model().colour().colours().get(c).data(), mix.colour().get(c)
                        .data(),
                        mix.shade().data(), alpha.data());
                unmix(mixed, out.colours().get(c).data(), from * w, to * w);
            }
        });
        return out;
    }

    /// Takes the cloth's light off an element, in place.
    ///
    /// - `inside`: coverage of the garbage matte.
    static void spill(Picture element, Plane inside, ScreenModel model, KeySettings settings, Bands bands) {
        double amount = settings.despill();
        if (amount > 0 && settings.spill() == KeySettings.Spill.LIMIT) {
            limit(element, model.hue(), (float) Math.min(1, amount), bands);
        } else if (amount > 0) {
            int w = element.width();
            ScreenHue hue = model.hue();
            var spill = new Spill(hue.screen(element).data(), hue.first(element).data(), hue.second(element).data(),
                    SpillLight.share(element, inside, model, amount, bands).data(), element.alpha().data(), SpillLight.others(model),
                    (float) Math.min(1, amount));
            bands.run(element.height(), (from, to, band) -> spill.off(from * w, to * w));
        }
    }

    private static void limit(Picture element, ScreenHue hue, float amount, Bands bands) {
        float[] screen = hue.screen(element).data();
        float[] first = hue.first(element).data();
        float[] second = hue.second(element).data();
        float share = (float) (BACK * (hue == ScreenHue.GREEN ? Luminance.GREEN : Luminance.BLUE));
        int w = element.width();
        bands.run(element.height(), (from, to, band) -> {
            for (int i = from * w; i < to * w; i++) {
                float over = Math.max(0, (screen[i] - most(first[i], second[i])) * amount);
                float back = over * share;
                screen[i] += back - over;
                first[i] += back;
                second[i] += back;
            }
        });
    }

    /// What the screen's channel may have beside the other two.
    private static float most(float first, float second) {
        return MEAN_SHARE * 0.5f * (first + second) + (1 - MEAN_SHARE) * Math.max(first, second);
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
            if (a >= 1 || a < LEAST) {
                out[i] = a >= 1 ? seen[i] : near[i];
                continue;
            }
            float own = (seen[i] - (1 - a) * cloth[i] * shade[i]) / a;
            own = Math.max(0, Math.min(own, Math.max(2 * near[i], 0.05f) + seen[i]));
            out[i] = near[i] + (own - near[i]) * Math.min(1, a * a / (ENOUGH * ENOUGH));
        }
    }

    /// The channels of an element with the share of the cloth's light in the screen's that is to go, and how much of what still leads.
    private record Spill(float[] screen, float[] first, float[] second, float[] share, float[] alpha, double[] others, float amount) {
        void off(int from, int to) {
            float a = (float) others[0];
            float b = (float) others[1];
            for (int i = from; i < to; i++) {
                if (alpha[i] <= 0) {
                    continue;
                }
                float q = share[i];
                float s = screen[i] / (1 + q);
                first[i] /= 1 + q * a;
                second[i] /= 1 + q * b;
                float over = Math.max(0, (s - most(first[i], second[i])) * amount);
                float may = (MISSED * share[i] + ANYWHERE) * s;
                screen[i] = s - (over > may ? may + (over - may) * Math.min(1, (1 - alpha[i]) * MIXED) : over);
            }
        }
    }
}
