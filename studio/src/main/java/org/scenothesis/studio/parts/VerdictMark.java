package org.scenothesis.studio.parts;

import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.production.words.Words;

/// A verdict as a shape: open ring, half ring, filled square, dotted ring. A word always stands beside it or in its accessible text.
public final class VerdictMark extends Pane {
    private static final double SIZE = 14;

    public VerdictMark(Verdict verdict) {
        setMinSize(SIZE, SIZE);
        setPrefSize(SIZE, SIZE);
        setMaxSize(SIZE, SIZE);
        show(verdict);
    }

    public void show(Verdict verdict) {
        getChildren().clear();
        setAccessibleText(Words.verdict(verdict));
        double c = SIZE / 2;
        switch (verdict) {
            case HOLDS -> getChildren().add(styled(new Circle(c, c, 5.5), "mark-ring"));
            case WATCH -> {
                Arc half = new Arc(c, c, 5.5, 5.5, -90, 180);
                half.setType(ArcType.CHORD);
                getChildren().addAll(styled(new Circle(c, c, 5.5), "mark-ring"), styled(half, "mark-half"));
            }
            case REDO -> getChildren().add(styled(new Rectangle(1, 1, SIZE - 2, SIZE - 2), "mark-redo"));
            case NOT_MEASURED -> getChildren().add(styled(new Circle(c, c, 5.5), "mark-dots"));
        }
    }

    private static <T extends Node> T styled(T node, String style) {
        node.getStyleClass().add(style);
        return node;
    }
}
