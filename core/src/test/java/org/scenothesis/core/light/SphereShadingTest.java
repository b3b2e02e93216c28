package org.scenothesis.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;

/// Balls and an upright round body, cut by rays from a camera that is turned down and rolled: the normals are the world's, not those of the
/// picture.
class SphereShadingTest {
    private static final int W = 640;
    private static final int H = 360;
    private static final PictureCamera CAMERA = PictureCamera.known(W, H, Estimate.exact(600), Estimate.exact(-12), Estimate.exact(3),
            Estimate.exact(1.5));
    private static final Vec EYE = new Vec(0, 1.5, 0);
    private static final Vec BALL = new Vec(-0.8, 0.7, 4);
    private static final double BALL_M = 0.35;

    private static Vec towards(double azimuth, double elevation) {
        double a = Math.toRadians(azimuth);
        double e = Math.toRadians(elevation);
        return new Vec(Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
    }

    /// How far along a ray a ball is, or with `upright` an endless upright body; NaN where it is missed.
    private static double hit(Vec d, boolean upright) {
        Vec o = upright ? flat(EYE.minus(BALL)) : EYE.minus(BALL);
        Vec v = upright ? flat(d) : d;
        double a = v.dot(v);
        double b = v.dot(o);
        double root = b * b - a * (o.dot(o) - BALL_M * BALL_M);
        return root < 0 ? Double.NaN : (-b - Math.sqrt(root)) / a;
    }

    private static Vec flat(Vec v) {
        return new Vec(v.x(), 0, v.z());
    }

    private static Picture shaded(Vec to, double key, double fill, boolean upright) {
        Picture p = Picture.of(W, H);
        SplittableRandom r = new SplittableRandom(3);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                Vec d = CAMERA.ray(new Point(x + 0.5, y + 0.5));
                double t = hit(d, upright);
                Vec n = Double.isNaN(t) ? Vec.UP : EYE.plus(d.times(t)).minus(BALL).times(1 / BALL_M);
                n = upright ? flat(n) : n;
                double v = Double.isNaN(t) ? 0.3 : 0.5 * (fill + key * Math.max(0, n.dot(to)));
                for (int c = 0; c < 3; c++) {
                    p.colours().get(c).data()[y * W + x] = (float) (v * (1 + 0.02 * r.nextGaussian()));
                }
            }
        }
        return p;
    }

    private static LightMarks marked(Evidence.Shape shape) {
        Point m = CAMERA.project(BALL).orElseThrow();
        Point side = CAMERA.project(BALL.plus(new Vec(BALL_M, 0, 0.1))).orElseThrow();
        return LightMarks.NONE.withRounds(List.of(new LightMarks.Round(shape, m, side)));
    }

    @ParameterizedTest
    @CsvSource({"-70, 30, 2, true", "40, 20, 1, true", "150, 45, 3, false", "-105, 10, 1.5, true", "170, 70, 2, false"})
    void aBallShowsTheLightWithinWhatItSays(double azimuth, double elevation, double stops, boolean darkSideSeen) {
        PictureLight l = LightSolver.solve(shaded(towards(azimuth, elevation), 0.6, 0.6 * Math.pow(2, -stops), false), CAMERA,
                marked(Evidence.Shape.BALL));
        assertThat(l.hasKey()).isTrue();
        assertThat(l.hinted()).isTrue();
        assertThat(Math.abs(Math.IEEEremainder(l.azimuthDeg().value() - azimuth, 360)) * Math.cos(Math.toRadians(elevation)))
                .isLessThan(2 * l.azimuthDeg().std());
        assertThat(l.elevationDeg().value()).isCloseTo(elevation, within(2 * l.elevationDeg().std()));
        assertThat(l.azimuthDeg().std()).isBetween(8.0, 25.0);
        if (darkSideSeen) {
            assertThat(l.keyToFillStops().value()).isCloseTo(stops, within(2 * l.keyToFillStops().std()));
        } else {
            assertThat(l.keyToFillStops()).isNull();
        }
        assertThat(l.sizeDeg()).as("a ball tells no size").isNull();
        assertThat(l.sources()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-60, 75, 140})
    void aFigureShowsOnlyTheSide(double azimuth) {
        PictureLight l = LightSolver.solve(shaded(towards(azimuth, 30), 0.6, 0.2, true), CAMERA, marked(Evidence.Shape.FIGURE));
        assertThat(l.azimuthDeg().value()).isCloseTo(azimuth, within(25.0));
        assertThat(l.azimuthDeg().std()).isGreaterThanOrEqualTo(25);
        assertThat(l.elevationDeg()).isNull();
    }

    @Test
    void aShadowIsBelievedBeforeARoundThing() {
        Picture p = shaded(towards(40, 20), 0.6, 0.2, false);
        Vec foot = new Vec(0.6, 0, 4);
        Vec to = towards(-70, 30);
        LightMarks.Shadow s = new LightMarks.Shadow(
                CAMERA.project(foot).orElseThrow(), CAMERA.project(foot.plus(Vec.UP.times(0.5))).orElseThrow(),
                CAMERA.project(foot.plus(Vec.UP.times(0.5)).minus(to.times(0.5 / to.y()))).orElseThrow());
        PictureLight l = LightSolver.solve(p, CAMERA, marked(Evidence.Shape.BALL).withShadows(List.of(s)));
        assertThat(l.hinted()).isFalse();
        assertThat(l.azimuthDeg().value()).isCloseTo(-70, within(1.0));
        // There is no shadow in the picture to tell of the fill; the ball's dark side does.
        assertThat(l.keyToFillStops().value()).isCloseTo(Math.log(3) / Math.log(2), within(0.4));
    }

    @Test
    void whatIsShadedEvenlyOrPaintedShowsNothing() {
        PictureLight even = LightSolver.solve(shaded(towards(0, 40), 0.01, 0.6, false), CAMERA, marked(Evidence.Shape.BALL));
        assertThat(even.hasKey()).isFalse();
        assertThat(even.refused().getFirst()).isEqualTo(new PictureLight.Refusal("direction", "round-even"));
        Picture painted = Picture.of(W, H);
        painted.colours().forEach(c -> {
            for (int i = 0; i < W * H; i++) {
                c.data()[i] = (i % W / 8 + i / W / 8) % 2 == 0 ? 0.1f : 0.5f;
            }
        });
        assertThat(LightSolver.solve(painted, CAMERA, marked(Evidence.Shape.BALL)).hasKey()).as("a chequered ball").isFalse();
        assertThat(LightSolver.solve(painted, CAMERA,
                LightMarks.NONE.withRounds(List.of(new LightMarks.Round(Evidence.Shape.BALL, new Point(-90, -90), new Point(-80, -90)))))
                .hasKey()).as("outside the picture").isFalse();
        PictureCamera unknown = CameraSolver.solve(Marks.none(W, H));
        assertThat(LightSolver.solve(painted, unknown, marked(Evidence.Shape.BALL)).refused())
                .contains(new PictureLight.Refusal("direction", "no-camera"));
    }

    @Test
    void aLampThatIsSeenIsARimOfItsColourOnItsSide() {
        Picture p = Picture.filled(W, H, 0.1f, 0.1f, 0.1f);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double d = Math.hypot(x - 500, y - 80);
                if (d < 12) {
                    // Clipped in its middle, warm round it: 3200 K.
                    double v = d < 6 ? 3 : 0.55;
                    double[] warm = {1.6, 0.88, 0.3};
                    for (int c = 0; c < 3; c++) {
                        p.colours().get(c).data()[y * W + x] = (float) Math.min(1, v * warm[c]);
                    }
                }
            }
        }
        PictureLight l = LightSolver.solve(p, CAMERA, LightMarks.NONE.withLamps(List.of(new Point(500, 80), new Point(20, 200))));
        assertThat(l.rims()).hasSize(2);
        PictureLight.Rim lamp = l.rims().getFirst();
        assertThat(lamp.azimuthDeg()).isBetween(14.0, 22.0);
        assertThat(lamp.elevationDeg()).isBetween(-6.0, 0.0);
        assertThat(lamp.colour().kelvin()).isCloseTo(Neutral.of(1.6, 0.88, 0.3).orElseThrow().kelvin(), within(60.0));
        assertThat(l.rims().get(1).azimuthDeg()).isNegative();
        assertThat(l.hasKey()).as("a lamp that is seen is no key").isFalse();
        assertThat(LightSolver.direction(CAMERA, LightMarks.NONE.withLamps(List.of(new Point(500, 80)))).rims().getFirst().colour())
                .as("nothing is read of the picture while it is pulled").isNull();
        assertThat(LightSolver.solve(Picture.filled(W, H, 1, 1, 1), CAMERA, LightMarks.NONE.withLamps(List.of(new Point(500, 80)))).rims()
                .getFirst().colour()).as("all clipped").isNull();
    }

    @Test
    void twoKeysAreAsFarApartAsTheirDirections() {
        PictureLight a = PictureLight.UNKNOWN.withAzimuthDeg(Estimate.exact(170)).withElevationDeg(Estimate.exact(0));
        PictureLight b = PictureLight.UNKNOWN.withAzimuthDeg(Estimate.exact(-170)).withElevationDeg(Estimate.exact(0));
        assertThat(a.apartDeg(b)).as("round the back").isCloseTo(20, within(1e-9));
        assertThat(a.apartDeg(b.withElevationDeg(Estimate.exact(90)))).isCloseTo(90, within(1e-9));
        assertThat(a.apartDeg(PictureLight.UNKNOWN)).isNaN();
    }
}
