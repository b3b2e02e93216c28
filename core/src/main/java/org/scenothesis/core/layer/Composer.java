package org.scenothesis.core.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.Keyframe;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.SetPlan;

/// Lays the layers of one moment over one another.
public final class Composer {
    private static final PlanarMap SAME = PlanarMap.identity();

    private Composer() {}

    /// The finished picture at `seconds`; the first layer is the base and must be opaque. Scene-linear, no alpha.
    ///
    /// - `plan`: the set; without one elements stay where they were filmed and throw no shadow.
    ///
    /// @throws IllegalArgumentException if there is no layer, or one that is no element has another size than the base
    public static Picture compose(List<LayerPicture> layers, @Nullable SetPlan plan, double seconds, Bands bands) {
        Check.that(!layers.isEmpty(), "a shot needs at least its base layer");
        LayerPicture ground = layers.getFirst();
        Picture out = Picture.of(ground.picture().width(), ground.picture().height());
        List<Mixing> steps = new ArrayList<>();
        steps.add(Mixing.ground(steadied(ground, bands), gains(ground)));
        for (LayerPicture l : layers.subList(1, layers.size())) {
            boolean element = l.layer().kind() == Layer.Kind.ELEMENT;
            Check.that(element || l.picture().sameShape(out), "all layers must have the base's size");
            Keyframe state = l.layer().stateAt(seconds);
            if (state.presence() > 0) {
                steps.addAll(steps(l, out, plan, state, bands));
            }
        }
        bands.run(out.height(), (from, to, band) -> steps.forEach(s -> s.lay(out, from, to)));
        return out;
    }

    private static List<Mixing> steps(LayerPicture l, Picture out, @Nullable SetPlan plan, Keyframe state, Bands bands) {
        return switch (l.layer().kind()) {
            case BASE, PATCH -> {
                Mask m = l.mask();
                Mask all = m == null ? Mask.whole(Plane.filled(out.width(), out.height(), 1)) : m;
                yield List.of(Mixing.over(Piece.whole(steadied(l, bands)), all, gains(l), state.presence()));
            }
            case LIGHT -> {
                Picture unlit = l.unlit();
                Check.that(unlit != null, "a light layer needs the frame without its light");
                double factor = state.presence() * Math.pow(2, l.layer().gainStops());
                yield List.of(Mixing.addLight(l.picture(), Objects.requireNonNull(unlit), l.mask(), factor));
            }
            case ELEMENT -> element(l, out, plan, state, bands);
        };
    }

    private static List<Mixing> element(LayerPicture l, Picture out, @Nullable SetPlan plan, Keyframe state, Bands bands) {
        Box frame = Box.all(out.r());
        Placement placement = plan == null ? null : new Placement(plan.pose(out.width(), out.height()), l.layer().filmedFoot(), state);
        if (placement != null && !placement.seen()) {
            return List.of();
        }
        PlanarMap map = placement == null ? SAME : placement.elementToPicture();
        Piece placed = map.equals(SAME) ? l.piece() : placed(l.piece(), map, frame, bands);
        Mask matte = new Mask(placed.picture().alpha(), placed.at());
        List<Mixing> steps = new ArrayList<>();
        if (placement != null && plan != null && l.layer().shadow().on()) {
            Mask density = new CardShadow(placement, plan, l.layer().shadow()).density(matte, frame, bands);
            steps.add(Mixing.darken(density, state.presence()));
        }
        steps.add(Mixing.over(placed, matte, gains(l), state.presence()));
        return steps;
    }

    /// Warps alpha as it is and colour as it lies under the matte; colour is continued beyond the edge, so straight warping is safe.
    private static Piece placed(Piece element, PlanarMap map, Box frame, Bands bands) {
        Picture p = element.picture();
        Box from = element.at();
        Box seen = Box.around(p.alpha(), 0).moved(from.left(), from.top());
        Box to = Box.around(seen.corners().stream().map(map::map).toList()).grown(2).within(frame);
        if (seen.isEmpty() || to.isEmpty()) {
            return new Piece(Picture.of(1, 1).withAlpha(Plane.of(1, 1)), new Box(0, 0, 1, 1));
        }
        PlanarMap back = map.inverse().between(to, from);
        Picture out = Picture.of(to.width(), to.height()).withAlpha(Plane.of(to.width(), to.height()));
        Resample.warpInto(List.of(p.r(), p.g(), p.b(), p.alpha()), back, List.of(out.r(), out.g(), out.b(), out.alpha()), bands);
        keepInside(out.alpha(), back, Box.all(p.r()));
        return new Piece(out, to);
    }

    // Beyond its own picture an element has nothing: the held edge is taken away.
    private static void keepInside(Plane a, PlanarMap back, Box from) {
        for (int y = 0; y < a.height(); y++) {
            for (int x = 0; x < a.width(); x++) {
                var p = back.map(x + 0.5, y + 0.5);
                int i = y * a.width() + x;
                boolean in = p.x() >= 0 && p.y() >= 0 && p.x() <= from.right() && p.y() <= from.bottom();
                a.data()[i] = in ? Math.clamp(a.data()[i], 0f, 1f) : 0;
            }
        }
    }

    /// The picture with a measured camera shift undone.
    private static Picture steadied(LayerPicture l, Bands bands) {
        return l.toBase().equals(SAME) ? l.picture() : Resample.warp(l.picture(), l.toBase().inverse(), bands);
    }

    /// What brings exposure and colour to the base's, times the user's gain.
    private static Gains gains(LayerPicture l) {
        double k = Math.pow(2, l.layer().gainStops());
        return new Gains(l.gains().r() * k, l.gains().g() * k, l.gains().b() * k);
    }
}
