package org.scenothesis.testkit;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

/// A room of stained walls with boxes in it, seen by any camera that is known: only arithmetic, no renderer. The ground is at 0, walls 3 m
/// left and right and 6 m ahead.
public final class WalkedRoom {
    private static final double SIDE_M = 3;
    private static final double BACK_M = 6;
    private static final double HIGH_M = 3;
    private final List<Box> boxes = new ArrayList<>();
    private final long seed;

    private record Box(Vec low, Vec high, int stain) {}

    /// With boxes by chance.
    public WalkedRoom(long seed, int count) {
        this.seed = seed;
        SplittableRandom r = new SplittableRandom(seed);
        for (int i = 0; i < count; i++) {
            double x = r.nextDouble(-2.4, 2);
            double z = r.nextDouble(2.2, 5);
            double w = r.nextDouble(0.3, 0.7);
            boxes.add(new Box(new Vec(x, 0, z), new Vec(x + w, r.nextDouble(0.4, 1.6), z + w), i + 10));
        }
    }

    /// What a camera sees of it in linear light, four samples to a pixel, with noise.
    public Picture picture(CameraPose pose, long grain, Bands bands) {
        int w = pose.width();
        Picture p = Picture.of(w, pose.height());
        Vec[] axes = pose.worldToCamera();
        bands.run(pose.height(), (from, to, band) -> {
            SplittableRandom r = new SplittableRandom(grain * 7919 + band);
            for (int i = from * w; i < to * w; i++) {
                double v = 0;
                for (int k = 0; k < 4; k++) {
                    double x = (i % w + 0.25 + 0.5 * (k % 2) - pose.principal().x()) / pose.focalPx();
                    double y = (i / w + 0.25 + 0.5 * (k / 2) - pose.principal().y()) / pose.focalPx();
                    v += seen(pose.position(), axes[0].times(x).plus(axes[1].times(y)).plus(axes[2])) / 4;
                }
                v *= 1 + 0.015 * r.nextGaussian();
                p.r().data()[i] = (float) v;
                p.g().data()[i] = (float) (0.95 * v);
                p.b().data()[i] = (float) (0.85 * v);
            }
        });
        return p;
    }

    /// A take by cameras one after another, 25 frames a second.
    ///
    /// @throws FootageException if the file cannot be written
    public void write(Path file, List<CameraPose> poses, Bands bands) throws FootageException {
        CameraPose first = poses.getFirst();
        try (VideoSink s = new VideoSink(file, new VideoSink.Plan(first.width(), first.height(), 25, VideoFormat.H264_MP4, poses.size(),
                null))) {
            for (int i = 0; i < poses.size(); i++) {
                s.write(picture(poses.get(i), i, bands));
            }
        }
    }

    private double seen(Vec o, Vec d) {
        double best = d.y() < 0 ? -o.y() / d.y() : (HIGH_M - o.y()) / d.y();
        int face = d.y() < 0 ? 0 : 1;
        double back = d.z() > 0 ? (BACK_M - o.z()) / d.z() : Double.MAX_VALUE;
        double side = d.x() > 0 ? (SIDE_M - o.x()) / d.x() : (-SIDE_M - o.x()) / d.x();
        if (back < best) {
            best = back;
            face = 2;
        }
        if (side > 0 && side < best) {
            best = side;
            face = d.x() > 0 ? 3 : 4;
        }
        int stain = face;
        int axis = face <= 1 ? 1 : face == 2 ? 2 : 0;
        for (Box b : boxes) {
            double in = 1e-6;
            double out = best;
            int hit = -1;
            for (int k = 0; k < 3; k++) {
                double from = k == 0 ? o.x() : k == 1 ? o.y() : o.z();
                double along = k == 0 ? d.x() : k == 1 ? d.y() : d.z();
                double low = k == 0 ? b.low.x() : k == 1 ? b.low.y() : b.low.z();
                double high = k == 0 ? b.high.x() : k == 1 ? b.high.y() : b.high.z();
                double a = (low - from) / along;
                double c = (high - from) / along;
                if (Math.min(a, c) > in) {
                    in = Math.min(a, c);
                    hit = k;
                }
                out = Math.min(out, Math.max(a, c));
            }
            if (hit >= 0 && in < out) {
                best = in;
                stain = b.stain + hit;
                axis = hit;
            }
        }
        Vec at = o.plus(d.times(best));
        double u = axis == 0 ? at.z() : at.x();
        double v = axis == 1 ? at.z() : at.y();
        double light = axis == 1 ? 0.4 : axis == 2 ? 0.32 : 0.22;
        return light * (0.4 + 0.7 * stained(u, v, 2.2, stain) + 0.5 * stained(u, v, 7, stain + 100)
                + 0.35 * stained(u, v, 24, stain + 200));
    }

    /// Smooth chance over a plane, so many knots to a metre.
    private double stained(double u, double v, double knots, int salt) {
        double x = u * knots + 1000;
        double y = v * knots + 1000;
        int i = (int) x;
        int k = (int) y;
        double fx = x - i;
        double fy = y - k;
        fx = fx * fx * (3 - 2 * fx);
        fy = fy * fy * (3 - 2 * fy);
        return (chance(i, k, salt) * (1 - fx) + chance(i + 1, k, salt) * fx) * (1 - fy)
                + (chance(i, k + 1, salt) * (1 - fx) + chance(i + 1, k + 1, salt) * fx) * fy;
    }

    private double chance(int i, int k, int salt) {
        long h = seed * 0x9E3779B97F4A7C15L + i * 0xC2B2AE3D27D4EB4FL + k * 0x165667B19E3779F9L + salt * 0x27D4EB2F165667C5L;
        h ^= h >>> 31;
        h *= 0xBF58476D1CE4E5B9L;
        h ^= h >>> 29;
        h *= 0x94D049BB133111EBL;
        return (h >>> 40) / (double) (1 << 24);
    }
}
