package org.scenothesis.testkit;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.rehearsal.Rendered;
import org.scenothesis.core.rehearsal.Renderer;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.ScreenCloth;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// A bust with loose hair in front of a cloth, with its true coverage.
///
/// - `wrinkle` as in the cloth; `uneven` true lights it from one side only, about a stop across.
public record KeyCase(String name, double wrinkle, boolean uneven, Rgb cloth) {
    public static final KeyCase FLAT = new KeyCase("flat", 0, false, ScreenCloth.GREEN);
    public static final KeyCase WRINKLED = new KeyCase("wrinkled, uneven", 0.25, true, ScreenCloth.GREEN);
    public static final KeyCase BLUE = new KeyCase("blue", 0.1, false, ScreenCloth.BLUE);

    /// Recorded pictures, and the truth.
    public record Shots(Picture take, Picture screenOnly, Plane alpha) {}

    public Shots film(int width, Bands bands) {
        int height = width * 9 / 16;
        View view = new View(new CameraPose(new Vec(0, 1.5, -3), 0, 0, 0, width * 1.1, width, height), 0, 3);
        Scenery set = new ScreenCloth(new Vec(-2, 0, 1.2), 4, 3.2, wrinkle, cloth).stage().with(new Scenery(List.of(), lamps()));
        Renderer renderer = new Renderer(set, Rgb.grey(0.05), view, new Quality(16, 48, 0, 3), bands);
        Rendered screen = renderer.still();
        Rendered with = renderer.moving(screen, t -> bust(), 0, 24);
        Sensor camera = new Sensor(Rgb.grey(1), 3e-5, 6e-4, 11);
        return new Shots(camera.record(with.light(), 0, bands), camera.record(screen.light(), 1, bands), with.coverage());
    }

    private List<Emitter> lamps() {
        Emitter left = new Emitter.Pane(new Vec(-3, 1, -2.5), new Vec(0, 1.6, 0), new Vec(0, 0, 1.6), Rgb.grey(uneven ? 16 : 9));
        Emitter right = new Emitter.Pane(new Vec(3, 1, -0.9), new Vec(0, 1.6, 0), new Vec(0, 0, -1.6), Rgb.grey(uneven ? 1 : 9));
        return List.of(left, right);
    }

    private static Scenery bust() {
        List<Solid> s = new ArrayList<>();
        Material skin = Material.matte(new Rgb(0.52, 0.32, 0.22));
        Material coat = Material.matte(new Rgb(0.30, 0.10, 0.09));
        Material hair = Material.matte(new Rgb(0.05, 0.03, 0.02));
        s.add(new Ellipsoid(new Vec(0, 0.95, 0), new Vec(0.42, 0.45, 0.25), 0, coat, 1));
        s.add(new RoundCone(new Vec(0, 1.3, 0), new Vec(0, 1.5, 0), 0.09, 0.08, skin, 1));
        s.add(new Ellipsoid(new Vec(0, 1.68, 0), new Vec(0.15, 0.20, 0.17), 0, skin, 1));
        s.add(new Ellipsoid(new Vec(0, 1.76, 0.03), new Vec(0.17, 0.17, 0.17), 0, hair, 1));
        s.add(new RoundCone(new Vec(0.35, 1.15, 0), new Vec(0.85, 1.35, -0.1), 0.08, 0.05, coat, 1));
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 40; i++) {
            double a = random.nextDouble(Math.PI);
            Vec root = new Vec(0.16 * Math.cos(a), 1.77 + 0.16 * Math.sin(a), 0);
            Vec tip = root.plus(new Vec(0.09 * Math.cos(a + random.nextDouble(-0.5, 0.5)), 0.08 * Math.sin(a), 0));
            s.add(new RoundCone(root, tip, 0.003, 0.001, hair, 1));
        }
        return new Scenery(s, List.of());
    }
}
