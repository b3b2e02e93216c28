package org.scenothesis.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;

class LightSolverTest {
    private static final int W = 960;
    private static final int H = 540;
    static final PictureCamera CAMERA = PictureCamera.known(W, H, Estimate.exact(1000), Estimate.exact(-14), Estimate.exact(1),
            Estimate.exact(1.5));
    private static final Vec FOOT = new Vec(0.1, 0, 4);
    private static final double POST_M = 0.9;
    private static final double WIDE_M = 0.06;

    private static Vec towards(double azimuth, double elevation) {
        double a = Math.toRadians(azimuth);
        double e = Math.toRadians(elevation);
        return new Vec(Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
    }

    private static Point px(Vec v) {
        return CAMERA.project(v).orElseThrow();
    }

    static LightMarks.Shadow shadow(double azimuth, double elevation) {
        Vec to = towards(azimuth, elevation);
        return new LightMarks.Shadow(px(FOOT), px(FOOT.plus(Vec.UP.times(POST_M))),
                px(FOOT.plus(Vec.UP.times(POST_M)).minus(to.times(POST_M / to.y()))));
    }

    /// A level ground with a dark post on it, lit by a round source of many points and an even sky; ground is grey, slightly uneven.
    static Picture lit(double azimuth, double elevation, double sizeDeg, double keyToFill, double[] keyColour, double[] fillColour) {
        Picture p = Picture.of(W, H);
        SplittableRandom r = new SplittableRandom(4);
        Vec to = towards(azimuth, elevation);
        Vec flat = new Vec(-to.x(), 0, -to.z()).unit();
        Vec side = new Vec(flat.z(), 0, -flat.x());
        double ratio = Math.pow(2, keyToFill) * to.y();
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                Point q = new Point(x + 0.5, y + 0.5);
                PictureCamera.Ground g = CAMERA.ground(q).orElse(null);
                double seen = 1;
                if (g != null) {
                    Vec d = new Vec(g.rightM(), 0, g.forwardM()).minus(FOOT);
                    double u = d.dot(flat);
                    double s = d.dot(side);
                    double far = u / Math.cos(Math.toRadians(elevation)) * Math.tan(Math.toRadians(sizeDeg) / 2);
                    boolean reached = u > 0 && u * Math.tan(Math.toRadians(elevation)) < POST_M;
                    seen = reached ? 1 - (disc((s + WIDE_M / 2) / Math.max(1e-4, far)) - disc((s - WIDE_M / 2) / Math.max(1e-4, far))) : 1;
                }
                boolean post = onPost(q);
                double even = 1 + 0.01 * r.nextGaussian();
                for (int c = 0; c < 3; c++) {
                    double v = post ? 0.02 : 0.2 * even * (keyColour[c] * ratio * seen + fillColour[c]) / (1 + ratio);
                    p.colours().get(c).data()[y * W + x] = (float) v;
                }
            }
        }
        return p;
    }

    private static boolean onPost(Point q) {
        Point base = px(FOOT);
        Point top = px(FOOT.plus(Vec.UP.times(POST_M)));
        double half = px(FOOT.plus(new Vec(WIDE_M / 2, 0.5, 0))).minus(px(FOOT.plus(Vec.UP.times(0.5)))).length();
        Point d = top.minus(base);
        double t = ((q.x() - base.x()) * d.x() + (q.y() - base.y()) * d.y()) / (d.x() * d.x() + d.y() * d.y());
        return t > 0 && t < 1 && q.minus(base.plus(d.times(t))).length() < half;
    }

    private static double disc(double x) {
        return x <= -1 ? 0 : x >= 1 ? 1 : 0.5 + (x * Math.sqrt(1 - x * x) + Math.asin(x)) / Math.PI;
    }

    private static final double[] WHITE = {1, 1, 1};

    @ParameterizedTest
    @CsvSource({"-70, 30, 4, 2", "120, 45, 12, 1", "-150, 25, 2.5, 3", "60, 55, 20, 1.5"})
    void sideHeightSizeAndStrengthOfTheKey(double azimuth, double elevation, double size, double stops) {
        PictureLight l = LightSolver.solve(lit(azimuth, elevation, size, stops, WHITE, WHITE), CAMERA,
                LightMarks.NONE.withShadows(List.of(shadow(azimuth, elevation))));
        assertThat(l.hasKey()).isTrue();
        assertThat(l.azimuthDeg().value()).isCloseTo(azimuth, within(0.1));
        assertThat(l.elevationDeg().value()).isCloseTo(elevation, within(0.1));
        assertThat(l.sizeDeg().value() / size).isBetween(1 / 1.5, 1.5);
        assertThat(l.keyToFillStops().value()).isCloseTo(stops, within(0.3));
        assertThat(l.sources()).hasSize(1);
    }

    @Test
    void theDirectionIsAsSureAsTheMarks() {
        SplittableRandom r = new SplittableRandom(2);
        LightMarks.Shadow s = shadow(-70, 30);
        Picture p = Picture.filled(W, H, 0.2f, 0.2f, 0.2f);
        int within = 0;
        for (int i = 0; i < 50; i++) {
            LightMarks.Shadow o = new LightMarks.Shadow(off(s.base(), r), off(s.top(), r), off(s.tip(), r));
            PictureLight l = LightSolver.solve(p, CAMERA, LightMarks.NONE.withShadows(List.of(o)));
            within += Math.abs(l.azimuthDeg().value() + 70) < 2.5 * l.azimuthDeg().std()
                    && Math.abs(l.elevationDeg().value() - 30) < 2.5 * l.elevationDeg().std() ? 1 : 0;
        }
        assertThat(within).isGreaterThanOrEqualTo(47);
    }

    private static Point off(Point p, SplittableRandom r) {
        return p.plus(new Point(0.7 * r.nextGaussian(), 0.7 * r.nextGaussian()));
    }

    @Test
    void anEvenSkyHasNoKeyAndAFaintShadowNoSize() {
        Picture p = Picture.filled(W, H, 0.2f, 0.2f, 0.2f);
        PictureLight none = LightSolver.solve(p, CAMERA, LightMarks.NONE);
        assertThat(none.hasKey()).isFalse();
        assertThat(none.azimuthDeg()).isNull();
        assertThat(none.refused()).contains(new PictureLight.Refusal("direction", "no-shadow"));
        PictureLight faint = LightSolver.solve(p, CAMERA, LightMarks.NONE.withShadows(List.of(shadow(-70, 30))));
        assertThat(faint.sizeDeg()).isNull();
        assertThat(faint.keyToFillStops()).isNull();
        assertThat(faint.refused()).extracting(PictureLight.Refusal::why).contains("faint", "no-pair");
        PictureCamera unknown = CameraSolver.solve(Marks.none(W, H));
        assertThat(LightSolver.solve(p, unknown, LightMarks.NONE.withShadows(List.of(shadow(-70, 30)))).refused())
                .contains(new PictureLight.Refusal("direction", "no-camera"));
    }

    @Test
    void warmKeyAndColdFillAreToldApartByAPairAndAGrey() {
        double[] warm = {1.3875, 0.9357, 0.4958};
        double[] cold = {0.9287, 1.0067, 1.1438};
        Picture p = lit(-70, 30, 4, 2, warm, cold);
        Vec along = new Vec(-towards(-70, 30).x(), 0, -towards(-70, 30).z()).unit();
        Area dark = around(FOOT.plus(along.times(0.2)), 0.012);
        Area bright = around(FOOT.plus(new Vec(0.6, 0, 0.5)), 0.1);
        LightMarks.Face lit = new LightMarks.Face(bright, Evidence.Lies.GROUND);
        PictureLight l = LightSolver.solve(p, CAMERA, new LightMarks(List.of(shadow(-70, 30)), List.of(bright), List.of(lit),
                List.of(new LightMarks.Face(dark, Evidence.Lies.GROUND)), List.of(), List.of()));
        assertThat(l.key().kelvin()).isCloseTo(4000, within(120.0));
        assertThat(l.fill().kelvin()).isCloseTo(7500, within(225.0));
        assertThat(l.keyToFillStops().value()).isCloseTo(2, within(0.15));
    }

    private static Area around(Vec m, double half) {
        return new Area(List.of(px(m.plus(new Vec(-half, 0, -half))), px(m.plus(new Vec(half, 0, -half))),
                px(m.plus(new Vec(half, 0, half))), px(m.plus(new Vec(-half, 0, half)))));
    }

    /// Published: D65 6504 K, illuminant A 2856 K, D50 5002 K.
    @ParameterizedTest
    @CsvSource({".31271, .32902, 6504", ".44758, .40745, 2856", ".34567, .35850, 5002"})
    void temperaturesOfKnownLights(double x, double y, double kelvin) {
        assertThat(Neutral.ofXy(x, y).orElseThrow().kelvin()).isCloseTo(kelvin, within(kelvin * 1e-3));
    }

    @Test
    void coloursThatAreNoLightHaveNoTemperature() {
        assertThat(Neutral.of(1, 1, 1).orElseThrow().kelvin()).isCloseTo(6504, within(10.0));
        assertThat(Neutral.of(1, 1, 1).orElseThrow().duv()).isCloseTo(0.0032, within(2e-4));
        assertThat(Neutral.of(0, 0, 0)).isEmpty();
        assertThat(Neutral.of(0, 1, 0)).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> new Area(List.of(Point.ZERO, Point.ZERO)));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> LightMarks.NONE.withLit(List.of(new LightMarks.Face(around(FOOT, 0.1), Evidence.Lies.GROUND))));
    }
}
