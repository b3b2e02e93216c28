package org.scenothesis.core.shot;

import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;

/// Where an element stands at a moment: the place of its foot on the set in metres, its turn, size factor and presence.
public record Keyframe(double seconds, Vec foot, double turnDeg, double size, double presence, Ease ease) {
    public Keyframe {
        Check.range("seconds", seconds, 0, 86_400);
        Check.place("foot", foot.x(), foot.y(), foot.z());
        Check.range("turnDeg", turnDeg, -36_000, 36_000);
        Check.range("size", size, 0.01, 100);
        Check.range("presence", presence, 0, 1);
    }

    public Keyframe at(Vec place) {
        return new Keyframe(seconds, place, turnDeg, size, presence, ease);
    }

    public Keyframe turned(double deg) {
        return new Keyframe(seconds, foot, deg, size, presence, ease);
    }

    public Keyframe sized(double factor) {
        return new Keyframe(seconds, foot, turnDeg, factor, presence, ease);
    }

    public Keyframe present(double share) {
        return new Keyframe(seconds, foot, turnDeg, size, share, ease);
    }

    /// The state a share `t` of the way to `next`, eased by this keyframe's ease.
    public Keyframe towards(Keyframe next, double t) {
        double k = ease.at(t);
        return new Keyframe(
                seconds + (next.seconds - seconds) * t,
                foot.towards(next.foot, k),
                turnDeg + (next.turnDeg - turnDeg) * k,
                size + (next.size - size) * k,
                presence + (next.presence - presence) * k,
                ease);
    }
}
