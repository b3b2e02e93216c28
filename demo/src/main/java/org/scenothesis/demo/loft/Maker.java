package org.scenothesis.demo.loft;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// The lantern-maker: a jointed figure with work jacket, apron, and hair of single strands.
///
/// - `foot`: the place between the feet; `lean` bends the back forward in radians; `gaze` turns the head towards a point.
/// - Hands are given as places; elbows follow from the arm lengths.
public record Maker(Vec foot, double lean, Vec gaze, Vec leftHand, Vec rightHand) {
    private static final Material SKIN = Material.matte(new Rgb(0.56, 0.34, 0.23)).glossy(0.025, 0.5);
    private static final Material JACKET = Material.patterned(Pattern.CLOTH, 0.5, new Rgb(0.060, 0.085, 0.16), new Rgb(0.03, 0.04, 0.08));
    private static final Material APRON = Material.patterned(Pattern.CLOTH, 0.4, new Rgb(0.44, 0.26, 0.10), new Rgb(0.24, 0.13, 0.05));
    private static final Material TIE = Material.matte(new Rgb(0.30, 0.16, 0.06));
    private static final Material TROUSERS = Material.matte(new Rgb(0.09, 0.085, 0.08));
    private static final Material HAIR = Material.matte(new Rgb(0.035, 0.022, 0.016)).glossy(0.05, 0.35);
    private static final Material COLLAR = Material.matte(new Rgb(0.62, 0.56, 0.45));
    private static final double UPPER = 0.29;
    private static final double FORE = 0.27;

    /// The performance of shot 12 at `seconds`: work at the paper, look up, reach out to the lantern, open the hand, follow it upwards.
    public static Maker lifting(double seconds) {
        double reach = ease((seconds - 0.7) / 1.1);
        double release = ease((seconds - 2.1) / 0.9);
        double sway = Math.sin(seconds * 2.1) * 0.006;
        Vec work = new Vec(0.12 + 0.03 * Math.sin(seconds * 5) * (1 - reach), Loft.BENCH_M + 0.045, 0.62);
        Vec touch = new Vec(0.44, Loft.BENCH_M + 0.20, 0.66);
        Vec open = new Vec(0.34, Loft.BENCH_M + 0.42, 0.62);
        Vec right = work.towards(touch, reach).towards(open, release);
        Vec left = new Vec(-0.38, Loft.BENCH_M + 0.04, 0.66).towards(new Vec(-0.34, Loft.BENCH_M + 0.10, 0.70), release);
        Vec paper = new Vec(0.05, Loft.BENCH_M, 0.45);
        Vec lantern = Loft.LANTERN_REST.plus(new Vec(0, 0.2 + 0.38 * release, 0));
        return new Maker(new Vec(-0.12 + sway, 0, 1.22), 0.20 - 0.06 * release, paper.towards(lantern, Math.max(reach, release)), left,
                right);
    }

    static double ease(double t) {
        double v = Math.clamp(t, 0, 1);
        return v * v * v * (v * (v * 6 - 15) + 10);
    }

    /// The figure's solids; `owner` is what they are told apart by.
    public Scenery stage(int owner) {
        List<Solid> s = new ArrayList<>();
        Vec hip = foot.plus(new Vec(0, 0.92, 0));
        Vec chest = hip.plus(up().times(0.36));
        Vec neck = hip.plus(up().times(0.53));
        legs(s, hip, owner);
        torso(s, hip, chest, neck, owner);
        arm(s, chest.plus(new Vec(-0.19, 0.09, 0)), leftHand, -1, owner);
        arm(s, chest.plus(new Vec(0.19, 0.09, 0)), rightHand, 1, owner);
        head(s, neck, owner);
        return new Scenery(s, List.of());
    }

    private Vec up() {
        return new Vec(0, Math.cos(lean), -Math.sin(lean));
    }

    private void legs(List<Solid> s, Vec hip, int owner) {
        for (int side = -1; side <= 1; side += 2) {
            Vec thigh = hip.plus(new Vec(0.09 * side, -0.03, 0));
            Vec knee = new Vec(foot.x() + 0.10 * side, 0.48, foot.z() - 0.03);
            Vec ankle = new Vec(foot.x() + 0.11 * side, 0.07, foot.z());
            s.add(new RoundCone(thigh, knee, 0.088, 0.062, TROUSERS, owner));
            s.add(new RoundCone(knee, ankle, 0.062, 0.045, TROUSERS, owner));
            s.add(new RoundCone(ankle, ankle.plus(new Vec(0.01 * side, -0.03, -0.14)), 0.045, 0.035, HAIR, owner));
        }
    }

    private void torso(List<Solid> s, Vec hip, Vec chest, Vec neck, int owner) {
        s.add(new Ellipsoid(hip.plus(new Vec(0, 0.02, 0)), new Vec(0.165, 0.14, 0.12), 0, JACKET, owner));
        s.add(new Ellipsoid(hip.towards(chest, 0.55), new Vec(0.155, 0.22, 0.115), 0, JACKET, owner));
        s.add(new Ellipsoid(chest, new Vec(0.195, 0.185, 0.125), 0, JACKET, owner));
        for (int side = -1; side <= 1; side += 2) {
            Vec shoulder = chest.plus(new Vec(0.175 * side, 0.095, 0));
            s.add(new RoundCone(neck.plus(new Vec(0.04 * side, -0.03, 0.005)), shoulder, 0.052, 0.066, JACKET, owner));
            s.add(new RoundCone(neck.plus(new Vec(0.055 * side, 0.0, -0.02)), chest.plus(new Vec(0.012 * side, 0.06, -0.115)), 0.016,
                    0.018, COLLAR, owner));
            s.add(new RoundCone(neck.plus(new Vec(0.075 * side, -0.01, -0.02)), chest.plus(new Vec(0.075 * side, -0.10, -0.128)), 0.013,
                    0.014, APRON, owner));
        }
        s.add(new Ellipsoid(hip.plus(up().times(0.17)).plus(new Vec(0, 0, -0.050)), new Vec(0.128, 0.27, 0.102), 0, APRON, owner));
        s.add(new Ellipsoid(hip.plus(new Vec(0, -0.06, -0.040)), new Vec(0.172, 0.26, 0.112), 0, APRON, owner));
        s.add(new RoundCone(hip.plus(new Vec(-0.145, 0.12, -0.045)), hip.plus(new Vec(0.145, 0.12, -0.045)), 0.026, 0.026, TIE, owner));
        s.add(new RoundCone(hip.plus(new Vec(-0.07, 0.12, -0.088)), hip.plus(new Vec(0.07, 0.12, -0.088)), 0.026, 0.026, TIE, owner));
        s.add(new RoundCone(neck.plus(new Vec(0, -0.03, 0)), neck.plus(new Vec(0, 0.07, -0.02)), 0.055, 0.050, SKIN, owner));
    }

    private static void arm(List<Solid> s, Vec shoulder, Vec hand, int side, int owner) {
        Vec line = hand.minus(shoulder);
        double d = Math.min(line.length(), UPPER + FORE - 0.005);
        Vec to = line.unit();
        double along = (UPPER * UPPER - FORE * FORE + d * d) / (2 * d);
        double off = Math.sqrt(Math.max(0, UPPER * UPPER - along * along));
        Vec hint = new Vec(0.75 * side, -0.6, 0.35);
        Vec away = hint.minus(to.times(hint.dot(to))).unit();
        Vec elbow = shoulder.plus(to.times(along)).plus(away.times(off));
        Vec wrist = shoulder.plus(to.times(d));
        Vec cuff = elbow.towards(wrist, 0.62);
        s.add(new RoundCone(shoulder, elbow, 0.066, 0.052, JACKET, owner));
        s.add(new RoundCone(elbow, cuff, 0.053, 0.047, JACKET, owner));
        s.add(new RoundCone(cuff, cuff.towards(wrist, 0.12), 0.050, 0.050, COLLAR, owner));
        s.add(new RoundCone(cuff, wrist, 0.036, 0.027, SKIN, owner));
        hand(s, wrist, wrist.minus(elbow).unit(), side, owner);
    }

    private static void hand(List<Solid> s, Vec wrist, Vec to, int side, int owner) {
        Vec across = to.cross(new Vec(0, 1, 0)).unit();
        Vec palm = wrist.plus(to.times(0.075));
        s.add(new RoundCone(wrist, palm, 0.028, 0.033, SKIN, owner));
        for (int f = 0; f < 4; f++) {
            Vec root = palm.plus(across.times((f - 1.5) * 0.017)).plus(to.times(0.012));
            Vec knuckle = root.plus(to.times(0.034)).plus(new Vec(0, -0.006, 0));
            double length = f == 1 || f == 2 ? 0.036 : 0.028;
            s.add(new RoundCone(root, knuckle, 0.0095, 0.0085, SKIN, owner));
            s.add(new RoundCone(knuckle, knuckle.plus(to.times(length)).plus(new Vec(0, -0.014, 0)), 0.0085, 0.007, SKIN, owner));
        }
        Vec thumb = palm.plus(new Vec(0, 0.02, 0)).plus(across.times(-0.02 * side));
        s.add(new RoundCone(thumb.minus(to.times(0.02)), thumb.plus(to.times(0.03)).plus(new Vec(0, 0.016, 0)), 0.011, 0.009, SKIN, owner));
    }

    private void head(List<Solid> s, Vec neck, int owner) {
        Vec c = neck.plus(new Vec(0, 0.165, -0.035));
        Vec look = gaze.minus(c).unit();
        Vec facing = new Vec(0, -0.1, -1).times(0.55).plus(look.times(0.65)).unit();
        Vec across = new Vec(0, 1, 0).cross(facing).unit();
        Vec crown = facing.cross(across).unit();
        s.add(new Ellipsoid(c, new Vec(0.076, 0.105, 0.092), 0, SKIN, owner));
        s.add(new RoundCone(c.plus(facing.times(0.03)), c.plus(facing.times(0.045)).minus(crown.times(0.085)), 0.062, 0.038, SKIN, owner));
        face(s, c, facing, across, crown, owner);
        hair(s, c, facing, across, crown, owner);
    }

    private static void face(List<Solid> s, Vec c, Vec facing, Vec across, Vec crown, int owner) {
        Material lip = Material.matte(new Rgb(0.33, 0.13, 0.10));
        s.add(new RoundCone(c.plus(facing.times(0.088)).plus(crown.times(0.012)), c.plus(facing.times(0.106)).minus(crown.times(0.020)),
                0.008, 0.012, SKIN, owner));
        s.add(new RoundCone(
                c.plus(facing.times(0.086)).minus(crown.times(0.058)).plus(across.times(0.016)),
                c.plus(facing.times(0.086)).minus(crown.times(0.058)).minus(across.times(0.016)), 0.007, 0.007, lip, owner));
        for (int side = -1; side <= 1; side += 2) {
            Vec eye = c.plus(facing.times(0.083)).plus(across.times(0.031 * side)).plus(crown.times(0.012));
            s.add(new Ellipsoid(eye, new Vec(0.0125, 0.008, 0.010), 0, Material.matte(Rgb.grey(0.55)).glossy(0.05, 0.1), owner));
            s.add(new Ellipsoid(eye.plus(facing.times(0.006)), new Vec(0.006, 0.0065, 0.006), 0, Material.matte(new Rgb(0.03, 0.02, 0.015))
                    .glossy(0.06, 0.05), owner));
            s.add(new RoundCone(
                    eye.plus(crown.times(0.022)).plus(across.times(0.016 * side)), eye.plus(crown.times(0.025))
                    .minus(across.times(0.012 * side)).plus(facing.times(0.006)),
                    0.004, 0.0045, HAIR, owner));
            s.add(new Ellipsoid(c.plus(across.times(0.077 * side)).minus(facing.times(0.01)), new Vec(0.012, 0.026, 0.018), 0, SKIN,
                    owner));
        }
    }

    private static void hair(List<Solid> s, Vec c, Vec facing, Vec across, Vec crown, int owner) {
        Vec cap = c.plus(crown.times(0.030)).minus(facing.times(0.022));
        s.add(new Ellipsoid(cap, new Vec(0.086, 0.092, 0.090), 0, HAIR, owner));
        Vec bun = c.plus(crown.times(0.118)).minus(facing.times(0.055));
        s.add(new Ellipsoid(bun, new Vec(0.046, 0.040, 0.046), 0, HAIR, owner));
        SplittableRandom random = new SplittableRandom(11);
        for (int i = 0; i < 90; i++) {
            double a = random.nextDouble(2 * Math.PI);
            double h = random.nextDouble(-0.35, 0.95);
            double w = Math.sqrt(1 - h * h);
            Vec out = across.times(w * Math.cos(a)).plus(facing.times(-0.35 - 0.65 * Math.abs(w * Math.sin(a)))).plus(crown.times(h))
                    .unit();
            Vec root = cap.plus(out.times(0.085));
            double loose = random.nextDouble();
            Vec bend = root.plus(out.times(0.012 + 0.028 * loose * loose)).plus(new Vec(0, -0.004 - 0.02 * random.nextDouble(), 0));
            Vec tip = bend.plus(across.times(random.nextDouble(-0.014, 0.014))).plus(new Vec(0, -0.018 - 0.02 * random.nextDouble(), 0));
            s.add(new RoundCone(root, bend, 0.0011, 0.0008, HAIR, owner));
            s.add(new RoundCone(bend, tip, 0.0008, 0.0004, HAIR, owner));
        }
    }
}
