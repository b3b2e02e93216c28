package org.scenothesis.core.shot;

import org.scenothesis.core.picture.PlanarMap;
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

/// How steps move what was done to a layer before them, flat in the picture.
public final class StepMotions {
    private StepMotions() {}

    /// How what a step holds is carried along at a moment, in seconds, by the track it is bound to and by the steps behind it: shares of
    /// the picture to shares of it.
    ///
    /// - `step`: its place in the layer. `aspect`: width of the picture over its height.
    public static PlanarMap carried(Shot shot, Layer l, int step, double seconds, double aspect) {
        int h = 1000;
        int w = Math.max(1, (int) Math.round(h * aspect));
        PlanarMap all = PlanarMap.identity();
        if (l.steps().get(step) instanceof Outline o && o.hung() != null) {
            all = Tracks.motion(shot, o.hung(), seconds, w, h);
        }
        for (Step s : l.steps().subList(step + 1, l.steps().size())) {
            all = motion(shot, s, seconds, w, h).after(all);
        }
        return new PlanarMap(1.0 / w, 0, 0, 0, 1.0 / h, 0, 0, 0, 1).after(all).after(new PlanarMap(w, 0, 0, 0, h, 0, 0, 0, 1));
    }

    /// How a step moves a picture of so many pixels at a moment, in seconds; not at all where it bends it, or moves it on the set.
    private static PlanarMap motion(Shot shot, Step step, double seconds, int w, int h) {
        return switch (step) {
            case Follow f -> Tracks.motion(shot, f.by(), seconds, w, h);
            case TrackSteady k -> Tracks.motion(shot, k.by(), seconds, w, h).inverse();
            case FramePlace p -> p.motion(seconds, w, h);
            case Flip f -> f.motion(w);
            case LockCorrection _, Outline _, Key _, Luma _, Difference _, OwnAlpha _, Exposure _, ColourGrade _, LayerBlur _, LensMatch _,
                    Warp _, Ripple _, Grain _, PinnedCorners _, Join _, Extend _, HandHeld _, SetPlace _, Shadow _, DrawnShadow _, Wrap _,
                    Glow _, Letterbox _, Opacity _ -> PlanarMap.identity();
        };
    }
}
