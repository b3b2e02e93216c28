package org.scenothesis.core.follow;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.TrackBinding;

/// Makes tracks of what was followed, and mends them by hand.
public final class Following {
    private static final double SAME_S = 1e-6;

    private Following() {}

    /// How the frames of a take lie in time, and how large they are, in pixels.
    ///
    /// `times`: seconds of every frame into the take.
    public record Frames(int width, int height, List<Double> times) {
        public Frames {
            times = List.copyOf(times);
        }
    }

    /// A track of what was found; `seed`: the frame in which it was shown by hand.
    ///
    /// @throws IllegalArgumentException if nothing was found at all
    public static Track track(String id, String name, String plate, List<Followed> found, int seed, Frames frames) {
        return new Track(id, name, plate, spots(found, seed, frames));
    }

    private static List<Track.Spot> spots(List<Followed> found, int seed, Frames f) {
        List<Track.Spot> out = new ArrayList<>();
        for (Followed x : found) {
            if (x.found() && Track.lies(x.places())) {
                List<Point> places = x.places().stream().map(p -> new Point(p.x() / f.width, p.y() / f.height)).toList();
                out.add(new Track.Spot(f.times.get(x.frame()), places, x.size(), x.turnDeg(), x.confidence(), x.frame() == seed));
            }
        }
        return out;
    }

    /// The moments between which a track is followed anew when it is shown by hand at one: the nearest shown by hand before and behind it,
    /// else the ends of the take.
    public record Stretch(double from, double to) {}

    /// The stretch around a moment of the take, in seconds, that a correction there may change.
    public static Stretch around(Track t, double seconds) {
        double from = 0;
        double to = Double.MAX_VALUE;
        for (Track.Spot s : t.spots()) {
            if (s.byHand() && s.seconds() < seconds - SAME_S) {
                from = s.seconds();
            }
            if (s.byHand() && s.seconds() > seconds + SAME_S) {
                to = Math.min(to, s.seconds());
            }
        }
        return new Stretch(from, to);
    }

    /// The track with what was found anew after it was shown by hand in frame `seed`; what was shown by hand before stays.
    ///
    /// Size and turn go on from what they were known to be in that frame.
    public static Track mended(Track t, List<Followed> found, int seed, Frames f) {
        double at = f.times.get(seed);
        Stretch s = around(t, at);
        Track.Spot was = t.at(at);
        List<Track.Spot> all = new ArrayList<>(t.spots().stream().filter(x -> x.seconds() < s.from - SAME_S || x.seconds() > s.to + SAME_S
                || x.byHand() && Math.abs(x.seconds() - at) > SAME_S).toList());
        for (Track.Spot x : spots(found, seed, f)) {
            if (all.stream().noneMatch(o -> Math.abs(o.seconds() - x.seconds()) < SAME_S)) {
                all.add(new Track.Spot(x.seconds(), x.places(), Math.clamp(was.size() * x.size(), 0.001, 1000), was.turnDeg()
                        + x.turnDeg(), x.confidence(), x.byHand()));
            }
        }
        return t.withSpots(all);
    }

    /// The shot with a track, and a layer that goes along with it from a moment of the track's take on, in seconds; null for no layer.
    public static Shot followed(Shot shot, Track track, @Nullable String layer, double sinceSeconds) {
        Shot s = Tracks.with(shot, track);
        return layer == null ? s : s.withLayer(layer, l -> l.with(new Follow(new TrackBinding(track.id(), sinceSeconds, true))));
    }
}
