package org.scenothesis.testkit;

import java.nio.file.Path;
import java.util.SplittableRandom;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;

/// A still of a tiled floor before two panelled walls, and a post with its shadow, by a camera that is known: only arithmetic, no renderer.
public final class RuledRoom {
    public static final int WIDTH = 960;
    public static final int HEIGHT = 540;
    public static final double LENS_M = 1.5;
    public static final CameraPose POSE = new CameraPose(new Vec(0, LENS_M, 0), 24, -11, 2, 760, WIDTH, HEIGHT);
    public static final Vec FOOT = new Vec(1.2, 0, 3.2);
    public static final double POST_M = 1;
    /// Towards the light, in the room.
    public static final Vec TO_LIGHT = new Vec(-0.7, 0.6, -0.4).unit();
    private static final double POST_R = 0.03;
    private static final double BACK_M = 5.5;
    private static final double SIDE_M = 3.6;
    private static final double TILE_M = 0.6;

    private RuledRoom() {}

    /// Where a point of the room is in the picture, in pixels.
    public static Point px(Vec v) {
        return POSE.project(v);
    }

    /// Where the shadow of the post's top lies.
    public static Vec tip() {
        return FOOT.plus(Vec.UP.times(POST_M)).minus(TO_LIGHT.times(POST_M / TO_LIGHT.y()));
    }

    /// @throws FootageException if it cannot be written
    public static void write(Path file) throws FootageException {
        Stills.write(file, picture(), Stills.Format.PNG8);
    }

    /// The picture in linear light, four samples to a pixel.
    public static Picture picture() {
        return picture(POSE);
    }

    /// The same room by another camera.
    public static Picture picture(CameraPose pose) {
        Picture p = Picture.of(WIDTH, HEIGHT);
        SplittableRandom r = new SplittableRandom(6);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double v = 0;
                for (int k = 0; k < 4; k++) {
                    v += seen(new Point(x + 0.25 + 0.5 * (k % 2), y + 0.25 + 0.5 * (k / 2.0 - 0.5 * (k % 2))), pose) / 4;
                }
                v *= 1 + 0.01 * r.nextGaussian();
                p.r().data()[y * WIDTH + x] = (float) v;
                p.g().data()[y * WIDTH + x] = (float) v;
                p.b().data()[y * WIDTH + x] = (float) v;
            }
        }
        return p;
    }

    private static double seen(Point q, CameraPose pose) {
        Vec d = pose.ray(q);
        Vec eye = pose.position();
        double floor = d.y() < 0 ? -eye.y() / d.y() : Double.MAX_VALUE;
        double back = d.z() > 0 ? (BACK_M - eye.z()) / d.z() : Double.MAX_VALUE;
        double side = d.x() > 0 ? (SIDE_M - eye.x()) / d.x() : Double.MAX_VALUE;
        double post = post(eye, d);
        if (post < Math.min(floor, Math.min(back, side))) {
            return 0.05;
        }
        Vec at = eye.plus(d.times(Math.min(floor, Math.min(back, side))));
        if (floor <= back && floor <= side) {
            boolean dark = (Math.floor(at.x() / TILE_M) + Math.floor(at.z() / TILE_M)) % 2 != 0;
            return (dark ? 0.16 : 0.4) * (shadowed(at) ? 0.3 : 1);
        }
        double along = back <= side ? at.x() : at.z();
        boolean panel = Math.abs(along - 1.5 * Math.rint(along / 1.5)) < 0.4 && at.y() > 0.5 && at.y() < 1.9;
        return (back <= side ? 0.5 : 0.3) * (panel ? 0.45 : 1);
    }

    /// How far along a ray an upright round post is; the largest number where it is missed.
    private static double post(Vec eye, Vec d) {
        double fx = FOOT.x() - eye.x();
        double fz = FOOT.z() - eye.z();
        double a = d.x() * d.x() + d.z() * d.z();
        double b = -(d.x() * fx + d.z() * fz);
        double c = fx * fx + fz * fz - POST_R * POST_R;
        double root = b * b - a * c;
        if (root < 0) {
            return Double.MAX_VALUE;
        }
        double t = (-b - Math.sqrt(root)) / a;
        double y = eye.y() + t * d.y();
        return t > 0 && y >= 0 && y <= POST_M ? t : Double.MAX_VALUE;
    }

    private static boolean shadowed(Vec at) {
        Vec d = at.minus(FOOT);
        Vec away = new Vec(-TO_LIGHT.x(), 0, -TO_LIGHT.z()).unit();
        double u = d.dot(away);
        double s = d.dot(new Vec(away.z(), 0, -away.x()));
        return u > 0 && u < tip().minus(FOOT).length() && Math.abs(s) < POST_R;
    }
}
