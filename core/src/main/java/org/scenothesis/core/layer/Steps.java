package org.scenothesis.core.layer;

import org.scenothesis.core.shot.Keys;
import org.scenothesis.core.shot.step.Cast;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Flip;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Grade;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.Hold;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Lens;
import org.scenothesis.core.shot.step.Letterbox;
import org.scenothesis.core.shot.step.Luma;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Pin;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.shot.step.Presence;
import org.scenothesis.core.shot.step.Put;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Soften;
import org.scenothesis.core.shot.step.Steady;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.Tone;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.shot.step.Wobble;
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
            case Steady s -> SteadyUnit.apply(laid, of.toBase());
            case Outline o -> laid.settled(scene).withOutline(o);
            case Luma u -> LumaUnit.apply(u, laid, scene);
            case Difference d -> LumaUnit.apply(d, laid, of.clean(), scene);
            case Key k -> KeyUnit.apply(k, laid, of.keying(), scene);
            case OwnAlpha a -> laid.withPiece(laid.piece(), laid.piece().picture().a() != null);
            case Grade g -> GradeUnit.apply(g, laid, of.gains());
            case Tone t -> ToneUnit.apply(t, laid, scene);
            case Soften s -> SoftenUnit.apply(s, laid, scene);
            case Warp w -> BendUnit.apply(w, laid, scene);
            case Lens l -> BendUnit.apply(l, laid, scene);
            case Ripple r -> BendUnit.apply(r, laid, scene);
            case Grain g -> GrainUnit.apply(g, laid, of.layer().id(), scene);
            case Flip f -> FlipUnit.apply(f, laid, scene);
            case Pin p -> PinUnit.apply(p, laid, scene);
            case Join j -> JoinUnit.apply(j, laid, scene);
            case Extend e -> ExtendUnit.apply(e, laid, scene);
            case Put p -> PutUnit.apply(p, laid, scene);
            case Wobble w -> WholeUnit.apply(w, laid, scene);
            case Letterbox b -> WholeUnit.apply(b, laid, scene);
            case Follow f -> FollowUnit.moved(scene.motion(f.by()), laid, scene);
            case Hold h -> FollowUnit.moved(scene.motion(h.by()).inverse(), laid, scene);
            case Place p -> PlaceUnit.apply(p, laid, scene);
            case Shadow s -> laid.withShadow(s);
            case Cast c -> laid.withCast(c);
            case Wrap w -> laid.withWrap(w);
            case Glow g -> laid.withGlow(g);
            case Presence p -> laid.withPresence(laid.presence() * p.at(scene.seconds()));
        };
    }
}
