package org.scenothesis.studio.layer;

import java.util.List;
import javafx.scene.Cursor;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;

/// A line across the picture: left of it the lowest layer alone, right of it the finished picture. It is pulled, or moved with the arrow
/// keys.
final class WipeLine {
    private static final double WIDE = 9;
    private static final double STEP = 0.01;

    private final Pane over;
    private final Line line = new Line();
    private final Rectangle grip = new Rectangle(WIDE, 40);
    private final Runnable moved;
    private double share = 0.5;

    WipeLine(PictureView picture, Runnable moved) {
        over = picture.overlay();
        this.moved = moved;
        line.getStyleClass().add("wipe-line");
        line.setMouseTransparent(true);
        grip.getStyleClass().add("handle");
        grip.setId("wipe");
        grip.setCursor(Cursor.H_RESIZE);
        grip.setFocusTraversable(true);
        grip.setAccessibleText(Words.of("wipe-line.before-and-after-left-the"));
        grip.setOnMouseDragged(e -> {
            to(e.getX() / Math.max(1, over.getWidth()));
            e.consume();
        });
        grip.setOnKeyPressed(e -> {
            switch (e.getCode()) {
                case LEFT -> to(share - STEP);
                case RIGHT -> to(share + STEP);
                default -> {
                    return;
                }
            }
            e.consume();
        });
        over.getChildren().addAll(line, grip);
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
        show(false);
    }

    boolean shown() {
        return grip.isVisible();
    }

    void show(boolean on) {
        line.setVisible(on);
        grip.setVisible(on);
        draw();
        if (on) {
            grip.requestFocus();
        }
    }

    private void to(double there) {
        share = Math.clamp(there, 0, 1);
        draw();
        moved.run();
    }

    private void draw() {
        double x = share * over.getWidth();
        line.setStartX(x);
        line.setEndX(x);
        line.setEndY(over.getHeight());
        grip.setX(x - WIDE / 2);
        grip.setY(over.getHeight() / 2 - 20);
    }

    double share() {
        return share;
    }

    /// The shot with its lowest layer alone.
    static Shot before(Shot shot) {
        List<Layer> on = shot.layers().stream().filter(Layer::on).toList();
        return on.isEmpty() ? shot : shot.withLayers(List.of(on.getFirst()));
    }

    /// One picture left of a share of the width, the other right of it; both of one size.
    static Picture joined(Picture left, Picture right, double share) {
        int w = right.width();
        int cut = (int) Math.round(share * w);
        Picture out = right.copy();
        for (int c = 0; c < 3; c++) {
            Plane from = left.colours().get(c);
            for (int y = 0; y < out.height(); y++) {
                System.arraycopy(from.data(), y * w, out.colours().get(c).data(), y * w, cut);
            }
        }
        return out;
    }
}
