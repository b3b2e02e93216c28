package org.scenothesis.core.layer;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.shot.step.Wrap;

/// A layer on its way through its steps.
///
/// - `piece`: its picture, as it was filmed until something needs it otherwise; `warp`: where its pixels lie in the frame, sampled once
///   when all that moves it is known; `cut`: whether its alpha counts. `unlit`: what is still to be taken from it, for light gained.
/// - `outline`: said but not yet used: a key takes it as garbage matte, else it becomes part of `mask`; null for none.
/// - `mask`: what counts of it beside its alpha, null for all. `gains` and `presence` are worked in when it is laid.
/// - `placement`, `shadow`, `cast`: where it stands and what it throws; `wrap`, `glow`: light along its edge; null for nowhere and none.
///   `seen`: false once it stands behind the camera.
@RecordBuilder
record LayerState(
        Piece piece, boolean cut, PlanarMap warp, @Nullable Picture unlit, @Nullable Outline outline, @Nullable Mask mask, Gains gains,
        double presence,
        @Nullable Placement placement, @Nullable Shadow shadow,
        @Nullable DrawnShadow cast, @Nullable Wrap wrap, @Nullable Glow glow, boolean seen) implements LayerStateBuilder.With {
    static LayerState of(LayerPicture l) {
        return new LayerState(l.piece(), false, l.fit(), l.unlit(), null, null, Gains.UNITY, 1, null, null, null, null, null, true);
    }

    LayerState withPiece(Piece other, boolean isCut) {
        return withPiece(other).withCut(isCut);
    }

    LayerState masked(@Nullable Mask other) {
        return withMask(other).withOutline(null);
    }

    LayerState withPlacement(Placement other, Piece there, boolean isSeen) {
        return withPlacement(other).withPiece(there).withWarp(PlanarMap.identity()).withSeen(isSeen);
    }

    /// The light gained as a picture of its own, for steps that change it.
    LayerState gained(Scene scene) {
        Picture dark = unlit;
        if (dark == null) {
            return this;
        }
        Picture lit = piece.picture();
        Picture out = Picture.of(lit.width(), lit.height());
        scene.bands().run(lit.height(), (from, to, band) -> {
            for (int c = 0; c < 3; c++) {
                RowBlend.gained(lit.colours().get(c).data(), dark.colours().get(c).data(), out.colours().get(c).data(), from * lit.width(),
                        to * lit.width());
            }
        });
        return withPiece(Piece.whole(out)).withUnlit(null);
    }

    /// Its pixels where they lie in the frame.
    LayerState sampled(Scene scene) {
        if (warp.equals(PlanarMap.identity())) {
            return this;
        }
        LayerState l = gained(scene);
        return l.withWarp(PlanarMap.identity()).withPiece(Warps.lie(l.piece, cut, warp, scene), cut);
    }

    /// An outline not yet used becomes a mask, within the one there was.
    LayerState settled(Scene scene) {
        Outline o = outline;
        List<Point> shape = shape(scene);
        if (o == null || shape.size() < 3) {
            return withOutline(null);
        }
        Mask inside = scene.outlines().mask(shape, o.softnessPx(), scene);
        Mask before = mask;
        return switch (o.counts()) {
            case WITHIN -> masked(before == null ? inside : before.times(inside));
            case OUTSIDE -> masked(before == null ? inside.rest(scene.frame()) : before.times(inside.rest(before.at())));
            case ALSO -> solid(inside, scene);
        };
    }

    /// The pending outline as it lies now, gone along with what it hangs on; empty for none.
    List<Point> shape(Scene scene) {
        Outline o = outline;
        if (o == null) {
            return List.of();
        }
        List<Point> shape = o.shape(scene.seconds());
        TrackBinding by = o.hung();
        if (by == null) {
            return shape;
        }
        PlanarMap motion = scene.motion(by);
        return shape.stream().map(p -> motion.map(p.x() * scene.width(), p.y() * scene.height()))
                .map(p -> new Point(p.x() / scene.width(), p.y() / scene.height())).toList();
    }

    /// What lies within counts as well: of what is cut the matte is full there, else the mask.
    private LayerState solid(Mask inside, Scene scene) {
        Mask before = mask;
        if (!cut) {
            return before == null ? withOutline(null) : masked(before.and(inside));
        }
        Box box = piece.at();
        Mask there = Warps.within(inside, warp, box, scene);
        Plane alpha = new Mask(piece.picture().alpha(), box).and(there).in(box);
        return masked(before == null ? null : before.and(inside)).withPiece(new Piece(piece.picture().withAlpha(alpha), box), true);
    }

    /// Its gains worked into its colours.
    LayerState worked(Scene scene) {
        if (gains.equals(Gains.UNITY)) {
            return this;
        }
        Picture in = piece.picture();
        double[] k = {gains.r(), gains.g(), gains.b()};
        Picture out = Picture.of(in.width(), in.height()).withAlpha(in.a());
        scene.bands().run(in.height(), (from, to, band) -> {
            for (int c = 0; c < 3; c++) {
                for (int i = from * in.width(); i < to * in.width(); i++) {
                    out.colours().get(c).data()[i] = in.colours().get(c).data()[i] * (float) k[c];
                }
            }
        });
        return withPiece(new Piece(out, piece.at()), cut).withGains(Gains.UNITY);
    }

    /// Whether it has a shape of its own, and is not the whole picture.
    boolean shaped() {
        return cut || mask != null || outline != null;
    }

    /// All that counts is in its alpha, so that it can be moved as one thing.
    LayerState cutOut(Scene scene) {
        LayerState l = gained(scene).settled(scene);
        if (l.cut && l.mask == null) {
            return l;
        }
        Picture p = l.piece.picture();
        Mask own = new Mask(l.cut ? p.alpha() : Plane.filled(p.width(), p.height(), 1), l.piece.at());
        Mask m = l.mask == null ? own : own.times(Warps.within(l.mask, l.warp, l.piece.at(), scene));
        Box box = l.piece.at().within(m.at());
        if (box.isEmpty()) {
            return l.masked(null).withPiece(new Piece(Picture.of(1, 1).withAlpha(Plane.of(1, 1)), new Box(0, 0, 1, 1)), true);
        }
        Picture there = box.moved(-l.piece.at().left(), -l.piece.at().top()).cut(p);
        Plane alpha = box.moved(-m.at().left(), -m.at().top()).cut(m.coverage());
        return l.masked(null).withPiece(new Piece(there.withAlpha(alpha), box), true);
    }

    /// How much of each pixel counts.
    Mask matte(Scene scene) {
        Check.that(cut || piece.at().equals(scene.frame()), "all layers must have the base's size");
        Mask m = mask;
        if (!cut) {
            return m == null ? Mask.whole(Plane.filled(scene.width(), scene.height(), 1)) : m;
        }
        Mask own = new Mask(piece.picture().alpha(), piece.at());
        return m == null ? own : own.times(m);
    }
}
