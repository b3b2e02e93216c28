package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.GroundGrid;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.PointHandles;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.watch.WatchModel;

/// The picture with its marks, which are pulled, and what follows from them drawn in it: horizon, ruled ground, a figure of 1.70 m that
/// walks it with its shadow.
final class MarkedPicture {
    private static final int LOUPE_PX = 140;
    private static final double FIGURE_M = 1.7;
    private static final double SHOULDER_M = 0.21;
    private static final double HEAD_M = 0.12;
    private static final double TENTH_PX = 0.1;

    private final MarksModel model;
    private final PictureView picture = new PictureView("");
    private final DrawnMarks drawn;
    private final PointHandles handles;
    private final ImageView loupe = new ImageView();
    private final Rectangle frame = new Rectangle(LOUPE_PX, LOUPE_PX);
    private final Group glass = new Group();

    MarkedPicture(MarksModel model) {
        this.model = model;
        Pane over = picture.overlay();
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(over.widthProperty());
        clip.heightProperty().bind(over.heightProperty());
        over.setClip(clip);
        drawn = new DrawnMarks(model, over);
        over.getChildren().add(drawn);
        handles = new PointHandles(picture, "mark-", this::pulled, this::let);
        handles.whenRemoved(i -> model.remove(model.markOf(i)));
        frame.getStyleClass().add("loupe-frame");
        Line up = new Line(LOUPE_PX / 2.0, LOUPE_PX / 2.0 - 9, LOUPE_PX / 2.0, LOUPE_PX / 2.0 + 9);
        Line across = new Line(LOUPE_PX / 2.0 - 9, LOUPE_PX / 2.0, LOUPE_PX / 2.0 + 9, LOUPE_PX / 2.0);
        up.getStyleClass().add("loupe-cross");
        across.getStyleClass().add("loupe-cross");
        glass.getChildren().addAll(loupe, frame, up, across);
        glass.setMouseTransparent(true);
        glass.setManaged(false);
        glass.setVisible(false);
        over.getChildren().add(glass);
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    PictureView view() {
        return picture;
    }

    private void pulled(List<Point> now) {
        List<Point> before = model.points();
        for (int i = 0; i < Math.min(now.size(), before.size()); i++) {
            if (!now.get(i).equals(before.get(i))) {
                look(now.get(i));
            }
        }
        model.pull(now);
    }

    /// The loupe stands beside the pointer, on the side where there is room.
    private void look(Point at) {
        Pane over = picture.overlay();
        double x = at.x() * over.getWidth();
        double y = at.y() * over.getHeight();
        glass.relocate(x > over.getWidth() / 2 ? Math.max(0, x - LOUPE_PX - 24) : x + 24,
                Math.clamp(y - LOUPE_PX / 2.0, 0, Math.max(0, over.getHeight() - LOUPE_PX)));
        model.loupe(at, LOUPE_PX, p -> {
            loupe.setImage(PictureView.image(p));
            glass.setVisible(handles.pulling());
        });
    }

    private void let(List<Point> now) {
        glass.setVisible(false);
        model.let(now, handles.alone());
    }

    /// Shows the frame at the playhead, and everything over it.
    void show() {
        switch (model.watch().sight()) {
            case WatchModel.Sight.NoTake none -> {
                picture.invite(Sketch.MATCH, Words.of("marked-picture.the-camera-and-the-light"),
                        Words.of("key-bench.bring-footage-in-on-shoot"), () -> model.session().bench().set(BenchName.SHOOT));
                picture.name("");
                clear();
            }
            case WatchModel.Sight.NoPicture none -> {
                picture.say(none.why());
                picture.name("");
                clear();
            }
            case WatchModel.Sight.Pair pair -> {
                picture.expect(model.watch().plate().map(p -> p.name()).orElse("") + ", frame " + model.session().frame());
                model.watch().picture("match-marked", new WatchModel.Sight.Pair(pair.take(), pair.take(), Comparison.TAKE),
                        picture.roomWidth(), picture.roomHeight(), p -> {
                    picture.showExpected(p);
                    draw();
                }, picture::say);
                draw();
            }
        }
    }

    private void clear() {
        handles.hide();
        drawn.getChildren().clear();
    }

    void draw() {
        if (picture.shown() == null || model.brief().isEmpty()) {
            clear();
            return;
        }
        drawn.getChildren().clear();
        solved();
        model.proposals().offered().ifPresent(e -> {
            drawn.line("mark-offered", e.points().get(0), e.points().get(1));
            drawn.line("mark-offered", e.points().get(0), e.points().get(2));
            drawn.word(Words.of("mark.offered"), e.points().get(2));
        });
        List<String> names = new ArrayList<>();
        for (Evidence e : model.marks()) {
            MarkKind kind = MarkKind.of(e);
            drawn.mark(e, kind);
            for (int i = 0; i < e.points().size(); i++) {
                names.add(Words.of("mark." + kind.name() + "." + i));
            }
        }
        names.add(Words.of("mark.figure"));
        model.brief().ifPresent(b -> handles.step(TENTH_PX / b.width()));
        if (handles.pulling()) {
            // What is in the hand stays in the hand.
            drawn.applyCss();
            return;
        }
        handles.show(model.points(), List.of(), names);
        int newest = model.newest();
        if (newest >= 0) {
            handles.focus(newest);
        }
        drawn.applyCss();
    }

    /// What follows from the marks.
    private void solved() {
        PictureCamera c = model.camera().orElse(null);
        if (c == null) {
            return;
        }
        double w = c.marks().width();
        double h = c.marks().height();
        c.horizonPx().ifPresent(y -> {
            drawn.line("solved-horizon", new Point(0, y[0] / h), new Point(1, y[1] / h));
            Estimate lens = c.lensHeightM();
            drawn.word(lens == null ? "horizon" : "horizon, " + Words.number(lens.value(), 2) + " m high",
                    new Point(0.72, (y[0] + 0.72 * (y[1] - y[0])) / h));
        });
        if (c.metric()) {
            model.stage().ifPresent(s -> GroundGrid.lines(s, w / h).forEach(l -> drawn.line("ground-line", l.getFirst(), l.getLast())));
            figure(c, w, h);
        }
    }

    private Optional<Point> seen(PictureCamera c, Vec v, double w, double h) {
        return c.project(v).map(p -> new Point(p.x() / w, p.y() / h));
    }

    private void figure(PictureCamera c, double w, double h) {
        PictureCamera.Ground g = c.ground(new Point(model.foot().x() * w, model.foot().y() * h)).orElse(null);
        if (g == null) {
            return;
        }
        Vec foot = new Vec(g.rightM(), 0, g.forwardM());
        Vec side = new Vec(g.forwardM(), 0, -g.rightM()).unit().times(SHOULDER_M);
        double neck = FIGURE_M - 2.2 * HEAD_M;
        model.light().ifPresent(l -> {
            Estimate a = l.azimuthDeg();
            Estimate e = l.elevationDeg();
            if (a != null && e != null && e.value() > 2) {
                double r = Math.toRadians(a.value());
                Vec away = new Vec(-Math.sin(r), 0, -Math.cos(r)).times(neck / Math.tan(Math.toRadians(e.value())));
                area("figure-shadow", c, w, h, foot.plus(side.times(0.6)), foot.minus(side.times(0.6)), foot.plus(away).minus(side),
                        foot.plus(away).plus(side));
            }
        });
        area("figure-body", c, w, h, foot.plus(side.times(0.5)), foot.minus(side.times(0.5)), foot.minus(side).plus(Vec.UP.times(neck)),
                foot.plus(side).plus(Vec.UP.times(neck)));
        Optional<Point> head = seen(c, foot.plus(Vec.UP.times(FIGURE_M - HEAD_M)), w, h);
        Optional<Point> top = seen(c, foot.plus(Vec.UP.times(FIGURE_M)), w, h);
        if (head.isPresent() && top.isPresent()) {
            Circle ball = new Circle(drawn.x(head.get()), drawn.y(head.get()),
                    Math.max(1, Math.hypot(drawn.x(head.get()) - drawn.x(top.get()), drawn.y(head.get()) - drawn.y(top.get()))));
            ball.getStyleClass().add("figure-body");
            drawn.getChildren().add(ball);
            drawn.word(Words.of("mark.figure.word", Words.number(Math.hypot(g.rightM(), g.forwardM()), 1), MatchWords.off(g.stdM())),
                    top.get());
        }
    }

    private void area(String style, PictureCamera c, double w, double h, Vec... corners) {
        Polygon p = new Polygon();
        for (Vec v : corners) {
            Point s = seen(c, v, w, h).orElse(null);
            if (s == null) {
                return;
            }
            p.getPoints().addAll(drawn.x(s), drawn.y(s));
        }
        p.getStyleClass().add(style);
        drawn.getChildren().add(p);
    }
}
