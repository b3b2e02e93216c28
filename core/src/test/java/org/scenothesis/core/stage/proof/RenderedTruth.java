package org.scenothesis.core.stage.proof;

import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.staged.SetScenery;
import org.scenothesis.core.rehearsal.trace.Bvh;
import org.scenothesis.core.rehearsal.trace.Sampler;
import org.scenothesis.core.rehearsal.trace.Tracer;

/// What the path tracer sees of a set, without the pattern and the sensor: who is in a direction, how far, and how much light arrives on a
/// surface.
final class RenderedTruth {
    private final SetScenery set;
    private final Scenery still;
    private final Bvh solids;
    private final Bvh nobody = new Bvh(List.of());
    private final Sampler sampler = new Sampler();

    RenderedTruth(SetView view) {
        set = new SetScenery(view, Math.PI, 5600, SetScenery.Look.PLAIN);
        still = set.still();
        solids = new Bvh(still.solids());
    }

    private Tracer tracer(Double seconds, boolean lit) {
        return new Tracer(solids, seconds == null ? nobody : new Bvh(set.bodies(seconds).solids()), lit ? still.lamps() : List.of(),
                set.ambient());
    }

    /// Looks through points of the picture without light: owner and distance of what is met, −1 for nothing; `seconds` null without bodies.
    interface Look {
        void at(Point p, int owner, double distance);
    }

    void look(Double seconds, List<Point> points, Look look) {
        Tracer t = tracer(seconds, false);
        CameraPose pose = set.view().pose();
        for (Point p : points) {
            sampler.start(1, 0, 0);
            t.radiance(pose.position(), pose.ray(p), sampler);
            look.at(p, t.owner, t.distance);
        }
    }

    /// Illuminance of the green cloth where a point of the picture sees it, by the green it gives back.
    double lux(Double seconds, Point p, int paths, double albedo) {
        Tracer t = tracer(seconds, true);
        CameraPose pose = set.view().pose();
        Vec ray = pose.ray(p);
        double sum = 0;
        for (int i = 0; i < paths; i++) {
            sampler.start(7, (int) (p.x() * 31 + p.y() * 1601), i);
            sum += t.radiance(pose.position(), ray, sampler)[1];
        }
        // A white surface under π lux is 1.
        return sum / paths * Math.PI / albedo;
    }

    /// How wide an upright edge in the middle of the picture is blurred, in pixels: the disc whose integral has its tenth and its nine
    /// tenths as far apart.
    double edgePx(double about) {
        View view = set.camera();
        Vec[] axes = view.pose().worldToCamera();
        Tracer t = tracer(null, false);
        int n = 400;
        double[] light = new double[n];
        for (int i = 0; i < n; i++) {
            double px = (i / (n - 1.0) - 0.5) * 1.6 * about;
            for (int k = 0; k < 600; k++) {
                sampler.start(3, i, k);
                double r = view.apertureRadiusM() * Math.sqrt(sampler.next());
                double turn = 2 * Math.PI * sampler.next();
                Vec lens = axes[0].times(r * Math.cos(turn)).plus(axes[1].times(r * Math.sin(turn)));
                Vec d = axes[0].times(px / view.pose().focalPx()).plus(axes[2]).times(view.focusM()).minus(lens).unit();
                t.radiance(view.pose().position().plus(lens), d, sampler);
                light[i] += t.distance < 9 ? 1 : 0;
            }
        }
        double step = 1.6 * about / (n - 1);
        return (crossing(light, 0.9) - crossing(light, 0.1)) * step / 0.687;
    }

    private static double crossing(double[] of, double share) {
        for (int i = 1; i < of.length; i++) {
            double a = of[i - 1] / 600;
            double b = of[i] / 600;
            if (a < share && b >= share) {
                return i - 1 + (share - a) / (b - a);
            }
        }
        return Double.NaN;
    }
}
