package org.scenothesis.core.layer;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Picture;
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
    public static Picture compose(List<LayerPicture> layers, @Nullable SetPlan plan, double seconds, Bands bands) {
        Check.that(!layers.isEmpty(), "a shot needs at least its base layer");
        Picture base = prepared(layers.getFirst(), bands).withAlpha(null).copy();
        for (LayerPicture l : layers.subList(1, layers.size())) {
            Check.that(l.picture().sameShape(base), "all layers must have the base's size");
            Keyframe state = l.layer().stateAt(seconds);
            if (state.presence() > 0) {
                lay(base, l, plan, state, bands);
            }
        }
        return base;
    }

    private static void lay(Picture base, LayerPicture l, @Nullable SetPlan plan, Keyframe state, Bands bands) {
        switch (l.layer().kind()) {
            case BASE, PATCH -> Mixing.over(base, prepared(l, bands).withAlpha(mask(l, base)), state.presence(), bands);
            case LIGHT -> {
                Picture unlit = l.unlit();
                Check.that(unlit != null, "a light layer needs the frame without its light");
                double factor = state.presence() * Math.pow(2, l.layer().gainStops());
                Mixing.addLight(base, l.picture(), java.util.Objects.requireNonNull(unlit), l.mask(), factor, bands);
            }
            case ELEMENT -> element(base, l, plan, state, bands);
        }
    }

    private static Plane mask(LayerPicture l, Picture base) {
        Plane m = l.mask();
        return m == null ? Plane.filled(base.width(), base.height(), 1) : m;
    }

    private static void element(Picture base, LayerPicture l, @Nullable SetPlan plan, Keyframe state, Bands bands) {
        Picture element = prepared(l, bands);
        if (plan == null) {
            Mixing.over(base, element, state.presence(), bands);
            return;
        }
        Placement placement = new Placement(plan.pose(base.width(), base.height()), l.layer().filmedFoot(), state);
        PlanarMap map = placement.elementToPicture();
        Picture placed = map.equals(SAME) ? element : placed(element, map, bands);
        if (l.layer().shadow().on()) {
            Plane density = new CardShadow(placement, plan, l.layer().shadow()).density(placed.alpha(), bands);
            Mixing.darken(base, density, state.presence(), bands);
        }
        Mixing.over(base, placed, state.presence(), bands);
    }

    /// Warps alpha as it is and colour as it lies under the matte; colour is continued beyond the edge, so straight warping is safe.
    private static Picture placed(Picture element, PlanarMap map, Bands bands) {
        Plane a = element.alpha();
        Box from = Box.around(a, 0);
        Picture out = Picture.of(element.width(), element.height()).withAlpha(Plane.of(element.width(), element.height()));
        if (from.isEmpty()) {
            return out;
        }
        Box to = Box.around(from.corners().stream().map(map::map).toList()).grown(2).within(Box.all(a));
        PlanarMap back = map.inverse();
        for (int c = 0; c < 3; c++) {
            Resample.warpInto(element.colours().get(c), back, out.colours().get(c), to, bands);
        }
        Resample.warpInto(a, back, out.alpha(), to, bands);
        keepInside(out.alpha(), back, to);
        return out;
    }

    // Beyond its own picture an element has nothing: the held edge is taken away.
    private static void keepInside(Plane a, PlanarMap back, Box box) {
        for (int y = box.top(); y < box.bottom(); y++) {
            for (int x = box.left(); x < box.right(); x++) {
                var p = back.map(x + 0.5, y + 0.5);
                int i = y * a.width() + x;
                boolean in = p.x() >= 0 && p.y() >= 0 && p.x() <= a.width() && p.y() <= a.height();
                a.data()[i] = in ? Math.clamp(a.data()[i], 0f, 1f) : 0;
            }
        }
    }

    /// Camera shift undone, exposure and colour brought to the base's, the user's gain applied.
    private static Picture prepared(LayerPicture l, Bands bands) {
        Picture p = l.toBase().equals(SAME) ? l.picture() : Resample.warp(l.picture(), l.toBase().inverse(), bands);
        double k = l.layer().kind() == Layer.Kind.LIGHT ? 1 : Math.pow(2, l.layer().gainStops());
        Gains g = new Gains(l.gains().r() * k, l.gains().g() * k, l.gains().b() * k);
        return g.equals(Gains.UNITY) ? p : Mixing.gained(p, g, bands);
    }
}
