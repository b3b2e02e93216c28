package org.scenothesis.core.layer;

import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Flip;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.LayerBlur;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.shot.step.Letterbox;
import org.scenothesis.core.shot.step.LockCorrection;
import org.scenothesis.core.shot.step.Luma;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.TrackSteady;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.shot.step.Wrap;

/// Chooses the unit that does a step.
final class Steps {
    private Steps() {}

    /// What the layer is after all its steps.
    static LayerState all(LayerPicture l, Scene scene) {
        LayerState laid = LayerState.of(l);
        for (Step s : l.layer().steps()) {
            laid = apply(Keys.held(s, scene.seconds()), laid, l, scene);
        }
        return laid.settled(scene).sampled(scene);
    }

    private static LayerState apply(Step step, LayerState laid, LayerPicture of, Scene scene) {
        return switch (step) {
            case LockCorrection s -> LockCorrectionUnit.apply(laid, of.toBase());
            case Outline o -> laid.settled(scene).withOutline(o);
            case Luma u -> LumaUnit.apply(u, laid, scene);
            case Difference d -> LumaUnit.apply(d, laid, of.clean(), scene);
            case Key k -> KeyUnit.apply(k, laid, of.keying(), scene);
            case OwnAlpha a -> laid.withPiece(laid.piece(), laid.piece().picture().a() != null);
            case Exposure g -> ExposureUnit.apply(g, laid, of.gains());
            case ColourGrade t -> ColourGradeUnit.apply(t, laid, scene);
            case LayerBlur s -> LayerBlurUnit.apply(s, laid, scene);
            case Warp w -> BendUnit.apply(w, laid, scene);
            case LensMatch l -> BendUnit.apply(l, laid, scene);
            case Ripple r -> BendUnit.apply(r, laid, scene);
            case Grain g -> GrainUnit.apply(g, laid, of.layer().id(), scene);
            case Flip f -> FlipUnit.apply(f, laid, scene);
            case PinnedCorners p -> PinnedCornersUnit.apply(p, laid, scene);
            case Join j -> JoinUnit.apply(j, laid, scene);
            case Extend e -> ExtendUnit.apply(e, laid, scene);
            case FramePlace p -> FramePlaceUnit.apply(p, laid, scene);
            case HandHeld w -> WholeUnit.apply(w, laid, scene);
            case Letterbox b -> WholeUnit.apply(b, laid, scene);
            case Follow f -> FollowUnit.moved(scene.motion(f.by()), laid, scene);
            case TrackSteady h -> FollowUnit.moved(scene.motion(h.by()).inverse(), laid, scene);
            case SetPlace p -> SetPlaceUnit.apply(p, laid, scene);
            case Shadow s -> laid.withShadow(s);
            case DrawnShadow c -> laid.withCast(c);
            case Wrap w -> laid.withWrap(w);
            case Glow g -> laid.withGlow(g);
            case Opacity p -> laid.withPresence(laid.presence() * p.at(scene.seconds()));
        };
    }
}
