package org.scenothesis.core.cameratrack;

import java.util.Comparator;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// All cameras and all places at once, so that the places are seen where they were seen.
///
/// - Levenberg and Marquardt's steps over the cameras alone, the places put in afterwards (Brown 1958; Triggs et al. 2000), what does not
///   fit weighted down (Cauchy).
/// - The first camera stays where it is.
final class BundleAdjustment {
    /// What the cameras do: they stand in one place and turn, or turn and zoom, or travel.
    enum Motion {
        TURN(3, 2),
        ZOOM(4, 2),
        TRAVEL(6, 3);

        final int ofCamera;
        final int ofPlace;

        Motion(int ofCamera, int ofPlace) {
            this.ofCamera = ofCamera;
            this.ofPlace = ofPlace;
        }
    }

    /// What every sight leaves over at least, by which an expectation is weighed.
    static final double LEAST_PX = 0.15;
    private static final int TRIES = 7;

    private final Problem problem;
    private State now;
    private double softPx = 2;

    /// A place seen by a camera, in pixels from where the lens looks.
    record Seen(int camera, int place, Point at) {}

    /// What does not change: all sights by their places, of which each begins at `begin`; where the logarithm of the focal length is
    /// expected and how far from there it may be, 0 where it is known.
    record Problem(Motion motion, List<Seen> seen, int[] begin, double expectedLog, double looseLog) {
        boolean focalFree() {
            return looseLog > 0;
        }

        /// Whether all cameras have one focal length that is asked for.
        boolean globalFocal() {
            return focalFree() && motion != Motion.ZOOM;
        }
    }

    /// Where everything is.
    record State(Stand[] cameras, Vec[] places) {}

    /// - `looseLog`: how far the logarithm of the focal length may be from that of the first camera, as a deviation; 0 where it is known.
    BundleAdjustment(Motion motion, List<Stand> cameras, List<Vec> places, List<Seen> all, double looseLog) {
        int[] begin = new int[places.size() + 1];
        all.forEach(s -> begin[s.place + 1]++);
        for (int i = 0; i < places.size(); i++) {
            begin[i + 1] += begin[i];
        }
        problem = new Problem(motion, all.stream().sorted(Comparator.comparingInt(Seen::place)).toList(), begin, cameras.getFirst()
                .logFocal(), looseLog);
        now = new State(cameras.toArray(Stand[]::new), places.toArray(Vec[]::new));
    }

    List<Stand> cameras() {
        return List.of(now.cameras);
    }

    List<Vec> places() {
        return List.of(now.places);
    }

    private double off(State at, Seen s) {
        return at.cameras[s.camera].off(at.places[s.place], s.at, problem.motion != Motion.TRAVEL);
    }

    private double cost(State at) {
        double sum = 0;
        for (Seen s : problem.seen) {
            double d = Math.min(1e6, off(at, s));
            sum += softPx * softPx * Math.log1p(d * d / (softPx * softPx));
        }
        for (int c = 0; problem.focalFree() && c < (problem.motion == Motion.ZOOM ? at.cameras.length : 1); c++) {
            double d = (at.cameras[c].logFocal() - problem.expectedLog) / problem.looseLog * LEAST_PX;
            sum += d * d;
        }
        return sum;
    }

    /// Up to so many steps; what lies `soft` pixels off counts half.
    void solve(int rounds, double soft) {
        softPx = soft;
        double damp = 1e-4;
        double cost = cost(now);
        for (int i = 0; i < rounds; i++) {
            NormalEquations n = new NormalEquations(problem, now, softPx);
            double before = cost;
            for (int k = 0; k < TRIES && cost == before; k++) {
                State next = n.step(damp);
                double then = next == null ? Double.MAX_VALUE : cost(next);
                if (next != null && then < cost) {
                    now = next;
                    cost = then;
                    damp = Math.max(1e-9, damp / 5);
                } else {
                    damp *= 8;
                }
            }
            if (before - cost < 1e-7 * cost) {
                break;
            }
        }
    }

    /// How far every camera's place may be off in units, and the logarithm of the focal length last; the scale held by the camera farthest
    /// from the first. Empty where that cannot be said.
    ///
    /// - `atFocal`: as if the focal length were known, which turns and stretches the whole path.
    double[] deviations(boolean atFocal) {
        NormalEquations n = new NormalEquations(problem, now, softPx);
        double sum = 0;
        for (Seen s : problem.seen) {
            double d = off(now, s);
            sum += n.weight(d) * d * d;
        }
        int asked = now.cameras.length * problem.motion.ofCamera + now.places.length * problem.motion.ofPlace;
        double sigma = Math.sqrt(sum / Math.max(1, 2 * problem.seen.size() - asked));
        // A point that is followed a little off is off alike in all frames: each counts as about one sight.
        return n.deviations(sigma * Math.sqrt(problem.seen.size() / (double) Math.max(1, now.places.length)), atFocal);
    }

    /// Two directions square to one and to each other.
    static Vec[] tangent(Vec d) {
        Vec one = d.cross(Math.abs(d.x()) < 0.6 ? new Vec(1, 0, 0) : new Vec(0, 1, 0)).unit();
        return new Vec[] {one, d.cross(one).unit()};
    }
}
