package org.scenothesis.core.stage.piece;

import java.util.List;
import java.util.Set;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Given;

/// The pieces that can be put on a floor, by their codes, each of usual size.
public final class PieceShelf {
    /// Why their numbers are what they are.
    public static final String WHY = "shelf";
    /// In the order in which they are offered.
    public static final List<String> CODES = List.of("cloth", "frame", "roll", "floor", "display", "suit", "figure", "box", "ball",
            "stool", "table", "soft", "tube", "dome", "window", "sun", "practical", "flag", "hood", "wall", "glass", "camera");

    private PieceShelf() {}

    private static Given<Double> usual(double v) {
        return new Given.Assumed<>(v, WHY);
    }

    /// A piece of this code at a place, lamps pointed at a point.
    ///
    /// @throws IllegalArgumentException if there is none of this code
    public static Piece make(String code, String id, Spot at, Vec aim) {
        return new Piece(id, name(code), Given.entered(at), Set.of(), thing(code, aim));
    }

    /// What it is called until the crew calls it otherwise.
    public static String name(String code) {
        return switch (code) {
            case "frame" -> "fold frame";
            case "roll" -> "paper roll";
            case "floor" -> "floor cloth";
            case "suit" -> "screen suit";
            case "soft" -> "soft box";
            case "dome" -> "dome lamp";
            case "practical" -> "seen lamp";
            case "camera" -> "camera 2";
            default -> code;
        };
    }

    private static Thing thing(String code, Vec aim) {
        return switch (code) {
            case "cloth" -> screen(BackdropKind.CLOTH, 3, 2.7, 0, 0);
            case "frame" -> screen(BackdropKind.FRAME, 1.5, 2, 0.1, 0);
            case "roll" -> screen(BackdropKind.ROLL, 2.7, 2.5, 0, 2);
            case "floor" -> screen(BackdropKind.FLOOR, 3, 0, 0, 3);
            case "suit" -> screen(BackdropKind.SUIT, 0.6, 1.8, 0, 0);
            case "display" -> screen(BackdropKind.DISPLAY, 1.2, 0.7, 0.8, 0);
            case "figure" -> new Body(Body.Form.FIGURE, usual(0.85), usual(1.7), usual(0.5), usual(0), List.of());
            case "box" -> new Body(Body.Form.BOX, usual(0.4), usual(0.4), usual(0.4), usual(0), List.of());
            case "ball" -> new Body(Body.Form.BALL, usual(0.3), usual(0.3), usual(0.3), usual(1), List.of());
            case "stool" -> new Support("stool", usual(0.35), usual(0.5), usual(0.35));
            case "table" -> new Support("table", usual(1.6), usual(0.75), usual(0.8));
            case "soft" -> lamp(LampKind.SOFT_BOX, 2, aim);
            case "tube" -> lamp(LampKind.TUBE, 1.4, aim);
            case "dome" -> lamp(LampKind.DOME, 2, aim);
            case "window" -> lamp(LampKind.WINDOW, 1.5, aim);
            case "sun" -> lamp(LampKind.SUN, 6, aim);
            case "practical" -> lamp(LampKind.PRACTICAL, 1.2, aim);
            case "flag" -> new Flag(usual(0.6), usual(0.9), usual(1.1));
            case "hood" -> new Flag(usual(1.5), usual(1.5), usual(0.5));
            case "camera" -> new Camera(usual(1.4), usual(54), usual(0));
            case "wall" -> new Wall(usual(3), usual(2.5), usual(0.5));
            case "glass" -> new Glass(usual(1.2), usual(1), usual(0.8));
            default -> throw new IllegalArgumentException("there is no piece called " + code + "; choose one of " + CODES);
        };
    }

    private static Backdrop screen(BackdropKind kind, double wide, double high, double bottom, double floor) {
        return new Backdrop(kind, Backdrop.Dye.GREEN, usual(wide), usual(high), usual(bottom), usual(floor),
                new Given.Assumed<>(kind.usualWrinkle(), "cloth-hung"));
    }

    private static Lamp lamp(LampKind kind, double high, Vec aim) {
        return Lamp.usual(kind, usual(high), new Given.Assumed<>(aim, WHY));
    }
}
