package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.shot.step.TrackSteady;

/// What a shot does with what was followed in it.
public final class Tracks {
    /// A tall picture's pixels, only to count in.
    private static final int HEIGHT = 1000;

    private Tracks() {}

    /// The moment of a plate's take that is seen at a moment of the shot, in seconds: of its lowest layer, else as it was filmed.
    public static double takeSeconds(Shot shot, String plate, double seconds) {
        return shot.layers().stream().filter(l -> l.source().plates().contains(plate)).findFirst().map(l -> l.time().at(seconds))
                .orElse(seconds);
    }

    /// How a picture moves with what it hangs on at a moment of the shot; it stays where that is not there.
    public static PlanarMap motion(Shot shot, TrackBinding hung, double seconds, int width, int height) {
        return shot.track(hung.track()).map(t -> t.motion(hung.sinceSeconds(), takeSeconds(shot, t.plate(), seconds), hung.turns(), width,
                height)).orElse(PlanarMap.identity());
    }

    /// The same in shares of the picture, of `aspect`: its width by its height. What hangs on nothing stays.
    public static PlanarMap carries(Shot shot, @Nullable TrackBinding hung, double seconds, double aspect) {
        if (hung == null) {
            return PlanarMap.identity();
        }
        int w = Math.max(1, (int) Math.round(HEIGHT * aspect));
        PlanarMap pixels = motion(shot, hung, seconds, w, HEIGHT);
        return new PlanarMap(1.0 / w, 0, 0, 0, 1.0 / HEIGHT, 0, 0, 0, 1).after(pixels).after(new PlanarMap(w, 0, 0, 0, HEIGHT, 0, 0, 0, 1));
    }

    /// An outline as it lies at a moment of the shot, gone along with what it hangs on; in shares of the picture.
    public static List<Point> shape(Shot shot, Outline o, double seconds, double aspect) {
        PlanarMap carried = carries(shot, o.hung(), seconds, aspect);
        return o.shape(seconds).stream().map(p -> carried.map(p.x(), p.y())).toList();
    }

    /// The tracks that a layer hangs on.
    public static Set<String> of(Layer l) {
        Set<String> out = new TreeSet<>();
        for (Step s : l.steps()) {
            s.tied().map(TrackBinding::track).ifPresent(out::add);
        }
        return out;
    }

    /// The shot with a track in place of the one with its id, or as a new one.
    public static Shot with(Shot shot, Track track) {
        List<Track> all = new ArrayList<>(shot.tracks());
        int at = 0;
        while (at < all.size() && !all.get(at).id().equals(track.id())) {
            at++;
        }
        if (at < all.size()) {
            all.set(at, track);
        } else {
            all.add(track);
        }
        return shot.withTracks(all);
    }

    /// The shot less a track; what hung on it stays where it was made.
    public static Shot without(Shot shot, String id) {
        Shot s = shot.withTracks(shot.tracks().stream().filter(t -> !t.id().equals(id)).toList());
        return s.withLayers(s.layers().stream().map(l -> l.withSteps(l.steps().stream()
                .filter(x -> !(x instanceof Follow f && f.by().track().equals(id) || x instanceof TrackSteady h && h.by().track()
                .equals(id)))
                .map(x -> x instanceof Outline o && o.hung() != null && o.hung().track().equals(id) ? o.withHung(null) : x).toList()))
                .toList());
    }

    /// An id that no track of the shot has.
    public static String free(Shot shot) {
        int n = shot.tracks().size() + 1;
        while (shot.track("track-" + n).isPresent()) {
            n++;
        }
        return "track-" + n;
    }
}
