package org.scenothesis.studio.parts;

import java.util.List;
import javafx.scene.Group;
import javafx.scene.shape.Polyline;

/// What belongs on an empty bench, drawn faintly: lines in a field of 240 by 130.
public enum Sketch {
    /// A camera on its legs before a room with somebody in it.
    TAKES(room(70), figure(170, 118, 60), line(20, 40, 44, 40, 44, 56, 20, 56, 20, 40), line(44, 44, 54, 40, 54, 56, 44, 52),
            line(32, 56, 18, 110), line(32, 56, 46, 110), line(32, 56, 32, 112)),
    /// One picture slipped against another.
    MATCH(frame(30, 14, 150, 84), frame(46, 24, 150, 84), line(70, 86, 110, 60, 140, 80, 180, 50), line(54, 76, 94, 50, 124, 70, 164, 40)),
    /// Somebody before a cloth, and the matte of that.
    KEY(frame(14, 22, 100, 76), figure(64, 96, 58), line(124, 60, 138, 60), line(132, 54, 138, 60, 132, 66), frame(146, 22, 80, 76),
            figure(186, 96, 58), figure(187, 96, 54), figure(185, 96, 54)),
    /// Pictures lying over one another.
    LAYERS(leaf(92), leaf(64), leaf(36), line(120, 10, 120, 24), line(115, 19, 120, 24, 125, 19)),
    /// A strip of frames that goes out.
    /// A plan: walls, a cloth, what stands before it, and what a lens sees.
    SET(line(20, 110, 20, 16, 190, 16, 190, 110), line(70, 30, 140, 30), frame(94, 46, 22, 16), line(105, 108, 66, 30),
            line(105, 108, 144, 30), line(34, 60, 48, 74)),
    FILM(frame(20, 34, 52, 60), frame(76, 34, 52, 60), frame(132, 34, 52, 60), line(20, 28, 184, 28), line(20, 100, 184, 100),
            line(196, 64, 226, 64), line(216, 56, 226, 64, 216, 72));

    static final double WIDTH = 240;
    static final double HEIGHT = 130;

    private final List<double[]> lines;

    Sketch(double[]... lines) {
        this.lines = List.of(lines);
    }

    private static double[] line(double... xy) {
        return xy;
    }

    private static double[] frame(double x, double y, double w, double h) {
        return line(x, y, x + w, y, x + w, y + h, x, y + h, x, y);
    }

    private static double[] room(double left) {
        return line(left, 118, left + 30, 96, left + 30, 14, 226, 14, 226, 96, left + 30, 96);
    }

    private static double[] leaf(double y) {
        return line(60, y + 14, 96, y - 6, 196, y - 6, 160, y + 14, 60, y + 14);
    }

    /// Legs, body and a head, from the feet up.
    private static double[] figure(double x, double foot, double h) {
        double k = h / 10;
        return line(
                x - 1.6 * k, foot, x, foot - 4 * k, x + 1.6 * k, foot, x, foot - 4 * k, x, foot - 7 * k, x - 2 * k, foot - 4.6 * k, x,
                foot - 7 * k, x + 2 * k, foot - 4.6 * k, x, foot - 7 * k,
                x - 1.2 * k, foot - 8 * k, x - 1.2 * k, foot - 9.4 * k, x, foot - 10 * k, x + 1.2 * k, foot - 9.4 * k, x + 1.2 * k,
                foot - 8 * k, x, foot - 7 * k);
    }

    Group draw() {
        Group g = new Group();
        for (double[] l : lines) {
            Polyline p = new Polyline(l);
            p.getStyleClass().add("sketch");
            g.getChildren().add(p);
        }
        return g;
    }
}
