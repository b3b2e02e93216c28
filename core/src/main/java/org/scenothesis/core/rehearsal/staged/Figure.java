package org.scenothesis.core.rehearsal.staged;

import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Block;

/// Somebody who stands in a box with the arms a little off, as large as the box.
record Figure(Block box, boolean plain, Wear wear) {
    /// The colours of what is seen of somebody.
    record Wear(Rgb skin, Rgb shirt, Rgb trousers, Rgb hair) {
        static final Wear CLOTHES = new Wear(new Rgb(0.50, 0.32, 0.22), new Rgb(0.33, 0.15, 0.11), new Rgb(0.11, 0.11, 0.13),
                new Rgb(0.05, 0.035, 0.025));

        /// Nothing but the suit.
        static Wear suit(Rgb dye) {
            return new Wear(dye, dye, dye, dye);
        }

        Wear withShirt(Rgb other) {
            return new Wear(skin, other, trousers, hair);
        }
    }

    private Material of(Rgb colour) {
        return plain ? Material.matte(Rgb.grey(0.5)) : Material.patterned(Pattern.CLOTH, 0.5, colour, colour.times(0.7));
    }

    /// A place in it: shares of half its width, of its height, of half its depth.
    private Vec at(double x, double y, double z) {
        Spot turn = new Spot(0, 0, box.turnDeg());
        Vec foot = box.middle().minus(Vec.UP.times(box.half().y()));
        return foot.plus(turn.right().times(x * box.half().x())).plus(Vec.UP.times(2 * y * box.half().y()))
                .plus(turn.ahead().times(z * box.half().z()));
    }

    void into(List<Solid> s, int owner) {
        double high = 2 * box.half().y();
        double thick = Math.min(1, 2 * box.half().x() / (0.3 * high));
        for (int side = -1; side <= 1; side += 2) {
            s.add(new RoundCone(at(0.22 * side, 0.50, 0), at(0.26 * side, 0.27, 0.1), 0.052 * high * thick, 0.038 * high * thick,
                    of(wear.trousers), owner));
            s.add(new RoundCone(at(0.26 * side, 0.27, 0.1), at(0.28 * side, 0.035, 0), 0.038 * high * thick, 0.027 * high * thick,
                    of(wear.trousers), owner));
            s.add(new RoundCone(at(0.28 * side, 0.02, 0), at(0.30 * side, 0.016, 0.75), 0.02 * high * thick, 0.016 * high * thick,
                    of(wear.hair), owner));
            s.add(new RoundCone(at(0.42 * side, 0.79, 0), at(0.66 * side, 0.62, -0.05), 0.030 * high * thick, 0.025 * high * thick,
                    of(wear.shirt), owner));
            s.add(new RoundCone(at(0.66 * side, 0.62, -0.05), at(0.88 * side, 0.47, 0.25), 0.025 * high * thick, 0.018 * high * thick,
                    of(wear.shirt), owner));
            s.add(new Ellipsoid(at(0.92 * side, 0.445, 0.3), new Vec(0.02, 0.03, 0.02).times(high * thick), 0, of(wear.skin), owner));
        }
        s.add(new RoundCone(at(0, 0.53, 0), at(0, 0.73, 0), 0.082 * high * thick, 0.098 * high * thick, of(wear.shirt), owner));
        s.add(new RoundCone(at(-0.34, 0.785, 0), at(0.34, 0.785, 0), 0.042 * high * thick, 0.042 * high * thick, of(wear.shirt), owner));
        s.add(new RoundCone(at(0, 0.8, 0), at(0, 0.86, 0), 0.032 * high, 0.032 * high, of(wear.skin), owner));
        s.add(new Ellipsoid(at(0, 0.925, 0.05), new Vec(0.047, 0.066, 0.055).times(high), 0, of(wear.skin), owner));
        s.add(new Ellipsoid(at(0, 0.945, -0.12), new Vec(0.052, 0.055, 0.056).times(high), 0, of(wear.hair), owner));
    }
}
