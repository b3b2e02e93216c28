package org.scenothesis.core.layer;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Wrap;
import org.scenothesis.core.stage.Stage;

/// Lays the layers of one moment over one another.
public final class Composer {
    private Composer() {}

    /// The finished picture at `seconds`, of the size the lowest layer is fitted to; it lies on black. Scene-linear, no alpha.
    ///
    /// - `stage`: the set; without one layers stay where they were filmed and throw no shadow.
    ///
    /// @throws IllegalArgumentException if there is no layer, or one that is neither keyed nor placed has another size than the lowest
    public static Picture compose(List<LayerPicture> layers, @Nullable Stage stage, double seconds, Bands bands) {
        return compose(layers, stage, seconds, new Outlines(), bands);
    }

    /// The same with outlines kept from frame to frame.
    public static Picture compose(List<LayerPicture> layers, @Nullable Stage stage, double seconds, Outlines outlines, Bands bands) {
        return compose(layers, Moment.at(stage, seconds), outlines, bands);
    }

    /// The same at a moment at which things may be followed.
    public static Picture compose(List<LayerPicture> layers, Moment moment, Outlines outlines, Bands bands) {
        Check.that(!layers.isEmpty(), "a shot needs at least its base layer");
        Picture out = layers.getFirst().canvas();
        lay(out, layers, moment, outlines, bands);
        return out;
    }

    /// Lays layers on what is there.
    static void lay(Picture out, List<LayerPicture> layers, Moment moment, Outlines outlines, Bands bands) {
        Scene scene = new Scene(out.width(), out.height(), moment, outlines, bands);
        List<RowBlend> rows = new ArrayList<>();
        for (LayerPicture l : layers) {
            if (l.layer().presence(moment.seconds()) > 0) {
                boolean whole = l.layer().source() instanceof Source.Below;
                if (whole || l.layer().step(Wrap.class).isPresent()) {
                    lay(rows, out, bands);
                }
                LayerPicture of = whole ? l.withPiece(Piece.whole(out.copy())) : l;
                rows.addAll(rows(of, scene, l == layers.getFirst(), out));
            }
        }
        lay(rows, out, bands);
    }

    /// Lays what was gathered so far and forgets it.
    private static void lay(List<RowBlend> rows, Picture out, Bands bands) {
        if (!rows.isEmpty()) {
            bands.run(out.height(), (from, to, band) -> rows.forEach(s -> s.lay(out, from, to)));
            rows.clear();
        }
    }

    /// - `below`: what lies below, as far as it is laid yet.
    private static List<RowBlend> rows(LayerPicture l, Scene scene, boolean lowest, Picture below) {
        LayerState laid = Steps.all(l, scene);
        Blend blend = l.layer().blend();
        if (!laid.seen()) {
            return List.of();
        }
        boolean all = !laid.cut() && laid.mask() == null && laid.unlit() == null && laid.glow() == null;
        if (lowest && all && laid.presence() == 1 && blend == Blend.OVER) {
            return List.of(RowBlend.ground(laid.piece().picture(), laid.gains()));
        }
        Picture unlit = laid.unlit();
        boolean bare = laid.cast() == null && laid.wrap() == null && laid.glow() == null;
        if (unlit != null && blend == Blend.ADD && bare) {
            Gains k = laid.gains();
            return List.of(RowBlend.addLight(laid.piece().picture(), unlit, laid.mask(), k, laid.presence()));
        }
        LayerState whole = laid.gained(scene);
        Mask matte = whole.matte(scene);
        List<RowBlend> rows = new ArrayList<>();
        Placement placement = whole.placement();
        Shadow shadow = whole.shadow();
        if (placement != null && scene.stage() != null && shadow != null) {
            rows.add(RowBlend.darken(new CardShadow(placement, scene.stage(), shadow).density(matte, scene.frame(), scene.bands()),
                    whole.presence()));
        }
        DrawnShadow cast = whole.cast();
        if (cast != null) {
            rows.add(RowBlend.darken(DrawnShadowUnit.density(cast, matte, scene), whole.presence()));
        }
        rows.add(RowBlend.laid(blend, whole.piece(), matte, whole.gains(), whole.presence()));
        Wrap wrap = whole.wrap();
        if (wrap != null) {
            rows.add(EdgeUnit.wrap(wrap, matte, below, whole.presence(), scene));
        }
        Glow glow = whole.glow();
        if (glow != null) {
            rows.add(EdgeUnit.glow(glow, matte, whole.presence(), scene));
        }
        return rows;
    }
}
