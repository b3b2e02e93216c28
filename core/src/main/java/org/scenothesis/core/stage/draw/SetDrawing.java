package org.scenothesis.core.stage.draw;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.Block;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.Polygon;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.proof.Sheet;

/// A set from above or from the side.
///
/// - `low`, `high`: corners of what has to be on the sheet.
public record SetDrawing(List<Mark> marks, Point low, Point high) {
    private static final double LONG_M = 30;
    private static final double POOL_M = 4;
    private static final double ROOM_M = 0.35;

    public SetDrawing {
        marks = List.copyOf(marks);
    }

    /// What stands there for one plate, as its camera sees it.
    public static SetDrawing of(SetView view, boolean above) {
        return new Draughtsman(view, above).drawing();
    }

    /// Where a point of the world is on the sheet.
    public static Point on(boolean above, Vec v) {
        return above ? new Point(v.x(), v.z()) : new Point(v.z(), v.y());
    }

    private record Draughtsman(SetView view, boolean above, List<Mark> out) {
        Draughtsman(SetView view, boolean above) {
            this(view, above, new ArrayList<>());
        }

        private Point on(Vec v) {
            return SetDrawing.on(above, v);
        }

        private void line(Mark.Style style, String piece, Vec a, Vec b) {
            out.add(new Mark.Line(style, piece, on(a), on(b)));
        }

        private void hull(Mark.Style style, String piece, List<Vec> points) {
            Polygon p = Polygon.around(points.stream().map(this::on).toList());
            if (!p.empty()) {
                out.add(new Mark.Area(style, piece, p.corners()));
            }
        }

        SetDrawing drawing() {
            around();
            view.lamps().forEach(p -> pool(p, (Lamp) p.thing()));
            sight(view, "", far());
            for (Piece p : view.pieces()) {
                piece(p);
            }
            shadows();
            camera(view, "camera");
            return bounded();
        }

        private void around() {
            if (view.stage().floor().around().value() instanceof Surroundings.Room r) {
                Vec a = new Vec(r.leftM(), 0, r.nearM());
                Vec b = new Vec(r.rightM(), 0, r.nearM());
                Vec c = new Vec(r.rightM(), 0, r.farM());
                Vec d = new Vec(r.leftM(), 0, r.farM());
                if (above) {
                    line(Mark.Style.WALL, "", a, b);
                    line(Mark.Style.WALL, "", b, c);
                    line(Mark.Style.WALL, "", c, d);
                    line(Mark.Style.WALL, "", d, a);
                } else {
                    line(Mark.Style.WALL, "", a, d);
                    line(Mark.Style.WALL, "", d, d.plus(Vec.UP.times(r.highM())));
                    line(Mark.Style.WALL, "", a, a.plus(Vec.UP.times(r.highM())));
                    line(Mark.Style.WALL, "", a.plus(Vec.UP.times(r.highM())), d.plus(Vec.UP.times(r.highM())));
                }
            } else if (!above) {
                line(Mark.Style.WALL, "", new Vec(0, 0, -LONG_M), new Vec(0, 0, LONG_M));
            }
        }

        private void sight(SetView by, String piece, double far) {
            Vec[] axes = by.pose().worldToCamera();
            double half = 0.5 / by.stage().camera().widthShareFocal().value();
            double up = half * by.heightPx() / by.widthPx();
            for (int side = -1; side <= 1; side += 2) {
                Vec d = axes[2].plus(above ? axes[0].times(side * half) : axes[1].times(side * up));
                Vec flat = above ? new Vec(d.x(), 0, d.z()) : new Vec(0, d.y(), d.z());
                line(Mark.Style.SIGHT, piece, by.eye(), by.eye().plus(flat.times(far)));
            }
        }

        private void another(Piece p) {
            SetView by = new SetView(view.stage().through(p), view.plate(), view.widthPx(), view.heightPx());
            sight(by, p.id(), 1);
            camera(by, p.id());
        }

        private double far() {
            // Where nothing stands yet the ground is what is seen.
            double most = view.pieces().isEmpty() ? Math.max(2, view.stage().groundExtent().farM() - view.eye().z()) : 2;
            for (Piece p : view.pieces()) {
                most = Math.max(most, p.thing() instanceof Lamp ? 0 : p.at().up(0).minus(view.eye()).dot(view.pose().worldToCamera()[2]));
            }
            return most + ROOM_M;
        }

        private void camera(SetView by, String piece) {
            Vec[] axes = by.pose().worldToCamera();
            Vec flat = above ? new Vec(axes[2].x(), 0, axes[2].z()).unit() : axes[2];
            Vec side = above ? new Vec(flat.z(), 0, -flat.x()) : axes[1];
            Vec e = by.eye();
            hull(Mark.Style.CAMERA, piece, List.of(e.plus(flat.times(0.16)), e.minus(flat.times(0.12)).plus(side.times(0.13)),
                    e.minus(flat.times(0.12)).minus(side.times(0.13))));
            if (!above) {
                line(Mark.Style.SIGHT, piece, new Vec(e.x(), 0, e.z()), e);
            }
        }

        private static Mark.Style dye(Backdrop b) {
            return switch (b.dye()) {
                case GREEN -> Mark.Style.GREEN;
                case BLUE -> Mark.Style.BLUE;
                case BLACK -> Mark.Style.BLACK;
                case WHITE -> Mark.Style.WHITE;
            };
        }

        private void piece(Piece p) {
            Spot at = p.at();
            switch (p.thing()) {
                case Backdrop b -> {
                    Vec half = at.right().times(b.wideM().value() / 2);
                    if (b.floorM().value() > 0) {
                        Vec fore = at.ahead().times(b.floorM().value());
                        hull(dye(b), p.id(), List.of(at.up(0).minus(half), at.up(0).plus(half), at.up(0).plus(half).plus(fore), at.up(0)
                                .minus(half).plus(fore), at.up(0.03).plus(fore)));
                    }
                    if (b.kind().upright()) {
                        line(dye(b), p.id(), at.up(b.bottomM().value()).minus(above ? half : Vec.ZERO), at.up(b.topM())
                                .plus(above ? half : Vec.ZERO));
                    }
                }
                case Body b -> {
                    List<Vec> all = new ArrayList<>();
                    b.moments().forEach(m -> all.addAll(SetView.box(p, m.seconds()).corners()));
                    if (b.moments().size() > 1) {
                        hull(Mark.Style.SWEPT, p.id(), all);
                    }
                    hull(Mark.Style.BODY, p.id(), SetView.box(p, b.moments().getLast().seconds()).corners());
                }
                case Support s -> hull(Mark.Style.SUPPORT, p.id(), block(at, 0, s.wideM().value(), s.highM().value(), s.deepM().value()));
                case Wall w -> panel(Mark.Style.WALL, p, w.wideM().value(), 0, w.highM().value());
                case Glass g -> panel(Mark.Style.GLASS, p, g.wideM().value(), g.bottomM().value(), g.highM().value());
                case Flag f -> panel(Mark.Style.FLAG, p, f.wideM().value(), f.bottomM().value(), f.highM().value());
                case Lamp l -> lamp(p, l);
                case Camera c -> another(p);
            }
        }

        private static List<Vec> block(Spot at, double from, double wide, double high, double deep) {
            return new Block(at.up(from + high / 2), new Vec(wide / 2, high / 2, deep / 2), at.turnDeg()).corners();
        }

        private void panel(Mark.Style style, Piece p, double wide, double from, double high) {
            Vec half = above ? p.at().right().times(wide / 2) : Vec.ZERO;
            line(style, p.id(), p.at().up(from).minus(half), p.at().up(from + high).plus(half));
        }

        private void lamp(Piece p, Lamp l) {
            if (l.kind().everywhere()) {
                return;
            }
            Lamp.Face face = l.face(p.at());
            Vec at = face.middle();
            double wide = l.kind().distant() ? 0.3 : Math.max(0.12, l.wideM().value());
            double high = l.kind().distant() ? 0.3 : Math.max(0.12, l.highM().value());
            List<Vec> all = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                all.add(face.at((i & 1) == 0 ? -wide / 2 : wide / 2, (i & 2) == 0 ? -high / 2 : high / 2)
                        .plus(face.axis().times((i & 4) == 0 ? 0 : -0.1)));
            }
            hull(Mark.Style.LAMP, p.id(), all);
            if (!above && view.stands(p)) {
                line(Mark.Style.SIGHT, p.id(), p.at().up(0), at);
            }
        }

        private void pool(Piece p, Lamp l) {
            if (l.kind().everywhere() || l.kind().distant()) {
                return;
            }
            Lamp.Face lamp = l.face(p.at());
            Vec at = lamp.middle();
            double far = Math.min(POOL_M, l.aim().value().minus(at).length());
            double half = Math.min(far * Math.tan(Math.toRadians(Math.min(100, l.beamDeg().value()) / 2)), 0.75 * far);
            Vec side = above ? lamp.across() : lamp.up();
            double face = (above ? l.wideM().value() : l.highM().value()) / 2;
            Vec axis = lamp.axis();
            Vec end = at.plus(axis.times(far));
            hull(Mark.Style.POOL, p.id(), List.of(at.plus(side.times(face)), at.minus(side.times(face)), end.plus(side.times(half)),
                    end.minus(side.times(half))));
        }

        /// Where the key throws a body on its screen.
        private void shadows() {
            LightField light = new LightField(view.lamps(), view.stage().floor().around().value());
            for (SetView.Pair pair : view.pairs()) {
                Block box = SetView.box(pair.body(), ((Body) pair.body().thing()).moments().getLast().seconds());
                light.key(box.middle(), List.of()).ifPresent(key -> {
                    Sheet s = pair.sheet();
                    List<Point> thrown = new ArrayList<>();
                    for (Vec c : box.corners()) {
                        Vec from = LightField.towards(key, c);
                        s.met(c, from.times(-1)).ifPresent(thrown::add);
                    }
                    Polygon on = Polygon.around(thrown);
                    if (thrown.size() == 8 && !on.empty()) {
                        List<Point> within = on.corners().stream()
                                .map(q -> new Point(Math.clamp(q.x(), 0, s.wideM()), Math.clamp(q.y(), s.lowM(), s.topM()))).toList();
                        hull(Mark.Style.SHADOW, pair.sheet().piece().id(), within.stream()
                                .flatMap(q -> List.of(s.world(q), s.world(q).plus(s.normal(q).times(0.07))).stream()).toList());
                    }
                });
            }
        }

        private SetDrawing bounded() {
            double x0 = on(view.eye()).x() - ROOM_M;
            double x1 = on(view.eye()).x() + ROOM_M;
            double y0 = above ? on(view.eye()).y() - ROOM_M : -0.25;
            double y1 = above ? on(view.eye()).y() + ROOM_M : 2.2;
            for (Mark m : out) {
                if (m.style() == Mark.Style.SIGHT || m.style() == Mark.Style.POOL || m.style() == Mark.Style.WALL && m.piece().isEmpty()
                        && !(view.stage().floor().around().value() instanceof Surroundings.Room)) {
                    continue;
                }
                for (Point p : m instanceof Mark.Area a ? a.corners() : List.of(((Mark.Line) m).from(), ((Mark.Line) m).to())) {
                    x0 = Math.min(x0, p.x() - ROOM_M);
                    x1 = Math.max(x1, p.x() + ROOM_M);
                    y0 = Math.min(y0, p.y() - (above ? ROOM_M : 0));
                    y1 = Math.max(y1, p.y() + (above ? ROOM_M : 0.1));
                }
            }
            return new SetDrawing(out, new Point(x0, y0), new Point(x1, y1));
        }
    }
}
