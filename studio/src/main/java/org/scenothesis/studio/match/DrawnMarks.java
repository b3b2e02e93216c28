package org.scenothesis.studio.match;

import java.util.List;
import java.util.Locale;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Marks as they are drawn over a picture: each kind in its own way, and what a tape reads beside it.
final class DrawnMarks extends Group {
    private final MarksModel model;
    private final Pane over;

    /// - `over`: what lies over the picture, as large as it.
    DrawnMarks(MarksModel model, Pane over) {
        this.model = model;
        this.over = over;
        setMouseTransparent(true);
        setManaged(false);
    }

    double x(Point share) {
        return share.x() * over.getWidth();
    }

    double y(Point share) {
        return share.y() * over.getHeight();
    }

    /// Between two points in shares of the picture.
    void line(String style, Point a, Point b) {
        Line l = new Line(x(a), y(a), x(b), y(b));
        l.getStyleClass().add(style);
        getChildren().add(l);
    }

    void word(String text, Point at) {
        Label l = Text.of(text, "seen-word");
        l.relocate(Math.clamp(x(at) + 6, 2, Math.max(2, over.getWidth() - 130)),
                Math.clamp(y(at) - 22, 2, Math.max(2, over.getHeight() - 22)));
        getChildren().add(l);
    }

    void mark(Evidence e, MarkKind kind) {
        List<Point> p = e.points();
        String style = "mark-" + kind.name().toLowerCase(Locale.ROOT);
        switch (e) {
            case Evidence.Shadow x -> {
                line(style, x.base(), x.top());
                line(style, x.base(), x.tip());
            }
            case Evidence.Tiles t -> tiles(style, t);
            case Evidence.Round r -> outline(style, r);
            case Evidence.Shade x -> {
                line(style, x.lit(), x.dark());
                p.forEach(this::place);
            }
            case Evidence.Upright _, Evidence.Edge _, Evidence.Horizon _, Evidence.Span _, Evidence.Grey _, Evidence.Lens _,
                    Evidence.LensHeight _, Evidence.Tape _, Evidence.Staff _, Evidence.Lamp _ -> {
                for (int i = 0; i + 1 < p.size(); i++) {
                    line(style, p.get(i), p.get(i + 1));
                }
            }
        }
        switch (e) {
            case Evidence.Span s -> word(Words.number(s.metres(), 2) + " m", middle(s.from(), s.to()));
            case Evidence.Upright u -> word(Words.number(u.heightM(), 2) + " m", u.top());
            case Evidence.Tape t -> word(MatchWords.tape(model.camera().flatMap(c -> MarkConversion.read(t, c))), middle(t.from(), t.to()));
            case Evidence.Staff t -> word(MatchWords.tape(model.camera().flatMap(c -> MarkConversion.read(t, c))), t.top());
            case Evidence.Grey g -> place(g.place());
            case Evidence.Lamp l -> place(l.place());
            case Evidence.Edge _, Evidence.Horizon _, Evidence.Shadow _, Evidence.Lens _, Evidence.LensHeight _,
                    Evidence.Tiles _, Evidence.Shade _, Evidence.Round _ -> {}
        }
    }

    private void place(Point at) {
        Circle c = new Circle(x(at), y(at), 8);
        c.getStyleClass().add("mark-place");
        getChildren().add(c);
    }

    /// Its outline and its joints: straight lines of the picture between corners divided as the camera sees them.
    private void tiles(String style, Evidence.Tiles t) {
        PlanarMap field = PlanarMap.fourPoints(new Point[] {Point.ZERO, new Point(1, 0), new Point(1, 1), new Point(0, 1)},
                t.points().toArray(Point[]::new)).orElse(null);
        if (field == null) {
            for (int i = 0; i < 4; i++) {
                line(style, t.points().get(i), t.points().get((i + 1) % 4));
            }
            return;
        }
        for (int i = 0; i <= t.across(); i++) {
            double x = (double) i / t.across();
            line(style, field.map(new Point(x, 0)), field.map(new Point(x, 1)));
        }
        for (int i = 0; i <= t.away(); i++) {
            double y = (double) i / t.away();
            line(style, field.map(new Point(0, y)), field.map(new Point(1, y)));
        }
    }

    private void outline(String style, Evidence.Round r) {
        double far = Math.hypot(x(r.edge()) - x(r.middle()), y(r.edge()) - y(r.middle()));
        double wide = Math.abs(x(r.edge()) - x(r.middle()));
        Shape s = r.shape() == Evidence.Shape.FIGURE ? new Rectangle(x(r.middle()) - wide, y(r.middle()) - wide, 2 * wide, 2 * wide)
                : new Circle(x(r.middle()), y(r.middle()), far);
        s.getStyleClass().add(style);
        getChildren().add(s);
    }

    private static Point middle(Point a, Point b) {
        return a.plus(b).times(0.5);
    }
}
