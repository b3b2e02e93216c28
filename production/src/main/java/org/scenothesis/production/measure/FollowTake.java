package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.scenothesis.core.follow.Followed;
import org.scenothesis.core.follow.Follower;
import org.scenothesis.core.follow.Following;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.Words;

/// Follows a point or four corners through a take, from the frame in which they were pointed out to another, forwards or backwards.
public final class FollowTake {
    private FollowTake() {}

    /// What is followed: points in pixels of the take from the outer corner of its first pixel, from frame to frame, both included.
    public record Seed(List<Point> points, int from, int to) {
        public Seed {
            points = List.copyOf(points);
        }
    }

    /// - `told`: every frame as it is known, on the calling thread.
    ///
    /// @throws UnsuitableException if a frame or a point of the seed lies outside the take
    /// @throws FootageException if the take cannot be read
    /// @throws Stopped if progress asks for it
    public static List<Followed> run(FootageSource take, Seed seed, Bands bands, Progress progress, Consumer<Followed> told)
            throws FootageException {
        try (Footage t = Footages.open(take)) {
            check(t, seed);
            int n = Math.abs(seed.to - seed.from) + 1;
            int step = seed.to >= seed.from ? 1 : -1;
            int[] frames = new int[n];
            for (int i = 0; i < n; i++) {
                frames[i] = seed.from + i * step;
            }
            List<Followed> out = new ArrayList<>();
            try (ReadAhead ahead = new ReadAhead(t, frames)) {
                AnalysisFrame first = ahead.next();
                // Very large stills are looked at reduced.
                double k = first.reduced();
                Follower follower = follower(t, first, seed, bands);
                for (int i = 0; i < n; i++) {
                    if (!progress.at(i, n)) {
                        throw new Stopped();
                    }
                    Followed f = i == 0 ? follower.start(seed.from) : follower.next(ahead.next().luma(), frames[i]);
                    Followed whole = new Followed(f.frame(), f.places().stream().map(p -> p.times(k)).toList(), f.size(), f.turnDeg(),
                            f.confidence());
                    out.add(whole);
                    told.accept(whole);
                }
            }
            progress.at(n, n);
            return out;
        }
    }

    /// What was found of a thing from one frame on in both directions, and the frames it was looked for in.
    public record Both(List<Followed> found, Following.Frames frames) {}

    /// Follows from a frame to both ends of a stretch of the take, in seconds.
    ///
    /// - `points`: in shares of the picture. `at`: the moment of the take in which they lie there.
    ///
    /// @throws UnsuitableException if there is nothing to be followed through
    /// @throws FootageException if the take cannot be read
    /// @throws Stopped if progress asks for it
    public static Both both(FootageSource take, List<Point> points, double at, Following.Stretch stretch, Bands bands, Progress progress)
            throws FootageException {
        Following.Frames frames;
        int seed;
        int first;
        int last;
        try (Footage t = Footages.open(take)) {
            if (t.info().frames() < 2) {
                throw new UnsuitableException(take.path(), Words.of("follow-take.it-is-a-still-there-is"));
            }
            frames = new Following.Frames(t.info().width(), t.info().height(), t.info().times());
            seed = t.info().frameAt(at);
            first = t.info().frameAt(stretch.from());
            last = t.info().frameAt(stretch.to());
        }
        List<Point> pixels = points.stream().map(p -> new Point(p.x() * frames.width(), p.y() * frames.height())).toList();
        int all = last - first + 1;
        List<Followed> found = new ArrayList<>(run(take, new Seed(pixels, seed, last), bands, (done, of) -> progress.at(done, all),
                f -> {}));
        if (first < seed) {
            List<Followed> before = run(take, new Seed(pixels, seed, first), bands, (done, of) -> progress.at(last - seed + done, all),
                    f -> {});
            found.addAll(before.subList(1, before.size()));
        }
        return new Both(found, frames);
    }

    private static Follower follower(Footage t, AnalysisFrame first, Seed seed, Bands bands) throws UnsuitableException {
        return Entered.made(() -> new Follower(first.luma(), seed.points.stream().map(p -> p.times(1.0 / first.reduced())).toList(), bands),
                why -> new UnsuitableException(t.info().path(), Words.of("follow-take.point-at-something-of-at-least", why)));
    }

    private static void check(Footage t, Seed seed) throws UnsuitableException {
        int last = t.info().frames() - 1;
        for (int f : new int[] {seed.from, seed.to}) {
            if (f < 0 || f > last) {
                throw new UnsuitableException(t.info().path(), Words.of("follow-take.it-has-frames-to-not-give", last, f));
            }
        }
        if (seed.points.size() == 4 && !PinnedCorners.bendsOneWay(seed.points)) {
            throw new UnsuitableException(t.info().path(), Words.of("follow-take.the-four-corners-must-go-round"));
        }
        for (Point p : seed.points) {
            if (!(p.x() >= 0 && p.y() >= 0 && p.x() <= t.info().width() && p.y() <= t.info().height()) && seed.points.size() == 1) {
                throw new UnsuitableException(
                        t.info().path(), Words.of("follow-take.the-point-is-outside-its-picture", p.x(), p.y(), t.info().width(),
                                t.info().height()));
            }
        }
    }
}
