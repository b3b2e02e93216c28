package org.scenothesis.demo.loft;

import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// A ribbed paper lantern with wooden caps: `foot` is the lowest point of its axis, `tilt` its swing in radians.
public record PaperLantern(Vec foot, double radius, double tilt, Rgb paper, Rgb glow) {
    private static final Rgb CREAM = new Rgb(0.78, 0.66, 0.45);

    /// A dark one on its foot; both in metres.
    public static PaperLantern at(Vec foot, double radius) {
        return new PaperLantern(foot, radius, 0, CREAM, Rgb.BLACK);
    }

    /// The same, glowing.
    public PaperLantern lit(Rgb glow) {
        return new PaperLantern(foot, radius, tilt, paper, glow);
    }

    /// The same of other paper, not glowing.
    public PaperLantern dark(Rgb paper) {
        return new PaperLantern(foot, radius, tilt, paper, Rgb.BLACK);
    }

    /// The same leaning, by radians.
    public PaperLantern tilted(double by) {
        return new PaperLantern(foot, radius, by, paper, glow);
    }

    /// Height from foot to the ring on top.
    public double heightM() {
        return radius * 2.62;
    }

    /// Adds the lantern; caps and ring stand along its tilted axis.
    public void build(List<Solid> s, int owner) {
        Vec axis = new Vec(-Math.sin(tilt), Math.cos(tilt), 0);
        Material ribs = new Material(paper, new Rgb(0.30, 0.19, 0.09), Pattern.RIBS, 0.125, glow, 0, 1);
        s.add(new Ellipsoid(foot.plus(axis.times(radius * 1.2)), new Vec(radius, radius * 1.12, radius), tilt, ribs, owner));
        Material cap = Material.matte(new Rgb(0.16, 0.07, 0.035)).glossy(0.05, 0.3);
        double[] at = {0.12, 2.28};
        for (double a : at) {
            s.add(new RoundCone(
                    foot.plus(axis.times(radius * (a - 0.04))), foot.plus(axis.times(radius * (a + 0.04))), radius * 0.36, radius * 0.36,
                    cap, owner));
        }
        Material wire = Material.matte(new Rgb(0.10, 0.07, 0.04));
        Vec side = new Vec(Math.cos(tilt), Math.sin(tilt), 0);
        Vec middle = foot.plus(axis.times(radius * 2.42));
        int n = 12;
        for (int i = 0; i < n; i++) {
            s.add(new RoundCone(arc(middle, side, axis, i * Math.PI / n), arc(middle, side, axis, (i + 1) * Math.PI / n), 0.004, 0.004,
                    wire, owner));
        }
    }

    private Vec arc(Vec middle, Vec side, Vec up, double angle) {
        return middle.plus(side.times(radius * 0.34 * Math.cos(angle))).plus(up.times(radius * 0.42 * Math.sin(angle)));
    }
}
