package org.scenothesis.testkit;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.rehearsal.Renderer;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.Rgb;

/// A camera that did or did not move between a reference and a take, with what was true of it.
///
/// - `panPx`, `tiltPx`: how far the middle of the picture goes; `rollDeg`, `zoom` of the camera; `stops`, `tint` of its exposure.
public record LockCase(
        String name, TestRoom before, TestRoom after, double panPx, double tiltPx, double rollDeg, double zoom, double stops, Rgb tint,
        double noise) {

    /// Twenty cases of different kinds; the same ones every time.
    public static List<LockCase> twenty() {
        TestRoom room = TestRoom.USUAL;
        Rgb even = Rgb.grey(1);
        List<LockCase> c = new ArrayList<>();
        c.add(new LockCase("locked", room, room, 0, 0, 0, 1, 0, even, 1));
        c.add(new LockCase("locked, noisy", room, room, 0, 0, 0, 1, 0, even, 3));
        c.add(new LockCase("fifth of a pixel", room, room, 0.2, 0, 0, 1, 0, even, 1));
        c.add(new LockCase("half a pixel down", room, room, 0, 0.5, 0, 1, 0, even, 1));
        c.add(new LockCase("one and a half", room, room, 1.5, -0.7, 0, 1, 0, even, 1));
        c.add(new LockCase("four pixels", room, room, 4, 1, 0, 1, 0, even, 1));
        c.add(new LockCase("eleven pixels", room, room, -11, 3, 0, 1, 0, even, 1));
        c.add(new LockCase("roll", room, room, 0, 0, 0.1, 1, 0, even, 1));
        c.add(new LockCase("roll and shift", room, room, 0.8, 0.3, -0.06, 1, 0, even, 1));
        c.add(new LockCase("zoom", room, room, 0, 0, 0, 1.002, 0, even, 1));
        c.add(new LockCase("darker", room, room, 0.4, 0, 0, 1, -0.33, even, 1));
        c.add(new LockCase("brighter", room, room, 0, -0.3, 0, 1, 0.25, even, 1));
        c.add(new LockCase("cooler", room, room, 0.3, 0.3, 0, 1, 0, new Rgb(0.94, 1, 1.09), 1));
        c.add(new LockCase("figure", room, room.withFigure(0.8), 0.6, 0, 0, 1, 0, even, 1));
        c.add(new LockCase("large figure", room, room.withFigure(1.3), 0.6, -0.4, 0, 1, -0.2, even, 1));
        c.add(new LockCase("large figure, locked", room, room.withFigure(1.3), 0, 0, 0, 1, 0, even, 2));
        c.add(new LockCase("dimmed lamp", room, room.withDimmedLamp(), 0, 0, 0, 1, 0, even, 1));
        c.add(new LockCase("moved chair", room, room.withMovedChair(), 0, 0, 0, 1, 0, even, 1));
        c.add(new LockCase("plain wall", room.withPlainWall(), room.withPlainWall(), 0.35, 0.2, 0, 1, 0, even, 1));
        c.add(new LockCase("plain wall, locked", room.withPlainWall(), room.withPlainWall(), 0, 0, 0, 1, 0.1, even, 1));
        return c;
    }

    public View reference(int width) {
        return TestRoom.view(width);
    }

    public View moved(int width) {
        CameraPose p = reference(width).pose();
        double pan = -Math.toDegrees(Math.atan(panPx / p.focalPx()));
        double tilt = Math.toDegrees(Math.atan(tiltPx / p.focalPx()));
        return reference(width).with(p.turned(pan, tilt, rollDeg).zoomed(zoom));
    }

    /// Where what the reference shows at `p` went in the take; exact, since the camera only turned and zoomed.
    public Point shiftAt(int width, Point p) {
        CameraPose from = reference(width).pose();
        return moved(width).pose().project(from.position().plus(from.ray(p))).minus(p);
    }

    /// Renders the clean light of reference and take, 12 paths a pixel, chance independent between the two.
    public Picture light(boolean take, int width, Bands bands) {
        Scenery stage = (take ? after : before).stage();
        return new Renderer(stage, TestRoom.AMBIENT, take ? moved(width) : reference(width), new Quality(12, 8, 0, take ? 91 : 17), bands)
                .still().light();
    }

    public Sensor sensor(boolean take) {
        Sensor s = new Sensor(Rgb.grey(1), 6e-5 * noise, 9e-4 * noise, take ? 5 : 3);
        return take ? s.balanced(tint).exposed(stops) : s;
    }

    /// The exposure the meter should find: that of a neutral grey through tint and stops.
    public double trueStops() {
        return stops + Math.log(0.2126 * tint.r() + 0.7152 * tint.g() + 0.0722 * tint.b()) / Math.log(2);
    }
}
