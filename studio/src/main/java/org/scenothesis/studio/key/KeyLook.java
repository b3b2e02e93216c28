package org.scenothesis.studio.key;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.FlowPane;
import org.scenothesis.core.picture.Loupe;
import org.scenothesis.core.picture.Point;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Text;

/// How the keyed picture is looked at: over which ground, how close, which part of it, before or after despill; by buttons, wheel, drags
/// and keys.
final class KeyLook extends FlowPane {
    private static final double CLOSE = 4;
    private final PictureView picture;
    private final Runnable changed;
    private final Button ground = Text.button("", "floor-button", this::nextGround);
    private final Button part = Text.button("", "floor-button", () -> look(Loupe.ALL));
    private final Button next = Text.button(Words.of("key-look.next-place"), "floor-button", this::nextPlace);
    private final ToggleButton before = toggle("key-look.before-despill");
    private final ToggleButton parts = toggle("key-look.name-the-parts");
    private List<Point> places = List.of();
    private int place = -1;
    private KeyModel.Ground over = KeyModel.Ground.CLEAN;
    private Loupe loupe = Loupe.ALL;
    private double width = 1;
    private double height = 1;
    private double grabbedX;
    private double grabbedY;

    /// - `changed`: called when it is looked at otherwise.
    KeyLook(PictureView picture, Runnable changed) {
        super(8, 4);
        setPrefWrapLength(100);
        this.picture = picture;
        this.changed = changed;
        ground.setId("key-ground");
        part.setId("key-zoom");
        next.setId("key-next");
        next.setDisable(true);
        Text.tip(next, () -> Words.of("key-look.next-place.help"));
        before.setId("key-before");
        parts.setId("key-parts");
        getChildren().addAll(ground, Text.button("\u2212", "floor-button", () -> step(false)), part,
                Text.button("+", "floor-button", () -> step(true)), next);
        picture.setFocusTraversable(true);
        picture.addEventHandler(ScrollEvent.SCROLL, e -> step(e.getDeltaY() > 0));
        picture.addEventHandler(MouseEvent.MOUSE_PRESSED, this::grab);
        picture.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            move(grabbedX - e.getX(), grabbedY - e.getY());
            grab(e);
        });
        picture.addEventHandler(KeyEvent.KEY_PRESSED, this::walk);
        words();
    }

    KeyModel.Ground ground() {
        return over;
    }

    Loupe part() {
        return loupe;
    }

    /// Whether it is seen before despill.
    boolean beforeDespill() {
        return before.isSelected();
    }

    /// Shows it before despill while it is chosen.
    ToggleButton before() {
        return before;
    }

    /// Names the parts of the matte while it is chosen.
    ToggleButton parts() {
        return parts;
    }

    /// What is looked at: its size in its own pixels, and where to look closer, one after another.
    void of(int pixelsAcross, int pixelsDown, List<Point> closer) {
        width = pixelsAcross;
        height = pixelsDown;
        places = closer;
        next.setDisable(closer.isEmpty());
    }

    /// The place, in shares of the picture, that is seen at one in shares of what is shown.
    Point seenAt(Point shown) {
        return loupe.seenAt(shown, (int) width, (int) height, picture.roomWidth(), picture.roomHeight());
    }

    private ToggleButton toggle(String words) {
        ToggleButton b = new ToggleButton(Words.of(words));
        b.getStyleClass().setAll("toggle-button", "floor-button");
        Text.tip(b, () -> Words.of(words + ".help"));
        b.setOnAction(e -> changed.run());
        return b;
    }

    private void flip(ToggleButton b) {
        b.setSelected(!b.isSelected());
        changed.run();
    }

    /// Looks closely at the next place: troubles first, then along the edge.
    private void nextPlace() {
        if (!places.isEmpty()) {
            place = (place + 1) % places.size();
            look(new Loupe(Math.max(CLOSE, loupe.factor()), places.get(place)));
        }
    }

    /// A key of the bench; true if it was one.
    boolean key(KeyCode code) {
        switch (code) {
            case B -> nextGround();
            case N -> nextPlace();
            case U -> flip(before);
            case M -> flip(parts);
            case PLUS, EQUALS, ADD -> step(true);
            case MINUS, SUBTRACT -> step(false);
            default -> {
                return false;
            }
        }
        return true;
    }

    private void nextGround() {
        over = over.next();
        look(loupe);
    }

    private void step(boolean closer) {
        look(loupe.step(closer));
    }

    private void look(Loupe through) {
        loupe = through;
        words();
        changed.run();
    }

    private void words() {
        ground.setText("over " + over.words);
        part.setText(loupe.words());
    }

    private void grab(MouseEvent e) {
        grabbedX = e.getX();
        grabbedY = e.getY();
    }

    /// Moves the part that is seen by pixels of the screen.
    private void move(double x, double y) {
        if (!loupe.all() && picture.shown() != null) {
            look(loupe.moved(x / (loupe.factor() * width), y / (loupe.factor() * height)));
        }
    }

    private void walk(KeyEvent e) {
        double step = Math.max(8, picture.getWidth() / 8);
        if (!loupe.all() && e.getCode().isArrowKey()) {
            move(e.getCode() == KeyCode.RIGHT ? step : e.getCode() == KeyCode.LEFT ? -step : 0, e.getCode() == KeyCode.DOWN ? step
                    : e.getCode() == KeyCode.UP ? -step : 0);
            e.consume();
        }
    }
}
