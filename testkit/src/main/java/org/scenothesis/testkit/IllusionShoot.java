package org.scenothesis.testkit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.rehearsal.Rendered;
import org.scenothesis.core.rehearsal.Renderer;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.ScreenCloth;
import org.scenothesis.core.rehearsal.Sensor;
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
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

/// Tiny plates for every kind of illusion, filmed by the simulated camera in one room and before one cloth: a figure, halves of it, a ball,
/// light, another place.
public final class IllusionShoot {
    public static final int WIDTH = 320;
    public static final int HEIGHT = 180;
    public static final int FRAMES = 12;
    public static final double RATE = 12;
    private static final Vec STAND = new Vec(0, 0, 0.2);
    private static final Rgb AMBIENT = Rgb.grey(0.16);
    private static final Quality QUALITY = new Quality(32, 12, 0.4, 5);

    private final Path footage;
    private final Bands bands;
    private final Sensor camera = new Sensor(Rgb.grey(1), 2e-5, 4e-4, 3);
    private final View view = new View(new CameraPose(new Vec(0, 1.3, -3.6), 0, -4, 0, WIDTH * 0.95, WIDTH, HEIGHT), 0, 3.8);

    private IllusionShoot(Path footage, Bands bands) {
        this.footage = footage;
        this.bands = bands;
    }

    /// Films all plates into `folder/footage`.
    ///
    /// @throws FootageException if a file cannot be written
    public static void film(Path folder, Bands bands) throws FootageException, IOException {
        new IllusionShoot(Files.createDirectories(folder.resolve("footage")), bands).all();
    }

    private void all() throws FootageException, IOException {
        Renderer room = renderer(room());
        Rendered empty = room.still();
        still("room", empty);
        Renderer lit = renderer(room()
                .with(new Scenery(List.of(), List.of(new Emitter.Ball(new Vec(-0.55, 1.5, 0), 0.1, new Rgb(70, 40, 14), 5)))));
        still("lamp", lit.still());
        take("walker", room, empty, t -> figure(new Vec(-1.1 + 2.2 * t, 0, 0.2), 0.3, true, true));
        take("talker", room, empty, t -> figure(STAND, 0.2 + 1.5 * t, true, true));
        take("toy", room, empty, t -> toy(STAND, t));
        Renderer cloth = renderer(cloth());
        Rendered bare = cloth.still();
        still("screen", bare);
        take("actor", cloth, bare, t -> figure(STAND, 0.3 + 0.5 * Math.sin(6 * t), true, true));
        take("upper", cloth, bare, t -> figure(STAND, 0.3 + 0.8 * t, true, false));
        take("lower", cloth, bare, t -> figure(STAND, 0, false, true));
        still("ball", cloth.moving(bare, t -> ball(0.17), 0, RATE));
        still("moon", cloth.moving(bare, t -> ball(0.5), 0, RATE));
        Renderer dark = renderer(Scenery.EMPTY, Rgb.grey(0));
        take("spark", dark, dark.still(), t -> spark(new Vec(-0.9 + 1.8 * t, 1.2 + 0.5 * Math.sin(7 * t), 0.2)));
        still("street", renderer(street()).still());
    }

    private Renderer renderer(Scenery s) {
        return renderer(s, AMBIENT);
    }

    private Renderer renderer(Scenery s, Rgb ambient) {
        return new Renderer(s, ambient, view, QUALITY, bands);
    }

    private void still(String name, Rendered r) throws FootageException, IOException {
        Stills.write(footage.resolve(name + ".png"), camera.record(r.light(), 0, bands), Stills.Format.PNG8);
    }

    private void take(String name, Renderer renderer, Rendered base, DoubleFunction<Scenery> moving) throws FootageException {
        try (VideoSink s = new VideoSink(footage.resolve(name + ".mp4"), new VideoSink.Plan(WIDTH, HEIGHT, RATE, VideoFormat.H264_MP4,
                FRAMES, null))) {
            for (int i = 0; i < FRAMES; i++) {
                s.write(camera.record(renderer.moving(base, moving, i / RATE, RATE).light(), i, bands));
            }
        }
    }

    private static Emitter window() {
        return new Emitter.Pane(new Vec(-3.2, 1.2, -1.2), new Vec(0, 1.6, 0), new Vec(0, 0, 1.8), Rgb.grey(7));
    }

    private static Scenery room() {
        List<Solid> s = new ArrayList<>();
        s.add(Panel.flat(new Vec(-4, 0, 1.9), new Vec(8, 0, 0), new Vec(0, 4, 0),
                Material.patterned(Pattern.PLASTER, 0.7, new Rgb(0.42, 0.44, 0.46), new Rgb(0.36, 0.38, 0.42)), 0));
        s.add(Panel.flat(new Vec(-4, 0, -5), new Vec(8, 0, 0), new Vec(0, 0, 7),
                Material.patterned(Pattern.PLANKS, 0.2, new Rgb(0.42, 0.28, 0.17), new Rgb(0.2, 0.12, 0.08)), 0));
        s.add(new BoxSolid(new Vec(1.25, 0.4, 1.1), new Vec(0.4, 0.4, 0.3), 0.2,
                Material.patterned(Pattern.CHECKS, 0.12, new Rgb(0.2, 0.3, 0.45), new Rgb(0.55, 0.55, 0.5)), 0));
        s.add(new BoxSolid(new Vec(-1.3, 1.55, 1.86), new Vec(0.42, 0.3, 0.03), 0, Material.matte(new Rgb(0.1, 0.08, 0.07)), 0));
        s.add(new BoxSolid(new Vec(-1.3, 1.55, 1.82), new Vec(0.36, 0.24, 0.02), 0, Material.matte(new Rgb(0.5, 0.5, 0.5)), 0));
        return new Scenery(s, List.of(window()));
    }

    private static Scenery cloth() {
        Emitter left = new Emitter.Pane(new Vec(-3, 1, -2.5), new Vec(0, 1.6, 0), new Vec(0, 0, 1.6), Rgb.grey(8));
        Emitter right = new Emitter.Pane(new Vec(3, 1, -0.9), new Vec(0, 1.6, 0), new Vec(0, 0, -1.6), Rgb.grey(6));
        Material green = Material.matte(ScreenCloth.GREEN);
        return new Scenery(List.of(
                Panel.flat(new Vec(-4, 0, 1.9), new Vec(8, 0, 0), new Vec(0, 4, 0), green, 0),
                Panel.flat(new Vec(-4, 0, -5), new Vec(8, 0, 0), new Vec(0, 0, 7), green, 0)), List.of(left, right));
    }

    private static Scenery street() {
        List<Solid> s = new ArrayList<>();
        s.add(Panel.flat(new Vec(-9, 0, 6), new Vec(18, 0, 0), new Vec(0, 8, 0),
                Material.patterned(Pattern.BRICKS, 0.3, new Rgb(0.5, 0.24, 0.14), new Rgb(0.6, 0.5, 0.4)), 0));
        s.add(Panel.flat(new Vec(-9, 0, -5), new Vec(18, 0, 0), new Vec(0, 0, 11),
                Material.patterned(Pattern.TILES, 0.5, new Rgb(0.3, 0.3, 0.32), new Rgb(0.22, 0.22, 0.24)), 0));
        s.add(new BoxSolid(new Vec(2.4, 1, 3), new Vec(0.9, 1, 0.6), -0.3, Material.matte(new Rgb(0.6, 0.5, 0.15)), 0));
        return new Scenery(s, List.of(new Emitter.Sun(new Vec(0.5, 0.7, -0.5), 0.02, new Rgb(3, 2.7, 2.2))));
    }

    /// A figure of simple bodies; `arm`: how far its left arm is raised, in radians.
    private static Scenery figure(Vec foot, double arm, boolean torso, boolean legs) {
        Material coat = Material.patterned(Pattern.RIBS, 0.09, new Rgb(0.5, 0.12, 0.1), new Rgb(0.36, 0.07, 0.09));
        Material cloth = Material.matte(new Rgb(0.08, 0.09, 0.16));
        Material skin = Material.matte(new Rgb(0.5, 0.32, 0.23));
        List<Solid> s = new ArrayList<>();
        if (legs) {
            s.add(new RoundCone(at(foot, -0.1, 0.06), at(foot, -0.09, 0.85), 0.07, 0.1, cloth, 1));
            s.add(new RoundCone(at(foot, 0.12, 0.06), at(foot, 0.09, 0.85), 0.07, 0.1, cloth, 1));
        }
        if (torso) {
            s.add(new RoundCone(at(foot, 0, 0.85), at(foot, 0, 1.3), 0.16, 0.2, coat, 1));
            s.add(new Ellipsoid(at(foot, 0, 1.62), new Vec(0.12, 0.15, 0.13), 0, skin, 1));
            s.add(new RoundCone(at(foot, 0.24, 1.32), at(foot, 0.32, 0.85), 0.06, 0.05, coat, 1));
            Vec hand = at(foot, -0.24 - 0.5 * Math.sin(arm), 1.32 - 0.5 * Math.cos(arm));
            s.add(new RoundCone(at(foot, -0.24, 1.32), hand, 0.06, 0.05, coat, 1));
            s.add(new Ellipsoid(hand, new Vec(0.07, 0.07, 0.07), 0, skin, 1));
        }
        return new Scenery(s, List.of());
    }

    private static Vec at(Vec foot, double x, double y) {
        return foot.plus(new Vec(x, y, 0));
    }

    private static Scenery ball(double radius) {
        Material m = Material.patterned(Pattern.CHECKS, 0.09, new Rgb(0.7, 0.45, 0.1), new Rgb(0.5, 0.1, 0.08));
        return new Scenery(List.of(new Ellipsoid(new Vec(0, radius, 0.2), new Vec(radius, radius, radius), 0, m, 1)), List.of());
    }

    /// A toy that somebody moves a little for every frame.
    private static Scenery toy(Vec foot, double t) {
        double hop = 0.25 * Math.abs(Math.sin(9 * t));
        Material m = Material.matte(new Rgb(0.65, 0.5, 0.1));
        return new Scenery(List.of(
                new Ellipsoid(at(foot, -0.8 + 1.4 * t, 0.2 + hop), new Vec(0.2, 0.18, 0.16), 0, m, 1),
                new Ellipsoid(at(foot, -0.8 + 1.4 * t, 0.48 + hop), new Vec(0.12, 0.12, 0.12), 0, m, 1)), List.of());
    }

    private static Scenery spark(Vec at) {
        return new Scenery(List.of(new Ellipsoid(at, new Vec(0.08, 0.08, 0.08), 0, Material.matte(Rgb.grey(0)).glowing(new Rgb(3, 2, 0.8)),
                1)), List.of());
    }
}
