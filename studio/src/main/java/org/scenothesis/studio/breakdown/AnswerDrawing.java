package org.scenothesis.studio.breakdown;

import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import org.scenothesis.core.breakdown.fact.Fact;

/// Small drawings beside answers whose words are hard: where the picture comes from, who is in front, whether feet are seen, halves of a
/// body.
final class AnswerDrawing {
    private static final double WIDE = 24;
    private static final double HIGH = 16;

    private final Group group = new Group();

    private AnswerDrawing() {
        group.getChildren().add(new Rectangle(WIDE, HIGH));
        group.getChildren().getFirst().getStyleClass().add("answer-room");
    }

    /// The drawing of an answer, for those that have one.
    static Optional<Node> of(Fact f, String answer) {
        AnswerDrawing d = new AnswerDrawing();
        switch (f.key() + "." + answer) {
            case "base.here" -> d.room().body(12, 15, 1, "answer-ink");
            case "base.elsewhere" -> d.hill().body(12, 15, 1, "answer-line");
            case "base.existing" -> d.frame().hill().body(17, 13, 0.6, "answer-line");
            case "crossed.no" -> d.body(8, 15, 1, "answer-ink").thing(18, "answer-line");
            case "crossed.yes", "behind.yes" -> d.thing(15, "answer-line").body(11, 15, 1, "answer-ink");
            case "behind.no" -> d.body(11, 15, 1, "answer-line").thing(14, "answer-ink");
            case "feet.yes" -> d.floor().body(12, 14, 1, "answer-ink");
            case "feet.no" -> d.body(12, 21, 1.5, "answer-ink");
            case "body.whole" -> d.body(12, 15, 1, "answer-ink");
            case "body.halves" -> d.half();
            default -> {
                return Optional.empty();
            }
        }
        Rectangle clip = new Rectangle(WIDE, HIGH);
        d.group.setClip(clip);
        return Optional.of(d.group);
    }

    private AnswerDrawing add(Shape s, String style) {
        s.getStyleClass().add(style);
        group.getChildren().add(s);
        return this;
    }

    private AnswerDrawing body(double x, double foot, double size, String style) {
        add(new Rectangle(x - 2 * size, foot - 9 * size, 4 * size, 9 * size), style);
        return add(new Ellipse(x, foot - 11 * size, 1.8 * size, 2 * size), style);
    }

    private AnswerDrawing thing(double x, String style) {
        return add(new Ellipse(x, 8, 3.5, 4), style);
    }

    private AnswerDrawing floor() {
        return add(new Line(1, 14, WIDE - 1, 14), "answer-line");
    }

    private AnswerDrawing room() {
        return add(new Line(5, 0, 5, 11), "answer-line").add(new Line(5, 11, WIDE, 11), "answer-line")
                .add(new Line(5, 11, 0, 16), "answer-line");
    }

    private AnswerDrawing hill() {
        return add(new Line(1, 12, 8, 4), "answer-line").add(new Line(8, 4, 23, 12), "answer-line");
    }

    private AnswerDrawing frame() {
        return add(new Rectangle(2, 2, WIDE - 4, HIGH - 4), "answer-line");
    }

    private AnswerDrawing half() {
        return add(new Rectangle(10, 1, 4, 5), "answer-ink").add(new Rectangle(10, 9, 4, 6), "answer-ink")
                .add(new Line(4, 7.5, 20, 7.5), "answer-line");
    }
}
