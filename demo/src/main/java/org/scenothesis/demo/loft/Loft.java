package org.scenothesis.demo.loft;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.ScreenCloth;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.BoxSolid;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Panel;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// The loft: plaster and brick, a window at the left with sun and sky, a work bench, shelves and hanging lanterns.
public final class Loft {
    /// The small crumpled cloth that hangs before the wall.
    public static final ScreenCloth CLOTH = new ScreenCloth(new Vec(-0.62, 0.86, 1.18), 2.5, 1.62, 0.40, ScreenCloth.GREEN);

    /// Height of the bench top.
    public static final double BENCH_M = 0.84;
    /// Where the lantern stands on the bench at the start (its foot), and where it hangs in the end.
    public static final Vec LANTERN_REST = new Vec(0.62, BENCH_M, 0.62);
    public static final Rgb AMBIENT = new Rgb(0.035, 0.034, 0.033);
    /// Unit direction towards the sun.
    public static final Vec SUN = new Vec(-0.62, 0.76, 0.16).unit();
    public static final double SUN_RADIUS = Math.toRadians(0.265);

    private static final double LEFT = -1.75;
    private static final double RIGHT = 3.0;
    private static final double BACK = 2.4;
    private static final double FRONT = -4.2;
    private static final double TOP = 2.9;
    private static final double WINDOW_LOW = 0.95;
    private static final double WINDOW_HIGH = 2.4;
    private static final double WINDOW_NEAR = 0.35;
    private static final double WINDOW_FAR = 2.0;

    private static final Material PLASTER = Material.patterned(Pattern.PLASTER, 0.8, new Rgb(0.50, 0.43, 0.34), new Rgb(0.31, 0.25, 0.19));
    private static final Material BRICK = Material.patterned(Pattern.BRICKS, 0.085, new Rgb(0.33, 0.19, 0.13), new Rgb(0.42, 0.33, 0.25));
    private static final Material FLOOR =
            Material.patterned(Pattern.PLANKS, 0.17, new Rgb(0.30, 0.18, 0.10), new Rgb(0.13, 0.07, 0.04)).glossy(0.03, 0.35);
    private static final Material TILE = Material.patterned(Pattern.TILES, 0.3, new Rgb(0.36, 0.21, 0.15), new Rgb(0.16, 0.10, 0.08))
            .glossy(0.04, 0.3);
    private static final Material OAK =
            Material.patterned(Pattern.PLANKS, 0.21, new Rgb(0.46, 0.29, 0.15), new Rgb(0.24, 0.13, 0.06)).glossy(0.035, 0.3);
    private static final Material DARK_WOOD = Material.patterned(Pattern.PLANKS, 0.12, new Rgb(0.20, 0.115, 0.06),
            new Rgb(0.10, 0.055, 0.03));
    private static final Material PAINT = Material.matte(new Rgb(0.16, 0.22, 0.21)).glossy(0.03, 0.4);
    private static final Material PAPER = Material.matte(new Rgb(0.74, 0.70, 0.60));
    private static final Material BRASS = Material.matte(new Rgb(0.36, 0.24, 0.09)).glossy(0.35, 0.3);

    private Loft() {}

    /// The camera of shot 12: 35 mm on a 36 mm sensor, lens at 1.42 m, tilted 3° down.
    public static View view(int width, int height) {
        double focal = 35.0 / 36 * width;
        return new View(new CameraPose(new Vec(0.15, 1.42, -3.3), 0, -3, 0, focal, width, height), 0.0035, 4.0);
    }

    /// The set without anyone in it.
    public static Scenery set() {
        List<Solid> s = new ArrayList<>();
        room(s);
        window(s);
        bench(s);
        shelves(s);
        List<Emitter> lamps = new ArrayList<>(daylight());
        hanging(s, lamps);
        return new Scenery(s, lamps);
    }

    /// The grey card and the ruler of the reference plate, standing on the bench.
    public static Scenery cardAndRuler() {
        List<Solid> s = new ArrayList<>();
        s.add(new BoxSolid(new Vec(0.35, BENCH_M + 0.13, 0.66), new Vec(0.10, 0.13, 0.003), 0.12, Material.matte(Rgb.grey(0.18)), 1));
        Material ruler = Material.patterned(Pattern.CHECKS, 0.05, new Rgb(0.75, 0.72, 0.62), new Rgb(0.04, 0.04, 0.04));
        s.add(new BoxSolid(new Vec(0.85, BENCH_M + 0.30, 0.66), new Vec(0.02, 0.30, 0.004), 0, ruler, 1));
        return new Scenery(s, List.of());
    }

    private static List<Emitter> daylight() {
        return List.of(
                new Emitter.Sun(SUN, SUN_RADIUS, new Rgb(7.5, 6.5, 5.0)),
                new Emitter.Pane(
                        new Vec(LEFT - 0.06, WINDOW_LOW, WINDOW_NEAR), new Vec(0, WINDOW_HIGH - WINDOW_LOW, 0),
                        new Vec(0, 0, WINDOW_FAR - WINDOW_NEAR), new Rgb(5.4, 5.8, 6.4)),
                // A second window far behind the camera, soft and low.
                new Emitter.Pane(new Vec(-1.2, 0.9, FRONT + 0.05), new Vec(2.6, 0, 0), new Vec(0, 1.6, 0), new Rgb(2.1, 2.1, 2.1)));
    }

    private static void room(List<Solid> s) {
        s.add(Panel.flat(new Vec(LEFT, 0, 0.2), new Vec(RIGHT - LEFT, 0, 0), new Vec(0, 0, BACK - 0.2), FLOOR, 0));
        s.add(Panel.flat(new Vec(LEFT, 0, FRONT), new Vec(RIGHT - LEFT, 0, 0), new Vec(0, 0, 0.2 - FRONT), TILE, 0));
        s.add(Panel.flat(new Vec(LEFT, TOP, FRONT), new Vec(RIGHT - LEFT, 0, 0), new Vec(0, 0, BACK - FRONT), PLASTER, 0));
        s.add(Panel.flat(new Vec(LEFT, 0, BACK), new Vec(RIGHT - LEFT, 0, 0), new Vec(0, TOP, 0), BRICK, 0));
        s.add(Panel.flat(new Vec(RIGHT, 0, FRONT), new Vec(0, 0, BACK - FRONT), new Vec(0, TOP, 0), PLASTER, 0));
        s.add(Panel.flat(new Vec(LEFT, 0, FRONT), new Vec(RIGHT - LEFT, 0, 0), new Vec(0, TOP, 0), PLASTER, 0));
        s.add(Panel.flat(new Vec(LEFT, 0, FRONT), new Vec(0, 0, BACK - FRONT), new Vec(0, WINDOW_LOW, 0), PLASTER, 0));
        s.add(Panel.flat(new Vec(LEFT, WINDOW_HIGH, FRONT), new Vec(0, 0, BACK - FRONT), new Vec(0, TOP - WINDOW_HIGH, 0), PLASTER, 0));
        s.add(Panel.flat(new Vec(LEFT, WINDOW_LOW, FRONT), new Vec(0, 0, WINDOW_NEAR - FRONT), new Vec(0, WINDOW_HIGH - WINDOW_LOW, 0),
                PLASTER, 0));
        s.add(Panel.flat(new Vec(LEFT, WINDOW_LOW, WINDOW_FAR), new Vec(0, 0, BACK - WINDOW_FAR), new Vec(0, WINDOW_HIGH - WINDOW_LOW, 0),
                PLASTER, 0));
        for (double z : new double[] {0.9, 2.28}) {
            s.add(BoxSolid.between(new Vec(LEFT, TOP - 0.16, z - 0.07), new Vec(RIGHT, TOP, z + 0.07), DARK_WOOD, 0));
        }
        s.add(BoxSolid.between(new Vec(LEFT, 0, BACK - 0.02), new Vec(RIGHT, 0.14, BACK), PAINT, 0));
    }

    private static void window(List<Solid> s) {
        Material sky = Material.matte(new Rgb(0.02, 0.02, 0.02)).glowing(new Rgb(1.9, 2.15, 2.5));
        s.add(new Panel(
                new Vec(LEFT - 0.30, WINDOW_LOW - 0.5, WINDOW_NEAR - 0.8), new Vec(0, 0, WINDOW_FAR - WINDOW_NEAR + 2.2),
                new Vec(0, WINDOW_HIGH - WINDOW_LOW + 1, 0), 0, true, sky, 0));
        for (int i = 0; i <= 3; i++) {
            double z = WINDOW_NEAR + (WINDOW_FAR - WINDOW_NEAR) * i / 3;
            s.add(BoxSolid.between(new Vec(LEFT - 0.03, WINDOW_LOW, z - 0.022), new Vec(LEFT + 0.03, WINDOW_HIGH, z + 0.022), PAINT, 0));
        }
        for (int i = 0; i <= 3; i++) {
            double y = WINDOW_LOW + (WINDOW_HIGH - WINDOW_LOW) * i / 3;
            s.add(BoxSolid.between(new Vec(LEFT - 0.03, y - 0.02, WINDOW_NEAR), new Vec(LEFT + 0.03, y + 0.02, WINDOW_FAR), PAINT, 0));
        }
        s.add(BoxSolid.between(new Vec(LEFT, WINDOW_LOW - 0.05, WINDOW_NEAR - 0.05), new Vec(LEFT + 0.16, WINDOW_LOW, WINDOW_FAR + 0.05),
                OAK, 0));
        pot(s, new Vec(LEFT + 0.09, WINDOW_LOW, 1.75), 0.06);
    }

    private static void pot(List<Solid> s, Vec foot, double r) {
        Material clay = Material.matte(new Rgb(0.42, 0.20, 0.12));
        s.add(new RoundCone(foot.plus(new Vec(0, r, 0)), foot.plus(new Vec(0, 1.7 * r, 0)), r * 0.8, r, clay, 0));
        Material dry = Material.matte(new Rgb(0.34, 0.25, 0.13));
        for (int i = 0; i < 7; i++) {
            double a = i * 2.4;
            Vec top = foot.plus(new Vec(Math.cos(a) * 0.10, 0.34 + 0.05 * (i % 3), Math.sin(a) * 0.07));
            s.add(new RoundCone(foot.plus(new Vec(0, 1.8 * r, 0)), top, 0.004, 0.002, dry, 0));
            s.add(new Ellipsoid(top, new Vec(0.012, 0.03, 0.012), 0.3 * Math.cos(a), dry, 0));
        }
    }

    private static void bench(List<Solid> s) {
        double y = BENCH_M;
        s.add(BoxSolid.between(new Vec(-0.85, y - 0.055, 0.28), new Vec(1.55, y, 1.05), OAK, 0));
        s.add(BoxSolid.between(new Vec(-0.75, y - 0.16, 0.36), new Vec(1.45, y - 0.055, 0.40), OAK, 0));
        for (double x : new double[] {-0.72, 1.36}) {
            for (double z : new double[] {0.36, 0.92}) {
                s.add(BoxSolid.between(new Vec(x, 0, z), new Vec(x + 0.08, y - 0.05, z + 0.08), OAK, 0));
            }
        }
        s.add(BoxSolid.between(new Vec(-0.70, 0.22, 0.38), new Vec(1.42, 0.25, 0.98), DARK_WOOD, 0));
        s.add(new BoxSolid(new Vec(-0.2, 0.36, 0.62), new Vec(0.22, 0.11, 0.15), 0.1, PAINT, 0));
        s.add(new BoxSolid(new Vec(0.62, 0.34, 0.64), new Vec(0.26, 0.09, 0.16), -0.06, DARK_WOOD, 0));
        sheets(s);
        jar(s, new Vec(1.28, y, 0.52));
        s.add(new RoundCone(new Vec(-0.66, y + 0.035, 0.5), new Vec(-0.62, y + 0.035, 0.9), 0.035, 0.035, PAPER, 0));
        s.add(new RoundCone(new Vec(-0.57, y + 0.03, 0.46), new Vec(-0.54, y + 0.03, 0.88), 0.03, 0.03,
                Material.matte(new Rgb(0.55, 0.16, 0.10)), 0));
        s.add(new RoundCone(new Vec(1.02, y + 0.03, 0.42), new Vec(1.02, y + 0.05, 0.42), 0.045, 0.05, BRASS, 0));
    }

    private static void sheets(List<Solid> s) {
        s.add(new BoxSolid(new Vec(-0.12, BENCH_M + 0.004, 0.56), new Vec(0.19, 0.004, 0.13), 0.08, PAPER, 0));
        s.add(new BoxSolid(new Vec(-0.09, BENCH_M + 0.009, 0.55), new Vec(0.17, 0.001, 0.11), -0.13,
                Material.matte(new Rgb(0.70, 0.58, 0.36)), 0));
        Material hoop = Material.matte(new Rgb(0.55, 0.42, 0.22));
        Vec c = new Vec(0.20, BENCH_M + 0.012, 0.48);
        for (int i = 0; i < 20; i++) {
            double a = i * Math.PI / 10;
            double b = (i + 1) * Math.PI / 10;
            s.add(new RoundCone(
                    c.plus(new Vec(0.10 * Math.cos(a), 0, 0.10 * Math.sin(a))), c.plus(new Vec(0.10 * Math.cos(b), 0, 0.10 * Math.sin(b))),
                    0.006, 0.006, hoop, 0));
        }
    }

    private static void jar(List<Solid> s, Vec foot) {
        Material glaze = Material.matte(new Rgb(0.10, 0.17, 0.24)).glossy(0.06, 0.1);
        s.add(new RoundCone(foot.plus(new Vec(0, 0.05, 0)), foot.plus(new Vec(0, 0.10, 0)), 0.05, 0.045, glaze, 0));
        double[][] brushes = {{-0.05, 0.30, 0.02}, {0.02, 0.33, 0.0}, {0.06, 0.29, -0.02}, {-0.01, 0.26, 0.05}};
        for (double[] b : brushes) {
            Vec tip = foot.plus(new Vec(b[0], b[1], b[2]));
            s.add(new RoundCone(foot.plus(new Vec(0, 0.1, 0)), tip, 0.006, 0.005, Material.matte(new Rgb(0.50, 0.33, 0.16)), 0));
            s.add(new Ellipsoid(tip, new Vec(0.010, 0.03, 0.010), -b[0], Material.matte(new Rgb(0.07, 0.05, 0.04)), 0));
        }
    }

    private static void shelves(List<Solid> s) {
        double[][] boards = {{0.35, 1.55}, {0.35, 1.98}, {-1.2, 1.86}};
        double[] rights = {2.7, 2.7, -0.35};
        for (int i = 0; i < boards.length; i++) {
            s.add(BoxSolid.between(new Vec(boards[i][0], boards[i][1], BACK - 0.28), new Vec(rights[i], boards[i][1] + 0.03, BACK),
                    DARK_WOOD, 0));
        }
        Rgb[] rolls = {new Rgb(0.70, 0.64, 0.50), new Rgb(0.55, 0.14, 0.09), new Rgb(0.66, 0.46, 0.16), new Rgb(0.16, 0.22, 0.34),
                new Rgb(0.72, 0.68, 0.60)};
        for (int i = 0; i < 9; i++) {
            double x = 0.48 + i * 0.105 + 0.01 * (i % 3);
            s.add(new RoundCone(new Vec(x, 1.625, BACK - 0.25), new Vec(x, 1.625, BACK - 0.03), 0.042, 0.042,
                    Material.matte(rolls[(i * 3) % 5]), 0));
        }
        for (int i = 0; i < 5; i++) {
            double h = 0.09 + 0.035 * (i * 7 % 4);
            Material box = Material.matte(rolls[(i * 2 + 1) % 5].times(0.6));
            s.add(BoxSolid.between(new Vec(1.55 + i * 0.22, 1.58, BACK - 0.22), new Vec(1.73 + i * 0.22, 1.58 + h, BACK - 0.05), box, 0));
        }
        for (int i = 0; i < 4; i++) {
            PaperLantern.at(new Vec(0.55 + i * 0.33, 2.01, BACK - 0.14), 0.085 + 0.012 * (i % 2)).dark(rolls[(i + 4) % 5]).build(s, 0);
        }
        for (int i = 0; i < 3; i++) {
            jar(s, new Vec(-1.05 + i * 0.24, 1.89, BACK - 0.14));
        }
    }

    private static void hanging(List<Solid> s, List<Emitter> lamps) {
        double[][] hung = {{-0.95, 2.12, 1.7, 0.17}, {1.75, 2.06, 1.35, 0.20}, {2.3, 2.3, 1.9, 0.15}, {0.1, 2.38, 2.0, 0.13}};
        for (int i = 0; i < hung.length; i++) {
            double[] h = hung[i];
            Vec foot = new Vec(h[0], h[1] - h[3] * 1.2, h[2]);
            PaperLantern lantern = PaperLantern.at(foot, h[3]);
            boolean lit = i == 1;
            (lit ? lantern.lit(new Rgb(1.5, 0.72, 0.24)) : lantern.lit(new Rgb(0.10, 0.07, 0.035))).build(s, 100 + i);
            s.add(new RoundCone(new Vec(h[0], h[1] + h[3] * 1.25, h[2]), new Vec(h[0], TOP, h[2]), 0.003, 0.003,
                    Material.matte(Rgb.grey(0.03)), 0));
            if (lit) {
                lamps.add(new Emitter.Ball(new Vec(h[0], h[1], h[2]), h[3] * 0.9, new Rgb(2.2, 1.05, 0.36), 100 + i));
            }
        }
    }
}
