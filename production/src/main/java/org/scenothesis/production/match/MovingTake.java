package org.scenothesis.production.match;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.FeatureTrack;
import org.scenothesis.core.cameratrack.GroundAlignment;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingSolver;
import org.scenothesis.core.cameratrack.PointFollower;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.words.Words;

/// The camera of a take: its points followed, its path solved, put on the ground by what is marked in its first frame.
public final class MovingTake {
    /// A path over more frames than these is not kept in memory.
    public static final int MOST_FRAMES = 3000;
    private static final int STEPS = 1000;
    private static final double FOLLOWING = 0.6;

    private MovingTake() {}

    /// - `marks`: of its first frame; with nothing marked the world is that of the first frame, without a scale.
    ///
    /// @throws FootageException if it cannot be read, or is too long
    /// @throws Stopped if progress asks for it
    public static MovingCamera solve(FootageSource source, @Nullable Marks marks, Progress progress) throws FootageException {
        try (Footage f = Footages.open(source)) {
            FootageInfo info = f.info();
            int n = info.frames();
            if (n > MOST_FRAMES) {
                throw new FootageException(source.path(), Words.of("moving-take.it-has-frames-a-path-is", n, MOST_FRAMES));
            }
            PointFollower follower = new PointFollower();
            int reduced = 1;
            for (int i = 0; i < n; i++) {
                at(progress, FOLLOWING * i / n);
                AnalysisFrame frame = f.lockFrame(i);
                reduced = frame.reduced();
                follower.next(frame.luma());
            }
            PictureCamera first = marks == null || none(marks) ? null : CameraSolver.solve(marks);
            Estimate focal = first != null ? first.focalPx() : null;
            Point middle = first != null ? first.principalPx() : new Point(info.width() / 2.0, info.height() / 2.0);
            int k = reduced;
            List<FeatureTrack> traces = k == 1 ? follower.traces() : follower.traces().stream()
                    .map(t -> new FeatureTrack(t.from(), t.at().stream().map(p -> p.times(k)).toList())).toList();
            MovingCamera c = new MovingSolver(traces, n, info.width(), info.height(), middle, focal)
                    .solve(share -> at(progress, FOLLOWING + (1 - FOLLOWING) * share));
            return first == null ? c : GroundAlignment.by(c, first);
        }
    }

    private static boolean none(Marks m) {
        return m.equals(Marks.none(m.width(), m.height()));
    }

    private static void at(Progress progress, double share) {
        if (!progress.at((int) Math.round(STEPS * share), STEPS)) {
            throw new Stopped();
        }
    }
}
