package org.scenothesis.core.match;

import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;

/// The kinds of marks that can be put on a picture, each with where it lies until it is pulled to where it belongs.
public enum MarkKind {
    AWAY(new Evidence.Edge(Evidence.Runs.AWAY, new Point(0.42, 0.85), new Point(0.47, 0.6))),
    ACROSS(new Evidence.Edge(Evidence.Runs.ACROSS, new Point(0.35, 0.7), new Point(0.65, 0.7))),
    UP(new Evidence.Edge(Evidence.Runs.UP, new Point(0.5, 0.65), new Point(0.5, 0.35))),
    HORIZON(new Evidence.Horizon(new Point(0.1, 0.45), new Point(0.9, 0.45))),
    SPAN(new Evidence.Span(new Point(0.4, 0.85), new Point(0.6, 0.85), 1)),
    UPRIGHT(new Evidence.Upright(new Point(0.5, 0.8), new Point(0.5, 0.5), 1)),
    SHADOW(new Evidence.Shadow(new Point(0.5, 0.8), new Point(0.5, 0.55), new Point(0.62, 0.83))),
    GREY(new Evidence.Grey(new Point(0.5, 0.7))),
    LENS(new Evidence.Lens(54.4)),
    LENS_HEIGHT(new Evidence.LensHeight(1.4)),
    TILES(new Evidence.Tiles(new Point(0.35, 0.88), new Point(0.65, 0.88), new Point(0.58, 0.72), new Point(0.42, 0.72), 3, 3, 0)),
    SHADE(new Evidence.Shade(new Point(0.55, 0.72), new Point(0.6, 0.72), Evidence.Lies.GROUND)),
    ROUND(new Evidence.Round(Evidence.Shape.BALL, new Point(0.5, 0.55), new Point(0.55, 0.55))),
    LAMP(new Evidence.Lamp(new Point(0.5, 0.2))),
    TAPE(new Evidence.Tape(new Point(0.4, 0.82), new Point(0.6, 0.82))),
    STAFF(new Evidence.Staff(new Point(0.5, 0.85), new Point(0.5, 0.6)));

    private final Evidence first;

    /// What marks are for.
    public enum Use {
        CAMERA,
        LIGHT,
        MEASURE
    }

    /// What it is for.
    public Use use() {
        return switch (this) {
            case AWAY, ACROSS, UP, HORIZON, SPAN, UPRIGHT, LENS, LENS_HEIGHT, TILES -> Use.CAMERA;
            case SHADOW, GREY, SHADE, ROUND, LAMP -> Use.LIGHT;
            case TAPE, STAFF -> Use.MEASURE;
        };
    }

    MarkKind(Evidence first) {
        this.first = first;
    }

    /// A mark of this kind in the middle of the picture.
    public Evidence first() {
        return first;
    }

    /// What kind a mark is of.
    public static MarkKind of(Evidence e) {
        return switch (e) {
            case Evidence.Edge x -> switch (x.runs()) {
                case ACROSS -> ACROSS;
                case UP -> UP;
                case AWAY -> AWAY;
            };
            case Evidence.Horizon x -> HORIZON;
            case Evidence.Span x -> SPAN;
            case Evidence.Upright x -> UPRIGHT;
            case Evidence.Shadow x -> SHADOW;
            case Evidence.Grey x -> GREY;
            case Evidence.Lens x -> LENS;
            case Evidence.LensHeight x -> LENS_HEIGHT;
            case Evidence.Tiles x -> TILES;
            case Evidence.Shade x -> SHADE;
            case Evidence.Round x -> ROUND;
            case Evidence.Lamp x -> LAMP;
            case Evidence.Tape x -> TAPE;
            case Evidence.Staff x -> STAFF;
        };
    }
}
