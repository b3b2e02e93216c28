package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.follow.Followed;
import org.scenothesis.core.follow.Following;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Track.Spot;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.TrackBinding;

class TrackTest {
    private static Spot spot(double s, double x, double y, double size, double turn) {
        return new Spot(s, List.of(new Point(x, y)), size, turn, 0.9, false);
    }

    private static final Track TRAIL = new Track("t", "the hand", "hand", List.of(spot(2, 0.5, 0.5, 2, 350), spot(0, 0.1, 0.5, 1, 10),
            spot(4, 0.5, 0.1, 2, 350)));

    private static Shot shot(Layer... layers) {
        return new Shot("s", 1, "", "", 4, List.of(), List.of(), List.of(), List.of(layers), null).withTracks(List.of(TRAIL));
    }

    @Test
    void betweenSpotsItGoesStraightAndTurnsTheShortWay() {
        Spot half = TRAIL.at(1);
        assertThat(half.places().getFirst().x()).isCloseTo(0.3, within(1e-9));
        assertThat(half.size()).as("half way to twice as large").isCloseTo(Math.sqrt(2), within(1e-9));
        assertThat(half.turnDeg()).as("from 10 to 350 by way of 0").isCloseTo(0, within(1e-9));
        assertThat(TRAIL.at(99)).isEqualTo(TRAIL.spots().getLast());
        assertThat(TRAIL.at(0)).isEqualTo(spot(0, 0.1, 0.5, 1, 10));
        assertThat(TRAIL.found(2.01, 25)).isTrue();
        assertThat(TRAIL.found(1, 25)).isFalse();
    }

    @Test
    void motionTakesThePlaceThenToThePlaceNow() {
        PlanarMap shifted = TRAIL.motion(0, 2, false, 200, 100);
        assertThat(shifted).isEqualTo(PlanarMap.shift(80, 0));
        PlanarMap turned = TRAIL.motion(0, 2, true, 200, 100);
        assertThat(turned.map(20, 50).minus(new Point(100, 50)).length()).isLessThan(1e-9);
        // A point 10 px to the right is 20 px away now, turned back by 20 degrees.
        Point p = turned.map(30, 50).minus(new Point(100, 50));
        assertThat(p.length()).isCloseTo(20, within(1e-9));
        assertThat(Math.toDegrees(Math.atan2(p.y(), p.x()))).isCloseTo(-20, within(1e-9));
        assertThat(TRAIL.motion(2, 2, true, 200, 100).map(7, 9).minus(new Point(7, 9)).length()).isLessThan(1e-9);
    }

    @Test
    void fourCornersKeepTheirPerspective() {
        List<Point> from = List.of(new Point(0.1, 0.1), new Point(0.5, 0.1), new Point(0.5, 0.5), new Point(0.1, 0.5));
        List<Point> to = List.of(new Point(0.3, 0.1), new Point(0.6, 0.2), new Point(0.6, 0.5), new Point(0.3, 0.7));
        Track flat = new Track("f", "", "p", List.of(new Spot(0, from, 1, 0, 1, true), new Spot(1, to, 1, 0, 1, false)));
        assertThat(flat.flat()).isTrue();
        Point corner = flat.motion(0, 1, false, 100, 100).map(50, 50);
        assertThat(corner.minus(new Point(60, 50)).length()).isLessThan(1e-6);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Track("x", "", "p", List.of(spot(0, 0, 0, 1, 0), new Spot(1, to, 1, 0, 1, false))));
        assertThatIllegalArgumentException().isThrownBy(() -> new Track("x", "", "p", List.of()));
        assertThatIllegalArgumentException().isThrownBy(() -> new Spot(0, from.subList(0, 2), 1, 0, 1, true));
    }

    /// The take may begin later in the shot, or be held: what hangs on it goes by the frame that is seen.
    @Test
    void theTakesOwnTimeCounts() {
        TrackBinding by = new TrackBinding("t", 0, false);
        Layer late = Layer.of("l", "", "hand").withTime(new TimeMap.Straight(-1, 1));
        assertThat(Tracks.motion(shot(late), by, 3, 200, 100)).isEqualTo(PlanarMap.shift(80, 0));
        assertThat(Tracks.motion(shot(late.withTime(new TimeMap.Held(0))), by, 3, 200, 100)).isEqualTo(PlanarMap.shift(0, 0));
        assertThat(Tracks.motion(shot(), by, 2, 200, 100)).as("without a layer as filmed").isEqualTo(PlanarMap.shift(80, 0));
        assertThat(Tracks.motion(shot(), new TrackBinding("gone", 0, true), 2, 200, 100)).isEqualTo(PlanarMap.identity());
    }

    @Test
    void takenAwayItLeavesNothingHanging() {
        TrackBinding by = new TrackBinding("t", 0, false);
        Outline hung = Outline.of(List.of(new Point(0, 0), new Point(1, 0), new Point(1, 1)), 1).withHung(by);
        Shot s = shot(Layer.of("l", "", "p", hung, new Follow(by)));
        assertThat(Tracks.of(s.layers().getFirst())).containsExactly("t");
        Shot without = Tracks.without(s, "t");
        assertThat(without.tracks()).isEmpty();
        assertThat(without.layers().getFirst().steps()).containsExactly(hung.withHung(null));
        assertThat(Tracks.with(s, TRAIL.withName("other")).tracks()).extracting(Track::name).containsExactly("other");
        assertThat(Tracks.with(s, TRAIL.withId(Tracks.free(s))).tracks()).extracting(Track::id).containsExactly("t", "track-2");
    }

    private static Followed found(int frame, double x) {
        return new Followed(frame, List.of(new Point(x, 50)), 1, 0, 0.9);
    }

    /// Shown by hand in frame 2, it is followed anew to both sides; what was measured there before, the very first frame too, is gone.
    @Test
    void aTrackShownByHandIsFollowedAnewUpToWhatWasShownBefore() {
        Following.Frames frames = new Following.Frames(100, 100, List.of(0.0, 1.0, 2.0, 3.0, 4.0, 5.0));
        Track t = Following.track("t", "", "p", List.of(found(4, 40), found(5, 50), found(3, 99), found(2, 99), found(0, 99)), 4, frames);
        assertThat(Following.around(t, 2)).isEqualTo(new Following.Stretch(0, 4));
        Track mended = Following.mended(t, List.of(found(2, 20), found(3, 30), found(4, 77), found(1, 10), found(0, 1)), 2, frames);
        assertThat(mended.spots()).extracting(s -> s.places().getFirst().x()).containsExactly(0.01, 0.1, 0.2, 0.3, 0.4, 0.5);
        assertThat(mended.spots()).extracting(Spot::byHand).containsExactly(false, false, true, false, true, false);
    }

    /// Corners that cross are no view of anything flat: refused where they are told, and never taken half way between two views.
    @Test
    void cornersGoRoundOneWay() {
        List<Point> square = List.of(new Point(0.1, 0.1), new Point(0.5, 0.1), new Point(0.5, 0.5), new Point(0.1, 0.5));
        List<Point> crossed = List.of(square.get(0), square.get(2), square.get(1), square.get(3));
        assertThatIllegalArgumentException().isThrownBy(() -> new Track("x", "", "p", List.of(new Spot(0, crossed, 1, 0, 1, true))));
        List<Point> mirrored = List.of(square.get(1), square.get(0), square.get(3), square.get(2));
        Track turns = new Track("x", "", "p", List.of(new Spot(0, square, 1, 0, 1, true), new Spot(2, mirrored, 1, 0, 1, false)));
        assertThat(turns.at(1).places()).isEqualTo(square);
        assertThat(turns.motion(0, 1, true, 100, 100).map(7, 7).minus(new Point(7, 7)).length()).isLessThan(1e-6);
    }
}
