package org.scenothesis.production.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.FootageSource;
import org.scenothesis.testkit.WalkedRoom;

/// Takes of a room, drawn, coded and read again, by cameras that are known.
class MovingTakeTest {
    private static final int W = 640;
    private static final int H = 360;

    @TempDir
    Path temp;

    /// What a camera is made to do.
    enum Way {
        PAN,
        PUSH,
        ARC,
        HAND;

        private List<CameraPose> poses(int frames, long seed) {
            SplittableRandom r = new SplittableRandom(seed);
            double focal = W * r.nextDouble(0.7, 1.2);
            double tilt = r.nextDouble(-16, -7);
            double much = r.nextDouble(0.6, 1);
            double[] sway = r.doubles(6, 0.3, 1).toArray();
            List<CameraPose> out = new ArrayList<>();
            for (int i = 0; i < frames; i++) {
                double t = i / (frames - 1.0);
                double a = much * (0.3 - 0.6 * t);
                out.add(switch (this) {
                    case PAN -> pose(new Vec(0, 1.5, 0), -8 * much + 16 * much * t, tilt, 0, focal);
                    case PUSH -> pose(new Vec(0.15 * t, 1.5, 1.4 * much * t), 1.5 * t, tilt, 0, focal);
                    case ARC -> pose(new Vec(3.5 * Math.sin(a), 1.6, 3.5 - 3.5 * Math.cos(a)), -Math.toDegrees(a), tilt, 0.5, focal);
                    case HAND -> pose(new Vec(0.6 * much * t + 0.02 * Math.sin(i * sway[0]), 1.5 + 0.02 * Math.cos(i * sway[1]),
                            0.2 * t + 0.015 * Math.sin(i * sway[2])), Math.sin(i * sway[3] / 3), tilt + 0.7 * Math.sin(i * sway[4] / 2),
                            0.6 * Math.sin(i * sway[5] / 2), focal);
                });
            }
            return out;
        }
    }

    private static CameraPose pose(Vec at, double pan, double tilt, double roll, double focal) {
        return new CameraPose(at, pan, tilt, roll, focal, W, H);
    }

    private FootageSource filmed(Way way, List<CameraPose> poses, long seed) throws Exception {
        Path file = temp.resolve(way + "-" + seed + ".mp4");
        try (Bands bands = Bands.allCores()) {
            new WalkedRoom(seed, 7).write(file, poses, bands);
        }
        return FootageSource.of(file);
    }

    /// The most by which the distance of any two frames differs, as a share of the path's length, at the scale that fits best, or at the
    /// found one.
    private static double error(MovingCamera c, List<CameraPose> truth, boolean scaled) {
        double up = 0;
        double down = 0;
        double length = 0;
        for (int i = 0; i < truth.size(); i++) {
            length += i == 0 ? 0 : truth.get(i).position().minus(truth.get(i - 1).position()).length();
            for (int k = 0; k < i; k++) {
                double f = c.frames().get(i).position().minus(c.frames().get(k).position()).length();
                up += f * truth.get(i).position().minus(truth.get(k).position()).length();
                down += f * f;
            }
        }
        double scale = scaled ? 1 : up / down;
        double worst = 0;
        for (int i = 0; i < truth.size(); i++) {
            for (int k = 0; k < i; k++) {
                double f = scale * c.frames().get(i).position().minus(c.frames().get(k).position()).length();
                worst = Math.max(worst, Math.abs(f - truth.get(i).position().minus(truth.get(k).position()).length()));
            }
        }
        return worst / length;
    }

    /// By default one take of each kind; with `-Dscenothesis.takes=5` five of each, and their figures said.
    @ParameterizedTest
    @EnumSource(Way.class)
    void theCameraOfATakeComesBackOrIsRefused(Way way) throws Exception {
        int takes = Integer.getInteger("scenothesis.takes", 1);
        for (int n = 0; n < takes; n++) {
            List<CameraPose> poses = way.poses(takes > 1 ? 60 : 36, 40 + n);
            CameraPose first = poses.getFirst();
            FootageSource take = filmed(way, poses, 40 + n);
            for (boolean told : takes > 1 ? new boolean[] {true, false} : new boolean[] {n % 2 == 0}) {
                MovingCamera c = MovingTake.solve(take, told ? Marks.none(W, H).withFocalPx(first.focalPx()) : null, (done, of) -> true);
                String said = String.format(Locale.ROOT, "%s %d %s: %s, focal %s of %.0f, %.2f px, %d points, path off %.2f %%, %s", way,
                        n, told ? "told" : "free", c.does(), c.focalPx(), first.focalPx(),
                        c.residualPx(), c.places().size(), c.does() == Does.TRAVELS ? 100 * error(c, poses, false) : 0, c.refused());
                if (takes > 1) {
                    System.out.println(said);
                    continue;
                }
                assertThat(c.does()).as(said).isEqualTo(way == Way.PAN ? Does.TURNS : Does.TRAVELS);
                assertThat(c.placed()).isEqualTo(poses.size());
                assertThat(c.residualPx()).as(said).isLessThan(0.5);
                assertThat(way == Way.PAN ? 0 : error(c, poses, false)).as(said).isLessThan(0.01);
            }
        }
    }

    /// Level by its edges and as large as something of a known height: metres, and up is up.
    @Test
    void marksOfTheFirstFramePutThePathOnTheGround() throws Exception {
        List<CameraPose> poses = Way.ARC.poses(36, 40);
        CameraPose p = poses.getFirst();
        Marks marks = Marks.none(W, H).withFocalPx(p.focalPx()).withLensHeightM(p.position().y()).withHorizon(horizon(p));
        MovingCamera c = MovingTake.solve(filmed(Way.ARC, poses, 40), marks, (done, of) -> true);
        assertThat(c.scaleKnown()).as("%s", c.refused()).isTrue();
        assertThat(c.level()).isTrue();
        assertThat(c.frames().getFirst().position().y()).isCloseTo(p.position().y(), within(1e-6));
        assertThat(error(c, poses, true)).isLessThan(0.03);
        assertThat(c.frames().getLast().position().y()).isCloseTo(poses.getLast().position().y(), within(0.03));
        long ground = c.places().stream().filter(v -> Math.abs(v.y()) < 0.05).count();
        assertThat(ground).isGreaterThan(c.places().size() / 10);
        Path glb = temp.resolve("path.glb");
        MovingScene.write(c, i -> i / 25.0, glb);
        assertThat(glb).isNotEmptyFile();
    }

    /// Two points far away at the camera's height.
    private static Marks.Line horizon(CameraPose p) {
        Point a = p.project(new Vec(p.position().x() - 3e5, p.position().y(), p.position().z() + 1e6));
        Point b = p.project(new Vec(p.position().x() + 3e5, p.position().y(), p.position().z() + 1e6));
        return new Marks.Line(Marks.Direction.X, a, b);
    }

    @Test
    void itStopsWhereItIsTold() throws Exception {
        FootageSource take = filmed(Way.PUSH, Way.PUSH.poses(12, 3), 3);
        int[] asked = {0};
        assertThat(catchThrowable(() -> MovingTake.solve(take, null, (done, of) -> ++asked[0] < 4)))
                .isInstanceOf(CancellationException.class);
        assertThat(asked[0]).isEqualTo(4);
    }
}
