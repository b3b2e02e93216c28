package org.scenothesis.core.background;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.scenothesis.core.background.BackgroundReport.CameraWork;
import org.scenothesis.core.background.BackgroundReport.Move;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.shot.step.TrackSteady;

/// The camera's own move, as it was measured of a background, handed to the layers: elements go along with it, or it is taken back.
public final class CameraTrack {
    private static final Point MIDDLE = new Point(0.5, 0.5);

    private CameraTrack() {}

    /// What can be done with a move.
    public enum Use {
        /// Every other layer moves as the camera did.
        IMITATE,
        /// The layers of the background are held where they were in the first frame.
        UNDO
    }

    /// Whether a bend of the picture can follow or take back such a move: not that of a camera that travels.
    public static boolean usable(CameraWork c) {
        return c == CameraWork.PUSH || c == CameraWork.PAN || c == CameraWork.DRIFT || c == CameraWork.HAND_HELD;
    }

    /// The move as something that was followed: the middle of the picture, with its turn and size; empty where no frame was placed.
    ///
    /// - `seconds`: when a frame is shown.
    public static Optional<Track> of(BackgroundReport r, String id, String name, String plate, IntToDoubleFunction seconds) {
        List<Track.Spot> spots = new ArrayList<>();
        for (int i = 0; i < r.moves().size(); i++) {
            Move m = r.moves().get(i);
            if (m != null) {
                spots.add(new Track.Spot(seconds.applyAsDouble(i), List.of(MIDDLE.plus(new Point(m.x() / r.width(), m.y() / r.height()))),
                        Math.clamp(1 + m.zoomPercent() / 100, 0.001, 1000), m.rollDeg(), 1, false));
            }
        }
        return spots.isEmpty() ? Optional.empty() : Optional.of(new Track(id, name, plate, spots));
    }

    /// The shot with the move kept, and used.
    public static Shot used(Shot shot, Track track, Use use) {
        TrackBinding by = new TrackBinding(track.id(), track.spots().getFirst().seconds(), true);
        Shot s = Tracks.with(shot, track);
        return s.withLayers(s.layers().stream().map(l -> own(l, track.plate()) == (use == Use.UNDO) ? use == Use.UNDO
                ? l.with(new TrackSteady(by)) : l.with(new Follow(by)) : l).toList());
    }

    private static boolean own(Layer l, String plate) {
        return l.source().plates().contains(plate);
    }
}
