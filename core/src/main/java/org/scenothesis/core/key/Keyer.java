package org.scenothesis.core.key;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.PushPull;
import org.scenothesis.core.shot.step.KeySettings;

/// Keys a frame against its screen model.
///
/// 1. Separation by colour difference, `1 − (S − max(A, B)) / (Ss − max(As, Bs))`, against the screen colour of that pixel, brought to the
///    brightness the cloth has in this frame (shadows, drifting light).
/// 2. Surely empty below one cut, surely solid above the other and a few pixels inside; only the band between is unmixed ([Unmixing]).
/// 3. The element's colour is unmixed, the cloth's light taken off it ([SpillLight]), and what still leads by the screen's channel limited.
///
/// - Source: Vlahos-type difference matte; Smith & Blinn 1996 for the unmixing with known colours.
/// - Accuracy on cases with known truth: `./bench --keys`, see `docs/measurements.md`.
public final class Keyer {
    private static final int CORE_PX = 2;
    /// So far inside nothing is a soft edge any more.
    private static final int DEEP_PX = 3;
    private static final int REACH_PX = 3;
    /// Part of the picture's width over which what is nearly empty fades out.
    private static final double FADE = 1 / 64.0;
    private static final int CONTEXT_PX = 48;

    private Keyer() {}

    /// Keys `frame`; `garbage` (or null) outlines what counts.
    ///
    /// @throws IllegalArgumentException if frame and model differ in shape
    public static Keyed key(Picture frame, ScreenModel model, KeySettings settings, @Nullable Polygon garbage, Bands bands) {
        frame.r().requireShape(model.colour().r());
        int w = frame.width();
        int h = frame.height();
        Box box = counts(frame, garbage);
        if (box.isEmpty()) {
            return new Keyed(Picture.of(w, h).withAlpha(Plane.of(w, h)), Plane.of(w, h), Plane.filled(w, h, 1), Plane.of(w, h));
        }
        Keyed k = cut(frame, model, settings, garbage, bands);
        if (box.equals(Box.all(frame.r()))) {
            return k;
        }
        return new Keyed(new Piece(k.element(), box).spread(w, h), box.put(k.separation(), w, h, 0), box.put(k.shade(), w, h, 1),
                box.put(k.inside(), w, h, 0));
    }

    /// The element alone, no larger than what counts.
    ///
    /// @throws IllegalArgumentException if frame and model differ in shape
    public static Piece element(Picture frame, ScreenModel model, KeySettings settings, @Nullable Polygon garbage, Bands bands) {
        frame.r().requireShape(model.colour().r());
        Box box = counts(frame, garbage);
        return box.isEmpty()
                ? new Piece(Picture.of(1, 1).withAlpha(Plane.of(1, 1)), new Box(0, 0, 1, 1))
                : new Piece(cut(frame, model, settings, garbage, bands).element(), box);
    }

    /// Only what counts is keyed, with some surroundings for the cloth's brightness.
    private static Box counts(Picture frame, @Nullable Polygon garbage) {
        Box all = Box.all(frame.r());
        return garbage == null ? all : Box.around(garbage.corners()).grown(CONTEXT_PX).within(all);
    }

    private static Keyed cut(Picture frame, ScreenModel model, KeySettings settings, @Nullable Polygon garbage, Bands bands) {
        Box box = counts(frame, garbage);
        if (garbage == null || box.equals(Box.all(frame.r()))) {
            return whole(frame, model, settings, garbage, bands);
        }
        Polygon moved = new Polygon(garbage.corners().stream().map(p -> p.minus(new Point(box.left(), box.top()))).toList());
        return whole(box.cut(frame), model.of(box.cut(model.colour())), settings, moved, bands);
    }

    private static Keyed whole(Picture frame, ScreenModel model, KeySettings settings, @Nullable Polygon garbage, Bands bands) {
        Plane inside = garbage == null
                ? Plane.filled(frame.width(), frame.height(), 1)
                : garbage.coverage(frame.width(), frame.height(), bands);
        Plane shade = Shade.of(frame, model, bands);
        Plane separation = separation(frame, model, shade, bands);
        Plane level = Unmixing.level(separation, bands);
        Plane known = Morphology.erode(solid(separation, settings, bands), CORE_PX, bands);
        Plane peaks = Unmixing.peaks(separation, level);
        List<Plane> filled = PushPull.fill(List.of(frame.r(), frame.g(), frame.b(), separation), peaks, bands);
        Mix mix = new Mix(model, shade, filled.subList(0, 3));
        var found = new Unmixing.Found(separation, known, Morphology.erode(known, DEEP_PX, bands), near(separation, model, settings, bands),
                filled.get(3), peaks);
        Plane alpha = edge(Unmixing.coverage(frame, mix, found, bands), settings, bands);
        Picture element = Despill.unmixed(frame, mix, alpha, bands).withAlpha(alpha);
        multiply(alpha, inside);
        Despill.spill(element, inside, model, settings, bands);
        return new Keyed(element, separation, shade, inside);
    }

    /// The light that the cloth keeps at every pixel: less than 1 in the subject's shadow, also under the subject, where it is continued;
    /// 1 outside of `garbage` (or null), where no cloth is.
    ///
    /// @throws IllegalArgumentException if frame and model differ in shape
    public static Plane kept(Picture frame, ScreenModel model, @Nullable Polygon garbage, Bands bands) {
        frame.r().requireShape(model.colour().r());
        Plane out = ClothShadow.of(frame, model, bands);
        float[] counts = garbage == null ? null : garbage.coverage(frame.width(), frame.height(), bands).data();
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = counts == null ? out.data()[i] : 1 + counts[i] * (out.data()[i] - 1);
        }
        return out;
    }

    /// How much of the cloth's light lies on the subject, judged by some frames of one take; by none what is usual.
    public static SpillLight.Slopes spill(List<Picture> frames, ScreenModel model, Bands bands) {
        SpillLight fit = new SpillLight(model);
        for (Picture f : frames) {
            // What stands beside the cloth is no subject.
            Keyed raw = key(f, model, KeySettings.DEFAULT.withDespill(0), model.garbage(List.of()), bands);
            fit.add(raw.element(), raw.inside(), bands);
        }
        return fit.slopes();
    }

    /// What a mixed pixel is made of: the cloth, as bright as here, and the nearest solid colour.
    record Mix(ScreenModel model, Plane shade, List<Plane> colour) {}

    static Plane separation(Picture frame, ScreenModel model, Plane shade, Bands bands) {
        ScreenHue hue = model.hue();
        float[] s = hue.screen(frame).data();
        float[] a = hue.first(frame).data();
        float[] b = hue.second(frame).data();
        float[] ms = hue.screen(model.colour()).data();
        float[] ma = hue.first(model.colour()).data();
        float[] mb = hue.second(model.colour()).data();
        float[] k = shade.data();
        Plane out = Plane.of(frame.width(), frame.height());
        bands.run(frame.height(), (from, to, band) -> {
            for (int i = from * frame.width(); i < to * frame.width(); i++) {
                float lead = (ms[i] - Math.max(ma[i], mb[i])) * k[i];
                float own = s[i] - Math.max(a[i], b[i]);
                // Where the model shows no cloth, everything is solid and only a garbage matte helps.
                out.data()[i] = lead > 0.004f ? 1 - own / lead : 1.5f;
            }
        });
        return out;
    }

    private static Plane solid(Plane separation, KeySettings settings, Bands bands) {
        Plane out = Plane.of(separation.width(), separation.height());
        float cut = (float) settings.solidAbove();
        bands.run(out.height(), (from, to, band) -> {
            for (int i = from * out.width(); i < to * out.width(); i++) {
                out.data()[i] = separation.data()[i] >= cut ? 1 : 0;
            }
        });
        return out;
    }

    /// 1 near anything that is not surely empty, fading out around it, so that smoke ends softly; single noisy pixels alone do not count.
    private static Plane near(Plane separation, ScreenModel model, KeySettings settings, Bands bands) {
        Plane calm = Blur.gaussian(separation, 0.8, bands);
        float cut = (float) settings.emptyBelow();
        for (int i = 0; i < calm.data().length; i++) {
            calm.data()[i] = calm.data()[i] > cut ? 1 : 0;
        }
        int fade = Math.max(1, (int) Math.round(FADE * model.across()));
        return Blur.gaussian(Morphology.dilate(calm, REACH_PX + fade, bands), fade / 2.0, bands);
    }

    private static Plane edge(Plane alpha, KeySettings settings, Bands bands) {
        Plane a = alpha;
        if (settings.softnessPx() > 0) {
            a = Blur.gaussian(a, settings.softnessPx(), bands);
        }
        if (settings.chokePx() != 0) {
            a = choke(a, settings.chokePx(), bands);
        }
        return a;
    }

    /// Moves the half-way line of the edge by `px`, and leaves what is far from it full or empty.
    ///
    /// A blurred step is `Φ(d / σ)` at the distance `d` from it, which tells the distance; the new ramp lies `px` further in. `Φ` is taken
    /// as the logistic function (Bowling et al. 2009).
    private static Plane choke(Plane a, double px, Bands bands) {
        double sigma = Math.max(0.8, Math.abs(px));
        Plane soft = Blur.gaussian(a, sigma, bands);
        double width = sigma * Math.sqrt(2 * Math.PI) / 1.6;
        Plane out = Plane.of(a.width(), a.height());
        bands.run(a.height(), (from, to, band) -> {
            for (int i = from * a.width(); i < to * a.width(); i++) {
                float p = soft.data()[i];
                double d = sigma * Math.log(p / (1 - p)) / 1.702;
                float v = p <= 0 ? 0 : p >= 1 ? 1 : (float) Math.clamp((d - px) / width + 0.5, 0, 1);
                out.data()[i] = px > 0 ? Math.min(v, a.data()[i]) : Math.max(v, a.data()[i]);
            }
        });
        return out;
    }

    static void multiply(Plane a, Plane by) {
        for (int i = 0; i < a.data().length; i++) {
            a.data()[i] *= by.data()[i];
        }
    }
}
