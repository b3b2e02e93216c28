package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.piece.Spot;

/// A box on the set: its middle, half its sizes along its own right, up and depth, and how it is turned.
public record Block(Vec middle, Vec half, double turnDeg) {
    private static final double NEAR = 1e-6;

    /// Standing at a spot, from a height on.
    static Block standing(Spot at, double fromM, double wideM, double highM, double deepM) {
        return new Block(at.up(fromM + highM / 2), new Vec(wideM / 2, highM / 2, deepM / 2), at.turnDeg());
    }

    private Spot turn() {
        return new Spot(0, 0, turnDeg);
    }

    /// The same moved by so much to its right, up and away from what it faces.
    Block moved(Vec by) {
        return new Block(middle.plus(turn().right().times(by.x())).plus(Vec.UP.times(by.y())).plus(turn().ahead().times(-by.z())), half,
                turnDeg);
    }

    /// Its eight corners.
    public List<Vec> corners() {
        Vec r = turn().right().times(half.x());
        Vec u = Vec.UP.times(half.y());
        Vec d = turn().ahead().times(half.z());
        List<Vec> out = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            out.add(middle.plus(r.times((i & 1) == 0 ? -1 : 1)).plus(u.times((i & 2) == 0 ? -1 : 1)).plus(d.times((i & 4) == 0 ? -1 : 1)));
        }
        return out;
    }

    /// Whether it stands between two points.
    public boolean cuts(Vec from, Vec to) {
        Spot t = turn();
        Vec r = t.right();
        Vec a = t.ahead();
        double ox = from.x() - middle.x();
        double oy = from.y() - middle.y();
        double oz = from.z() - middle.z();
        double dx = to.x() - from.x();
        double dy = to.y() - from.y();
        double dz = to.z() - from.z();
        double in = NEAR;
        double out = 1 - NEAR;
        // Slab by slab, along its right, up, and depth.
        for (int k = 0; k < 3; k++) {
            double o = k == 0 ? ox * r.x() + oz * r.z() : k == 1 ? oy : ox * a.x() + oz * a.z();
            double d = k == 0 ? dx * r.x() + dz * r.z() : k == 1 ? dy : dx * a.x() + dz * a.z();
            double h = k == 0 ? half.x() : k == 1 ? half.y() : half.z();
            if (Math.abs(d) < 1e-12) {
                if (Math.abs(o) > h) {
                    return false;
                }
                continue;
            }
            double s = (-h - o) / d;
            double e = (h - o) / d;
            in = Math.max(in, Math.min(s, e));
            out = Math.min(out, Math.max(s, e));
        }
        return in < out;
    }
}
