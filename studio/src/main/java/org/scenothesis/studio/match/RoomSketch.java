package org.scenothesis.studio.match;

import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.background.Busy;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;

/// A background small, what moves in it tinted, and over it the place where the element goes: it is dragged, or moved by arrows.
final class RoomSketch extends Pane {
    static final int WIDE = 240;
    private static final double STEP = 0.01;
    private static final double LEAST = 0.01;

    private final Consumer<Busy.Room> moved;
    private final Busy.Room room;
    private final double high;
    private final ImageView picture = new ImageView();
    private final Rectangle place = new Rectangle();
    private double grabX;
    private double grabY;

    /// - `id`: what its place is called; `quieter`: where less moves, null for nowhere. `moved`: where the place was let go.
    RoomSketch(String id, double aspect, @Nullable Busy busy, Busy.Room room, Busy.@Nullable Room quieter, Consumer<Busy.Room> moved) {
        this.moved = moved;
        this.room = room;
        high = WIDE / aspect;
        setMinSize(WIDE, high);
        setPrefSize(WIDE, high);
        setMaxSize(WIDE, high);
        getStyleClass().add("deep");
        picture.setFitWidth(WIDE);
        picture.setFitHeight(high);
        getChildren().add(picture);
        for (int i = 0; busy != null && i < busy.shares().size(); i++) {
            double share = busy.shares().get(i);
            if (share > LEAST) {
                double w = (double) WIDE / busy.across();
                double h = high / busy.down();
                Rectangle r = new Rectangle(i % busy.across() * w, i / busy.across() * h, w, h);
                r.getStyleClass().add("room-busy");
                r.setOpacity(Math.min(0.65, 0.15 + share));
                getChildren().add(r);
            }
        }
        if (quieter != null) {
            Rectangle q = new Rectangle(quieter.x() * WIDE, quieter.y() * high, quieter.wide() * WIDE, quieter.high() * high);
            q.getStyleClass().add("room-quieter");
            getChildren().add(q);
        }
        place.setWidth(room.wide() * WIDE);
        place.setHeight(room.high() * high);
        place.getStyleClass().add("room-place");
        place.setId("room-" + id.toLowerCase(Locale.ROOT));
        place.setCursor(Cursor.MOVE);
        place.setFocusTraversable(true);
        place.setAccessibleText(Words.of("suits.room.place"));
        at(room.x(), room.y());
        getChildren().add(place);
        place.setOnMousePressed(this::grab);
        place.setOnMouseDragged(e -> at((e.getX() - grabX) / WIDE, (e.getY() - grabY) / high));
        place.setOnMouseReleased(e -> let());
        place.setOnKeyPressed(this::key);
    }

    void show(DisplayPicture p) {
        picture.setImage(PictureView.image(p));
    }

    private void grab(MouseEvent e) {
        place.requestFocus();
        grabX = e.getX() - place.getX();
        grabY = e.getY() - place.getY();
    }

    private void at(double x, double y) {
        place.setX(Math.clamp(x, 0, Math.max(0, 1 - room.wide())) * WIDE);
        place.setY(Math.clamp(y, 0, Math.max(0, 1 - room.high())) * high);
    }

    private void let() {
        moved.accept(new Busy.Room(place.getX() / WIDE, place.getY() / high, room.wide(), room.high()));
    }

    private void key(KeyEvent e) {
        double step = e.isShiftDown() ? 5 * STEP : STEP;
        double dx = e.getCode() == KeyCode.LEFT ? -step : e.getCode() == KeyCode.RIGHT ? step : 0;
        double dy = e.getCode() == KeyCode.UP ? -step : e.getCode() == KeyCode.DOWN ? step : 0;
        if (dx != 0 || dy != 0) {
            at(place.getX() / WIDE + dx, place.getY() / high + dy);
            let();
            e.consume();
        }
    }
}
