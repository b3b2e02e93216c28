package org.scenothesis.testkit;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.BoxSolid;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Panel;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// A small room quick to render: a patterned wall, a floor, a few things at different distances, one window and one lamp.
public record TestRoom(boolean plain, boolean lampDimmed, boolean chairMoved, double figure) {
    public static final Rgb AMBIENT = Rgb.grey(0.12);

    public static final TestRoom USUAL = new TestRoom(false, false, false, 0);

    public TestRoom withPlainWall() {
        return new TestRoom(true, lampDimmed, chairMoved, figure);
    }

    public TestRoom withDimmedLamp() {
        return new TestRoom(plain, true, chairMoved, figure);
    }

    public TestRoom withMovedChair() {
        return new TestRoom(plain, lampDimmed, true, figure);
    }

    /// - `size`: 0 for none; 1 fills about a third of the frame.
    public TestRoom withFigure(double size) {
        return new TestRoom(plain, lampDimmed, chairMoved, size);
    }

    public static View view(int width) {
        int height = width * 9 / 16;
        return new View(new CameraPose(new Vec(0, 1.4, -3.4), 0, -3, 0, width * 0.97, width, height), 0, 4);
    }

    public Scenery stage() {
        List<Solid> s = new ArrayList<>();
        Material wall = plain
                ? Material.patterned(Pattern.PLASTER, 0.8, new Rgb(0.52, 0.50, 0.46), new Rgb(0.46, 0.44, 0.40))
                : Material.patterned(Pattern.BRICKS, 0.11, new Rgb(0.42, 0.22, 0.15), new Rgb(0.60, 0.52, 0.42));
        s.add(Panel.flat(new Vec(-4, 0, 2), new Vec(8, 0, 0), new Vec(0, 4, 0), wall, 0));
        s.add(Panel.flat(new Vec(-4, 0, -5), new Vec(8, 0, 0), new Vec(0, 0, 7),
                Material.patterned(Pattern.PLANKS, 0.2, new Rgb(0.4, 0.26, 0.15), new Rgb(0.18, 0.1, 0.06)), 0));
        double chair = chairMoved ? 0.35 : 0;
        s.add(new BoxSolid(new Vec(-1.1 + chair, 0.4, 0.5), new Vec(0.25, 0.4, 0.25), 0.3,
                Material.patterned(Pattern.CHECKS, 0.08, new Rgb(0.6, 0.3, 0.1), new Rgb(0.1, 0.08, 0.06)), 0));
        s.add(new BoxSolid(new Vec(1.1, 0.5, 0.9), new Vec(0.5, 0.5, 0.3), -0.2,
                Material.patterned(Pattern.TILES, 0.17, new Rgb(0.2, 0.35, 0.4), new Rgb(0.7, 0.7, 0.6)), 0));
        for (int i = 0; i < 6; i++) {
            s.add(new Ellipsoid(new Vec(-1.6 + 0.65 * i, 1.9 + 0.1 * (i % 2), 1.6), new Vec(0.14, 0.16, 0.14), 0,
                    Material.patterned(Pattern.RIBS, 0.12, new Rgb(0.7, 0.6, 0.2 + 0.1 * i), new Rgb(0.2, 0.1, 0.1)), 0));
        }
        if (figure > 0) {
            figure(s);
        }
        Emitter window = new Emitter.Pane(new Vec(-3.4, 1, -1), new Vec(0, 1.8, 0), new Vec(0, 0, 2), Rgb.grey(6));
        Emitter lamp = new Emitter.Ball(new Vec(1.9, 1.7, 0.9), 0.12, new Rgb(14, 10, 6).times(lampDimmed ? 0.35 : 1), 5);
        return new Scenery(s, List.of(window, lamp));
    }

    private void figure(List<Solid> s) {
        Material coat = Material.patterned(Pattern.CHECKS, 0.06, new Rgb(0.15, 0.2, 0.5), new Rgb(0.5, 0.5, 0.55));
        double k = figure;
        s.add(new Ellipsoid(new Vec(-0.35, 1.05, -1.0), new Vec(0.42 * k, 0.75 * k, 0.2), 0, coat, 1));
        s.add(new Ellipsoid(new Vec(-0.35, 1.05 + 0.95 * k, -1.0), new Vec(0.16 * k, 0.2 * k, 0.16), 0,
                Material.matte(new Rgb(0.5, 0.3, 0.2)), 1));
        s.add(new RoundCone(new Vec(-0.1, 1.4, -1.0), new Vec(0.75 * k, 1.1, -0.9), 0.09 * k, 0.07 * k, coat, 1));
    }
}
