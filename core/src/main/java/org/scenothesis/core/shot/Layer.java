package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// One layer of a shot, bottom first.
///
/// - `plate`: the plate it takes its picture from; `lightAgainst`: for light layers, the plate that shows the frame without that light.
/// - `mask`: outline of what counts, in shares of width and height; empty for all. For keyed elements it is the garbage matte.
/// - `filmedFoot`: where the element's foot stood when filmed; keyframes say where it is to stand.
/// - `matched`: exposure and colour are brought to the base's by the lock check's measure.
public record Layer(
        String id,
        String name,
        Kind kind,
        String plate,
        @Nullable String lightAgainst,
        boolean on,
        KeySettings key,
        List<Point> mask,
        double maskSoftnessPx,
        Vec filmedFoot,
        List<Keyframe> keyframes,
        Shadow shadow,
        double gainStops,
        boolean matched) {
    public enum Kind {
        BASE,
        PATCH,
        ELEMENT,
        LIGHT
    }

    /// The shadow thrown on the ground: on or off, and its density and softness as factors of what the plan's light says.
    public record Shadow(boolean on, double density, double softness) {
        public static final Shadow NONE = new Shadow(false, 1, 1);
        public static final Shadow MEASURED = new Shadow(true, 1, 1);

        public Shadow {
            Check.range("density", density, 0, 3);
            Check.range("softness", softness, 0, 5);
        }
    }

    public Layer {
        mask = List.copyOf(mask);
        Check.that(mask.size() <= 10_000, "an outline has at most 10000 corners");
        for (Point p : mask) {
            Check.range("a corner of the outline", p.x(), -10, 11);
            Check.range("a corner of the outline", p.y(), -10, 11);
        }
        Check.place("filmedFoot", filmedFoot.x(), filmedFoot.y(), filmedFoot.z());
        Check.range("maskSoftnessPx", maskSoftnessPx, 0, 400);
        Check.range("gainStops", gainStops, -8, 8);
        List<Keyframe> sorted = new ArrayList<>(keyframes);
        sorted.sort(Comparator.comparingDouble(Keyframe::seconds));
        keyframes = List.copyOf(sorted);
    }

    public static Layer of(String id, String name, Kind kind, String plate) {
        return new Layer(
                id, name, kind, plate, null, true, KeySettings.DEFAULT, List.of(), 0, Vec.ZERO, List.of(), Shadow.NONE, 0, kind == Kind.PATCH);
    }

    /// The element's state at a moment: between keyframes eased, before and after them held.
    public Keyframe stateAt(double seconds) {
        if (keyframes.isEmpty()) {
            return new Keyframe(Math.max(0, seconds), filmedFoot, 0, 1, 1, Ease.SOFT);
        }
        Keyframe before = keyframes.getFirst();
        for (Keyframe k : keyframes) {
            if (k.seconds() > seconds) {
                double span = k.seconds() - before.seconds();
                return span <= 0 ? before : before.towards(k, (seconds - before.seconds()) / span);
            }
            before = k;
        }
        return before;
    }

    public Layer withKey(KeySettings other) {
        return new Layer(id, name, kind, plate, lightAgainst, on, other, mask, maskSoftnessPx, filmedFoot, keyframes, shadow, gainStops, matched);
    }

    public Layer withMask(List<Point> other, double softnessPx) {
        return new Layer(id, name, kind, plate, lightAgainst, on, key, other, softnessPx, filmedFoot, keyframes, shadow, gainStops, matched);
    }

    public Layer withFilmedFoot(Vec other) {
        return new Layer(id, name, kind, plate, lightAgainst, on, key, mask, maskSoftnessPx, other, keyframes, shadow, gainStops, matched);
    }

    public Layer withKeyframes(List<Keyframe> other) {
        return new Layer(id, name, kind, plate, lightAgainst, on, key, mask, maskSoftnessPx, filmedFoot, other, shadow, gainStops, matched);
    }

    /// Puts a keyframe in, in place of one within half a frame of it.
    public Layer withKeyframe(Keyframe k) {
        List<Keyframe> more = new ArrayList<>(keyframes.stream().filter(o -> Math.abs(o.seconds() - k.seconds()) > 0.02).toList());
        more.add(k);
        return withKeyframes(more);
    }

    public Layer withShadow(Shadow other) {
        return new Layer(id, name, kind, plate, lightAgainst, on, key, mask, maskSoftnessPx, filmedFoot, keyframes, other, gainStops, matched);
    }

    public Layer withGainStops(double other) {
        return new Layer(id, name, kind, plate, lightAgainst, on, key, mask, maskSoftnessPx, filmedFoot, keyframes, shadow, other, matched);
    }

    public Layer withOn(boolean other) {
        return new Layer(id, name, kind, plate, lightAgainst, other, key, mask, maskSoftnessPx, filmedFoot, keyframes, shadow, gainStops, matched);
    }

    public Layer withMatched(boolean other) {
        return new Layer(id, name, kind, plate, lightAgainst, on, key, mask, maskSoftnessPx, filmedFoot, keyframes, shadow, gainStops, other);
    }

    public Layer against(@Nullable String plateId) {
        return new Layer(id, name, kind, plate, plateId, on, key, mask, maskSoftnessPx, filmedFoot, keyframes, shadow, gainStops, matched);
    }
}
