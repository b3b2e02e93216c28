package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.picture.Point;

/// The camera of a take, frame by frame, and places of its set.
///
/// - `does`: what the camera does; where it does not travel it stands at the origin and there are no places.
/// - `focalPx`: null where it cannot be known well enough. `frames`: null for those that could not be placed.
/// - `scaleKnown`: lengths are metres; else they are counted so that the path's farthest point lies 1 from its beginning. `level`: the
///   world's second axis is up; else it is that of the first frame.
/// - `scaleShare`: how far the scale may be off, as a share.
public record MovingCamera(
        int width, int height, Does does, @Nullable Estimate focalPx, List<@Nullable Frame> frames, List<Vec> places, boolean level,
        boolean scaleKnown, double scaleShare, double residualPx, List<Refusal> refused) {
    /// What a camera does in a take.
    public enum Does {
        STAYS,
        TURNS,
        ZOOMS,
        TRAVELS,
        UNKNOWN
    }

    /// What is not known and why, in codes: `words` has the sentence.
    public record Refusal(String what, String why) {}

    /// One frame: where the camera is; its axes right, down and ahead in the world; what its points leave over as root of the mean square,
    /// and how far its place may be off, in the unit of the places; how many points it is placed by.
    public record Frame(Vec position, Vec right, Vec down, Vec ahead, double focalPx, double residualPx, double std, int points) {
        /// Where a place appears, from where the lens looks; empty behind the camera.
        public Optional<Point> project(Vec place) {
            Vec d = place.minus(position);
            double z = d.dot(ahead);
            return z <= 1e-9 ? Optional.empty() : Optional.of(new Point(focalPx * d.dot(right) / z, focalPx * d.dot(down) / z));
        }
    }

    public MovingCamera {
        frames = Collections.unmodifiableList(new ArrayList<>(frames));
        places = List.copyOf(places);
        refused = List.copyOf(refused);
    }

    /// How many frames were placed.
    public int placed() {
        return (int) frames.stream().filter(Objects::nonNull).count();
    }

    /// How long the way is, from frame to frame that were placed.
    public double length() {
        double sum = 0;
        Vec last = null;
        for (Frame f : frames) {
            if (f != null) {
                sum += last == null ? 0 : f.position.minus(last).length();
                last = f.position;
            }
        }
        return sum;
    }
}
