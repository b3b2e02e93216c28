package org.scenothesis.core.perspective;

import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// The camera that took a picture, as far as its marks say: what they do not say is null, and `refused` says why.
///
/// - `headingDeg`: how far right of the edges `Z` it looks. `tiltDeg` up, `rollDeg` clockwise seen from behind. `lensHeightM` above the
///   ground.
/// - `principalFound`, `bent`: whether where the lens looks, and its bend, came of the marks; else the middle of the picture, or what was
///   told, and no bend.
/// - `residualPx`: what the edges leave over, root of the mean square; `linesUsed`: edges that went in.
public record PictureCamera(
        Marks marks, @Nullable Estimate focalPx, @Nullable Estimate tiltDeg, @Nullable Estimate rollDeg, @Nullable Estimate headingDeg,
        @Nullable Estimate lensHeightM, boolean principalFound, boolean bent,
        double residualPx, int linesUsed, List<Refusal> refused, Numbers numbers) {
    private static final double STEP = 1e-6;

    public PictureCamera {
        refused = List.copyOf(refused);
    }

    /// What is not known and why, in codes: `words` has the sentence with the mark that would help.
    public record Refusal(String what, String why) {}

    /// All numbers with their covariance, as they were solved for.
    record Numbers(Pinhole camera, double[][] covariance) {}

    /// A place on the ground, in metres right of and ahead of the point below the camera, and how far it may be off.
    public record Ground(double rightM, double forwardM, double stdM) {}

    /// A camera that is known already; a lens height of null gives the ground no scale, and one metre is taken to count in.
    public static PictureCamera known(int width, int height, Estimate focalPx, Estimate tiltDeg, Estimate rollDeg,
            @Nullable Estimate lensHeightM) {
        double[] theta = {Math.log(focalPx.value()), Math.toRadians(tiltDeg.value()), Math.toRadians(rollDeg.value()), 0,
                lensHeightM == null ? 0 : Math.log(lensHeightM.value()), width / 2.0, height / 2.0, 0};
        double[] off = {focalPx.share(), Math.toRadians(tiltDeg.std()), Math.toRadians(rollDeg.std()), 0, lensHeightM == null ? 0
                : lensHeightM.share(), 0, 0, 0};
        double[][] covariance = new double[Pinhole.SIZE][Pinhole.SIZE];
        for (int k = 0; k < off.length; k++) {
            covariance[k][k] = off[k] * off[k];
        }
        return new PictureCamera(Marks.none(width, height), focalPx, tiltDeg, rollDeg, null, lensHeightM, false, false, 0, 0, List.of(),
                new Numbers(new Pinhole(theta), covariance));
    }

    /// The same with the ground to scale with the lens, one metre high where its height is not known; empty where tilt, roll or focal
    /// length are not.
    public Optional<PictureCamera> toScale() {
        if (focalPx == null || tiltDeg == null || rollDeg == null) {
            return Optional.empty();
        }
        return Optional.of(lensHeightM != null ? this : new PictureCamera(marks, focalPx, tiltDeg, rollDeg, headingDeg,
                Estimate.exact(numbers.camera.lensM()), principalFound, bent, residualPx, linesUsed, refused, numbers));
    }

    /// Where the lens looks through the picture, in pixels.
    public Point principalPx() {
        return new Point(numbers.camera.theta()[Pinhole.CX], numbers.camera.theta()[Pinhole.CY]);
    }

    /// The bend of the lens, 0 where none was found: x_d = x·(1 + k1·r²).
    public double distortion() {
        return numbers.camera.theta()[Pinhole.BEND];
    }

    /// Whether the picture can be measured in metres.
    public boolean metric() {
        return focalPx != null && tiltDeg != null && rollDeg != null && lensHeightM != null;
    }

    /// The straightened horizon at the left and the right edge, in pixels from the top; empty where it is not known.
    public Optional<double[]> horizonPx() {
        return tiltDeg == null || rollDeg == null ? Optional.empty()
                : Optional.of(new double[] {numbers.camera.horizonY(0), numbers.camera.horizonY(marks.width())});
    }

    /// Where a picture point lies on the ground; empty at and above the horizon, and where the picture cannot be measured.
    public Optional<Ground> ground(Point p) {
        return metric() ? numbers.camera.ground(p)
                .map(g -> new Ground(g.x(), g.z(), Math.hypot(std(c -> c.ground(p).map(Vec::x).orElse(Double.NaN)),
                std(c -> c.ground(p).map(Vec::z).orElse(Double.NaN))))) : Optional.empty();
    }

    /// How far two points of the ground are apart, in metres; empty as for one point.
    public Optional<Estimate> apart(Point a, Point b) {
        return metric() ? numbers.camera.apart(a, b).map(m -> new Estimate(m, std(c -> c.apart(a, b).orElse(Double.NaN))))
                : Optional.empty();
    }

    /// How high something upright is that stands at a point of the ground, in metres.
    public Optional<Estimate> height(Point base, Point top) {
        return metric() ? numbers.camera.height(base, top).map(m -> new Estimate(m, std(c -> c.height(base, top).orElse(Double.NaN))))
                : Optional.empty();
    }

    /// A tape laid on the ground by hand: as `apart`, with what the hand is off.
    public Optional<Estimate> tape(Point a, Point b) {
        return apart(a, b).map(m -> byHand(m, a, b, numbers.camera::apart));
    }

    /// A staff stood on the ground by hand: as `height`, with what the hand is off.
    public Optional<Estimate> staff(Point base, Point top) {
        return height(base, top).map(m -> byHand(m, base, top, numbers.camera::height));
    }

    private static Estimate byHand(Estimate of, Point a, Point b, BiFunction<Point, Point, Optional<Double>> read) {
        double sum = of.std() * of.std();
        for (int k = 0; k < 4; k++) {
            Point by = new Point(k % 2 == 0 ? Fitting.HAND_PX : 0, k % 2 == 0 ? 0 : Fitting.HAND_PX);
            double d = read.apply(k < 2 ? a.plus(by) : a, k < 2 ? b : b.plus(by)).orElse(Double.POSITIVE_INFINITY) - of.value();
            sum += d * d;
        }
        return new Estimate(of.value(), Math.sqrt(sum));
    }

    /// Where a point of the world appears, in metres right of below the camera, up from the ground and ahead; empty behind the camera and
    /// where the picture cannot be measured.
    public Optional<Point> project(Vec v) {
        return metric() ? numbers.camera.project(v) : Optional.empty();
    }

    /// The ray through a picture point: right, up, ahead; not of unit length. Meaningless where tilt, roll or focal length are not known.
    public Vec ray(Point p) {
        return numbers.camera.ray(p);
    }

    /// The deviation of something that follows from the camera, by its slopes.
    public double follows(ToDoubleFunction<PictureCamera> of) {
        return std(c -> of.applyAsDouble(new PictureCamera(marks, focalPx, tiltDeg, rollDeg, headingDeg, lensHeightM, principalFound, bent,
                residualPx, linesUsed, refused, new Numbers(c, numbers.covariance))));
    }

    private double std(ToDoubleFunction<Pinhole> of) {
        double[] slope = new double[Pinhole.SIZE];
        double[] theta = numbers.camera.theta();
        for (int k = 0; k < slope.length; k++) {
            double step = STEP * Math.max(1, Math.abs(theta[k]));
            double[] up = theta.clone();
            up[k] += step;
            double[] down = theta.clone();
            down[k] -= step;
            slope[k] = (of.applyAsDouble(new Pinhole(up)) - of.applyAsDouble(new Pinhole(down))) / (2 * step);
        }
        double sum = 0;
        for (int i = 0; i < slope.length; i++) {
            for (int k = 0; k < slope.length; k++) {
                double c = numbers.covariance[i][k];
                sum += c == 0 ? 0 : slope[i] * c * slope[k];
            }
        }
        return Math.sqrt(Math.max(0, sum));
    }
}
