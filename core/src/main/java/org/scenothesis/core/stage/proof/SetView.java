package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;

/// A stage while one plate is filmed on it, as its camera sees it in a picture of so many pixels.
///
/// - `plate`: id or planned key; empty for all pieces at once. `widthPx`, `heightPx`: of the finished picture.
public record SetView(Stage stage, String plate, int widthPx, int heightPx) {
    /// Nobody puts a lamp nearer to a camera.
    private static final double AT_LENS_M = 0.4;
    /// How far an arm on the bar of a cloth holds a lamp before it.
    private static final double ARM_M = 1.2;

    private static final int SHEET_GRID = 64;

    /// A body and a screen that stands behind it.
    public record Pair(Piece body, Sheet sheet) {}

    /// From one moment of a body's way to the next: where it begins and ends, and when.
    record Stretch(double fromS, double toS, Block from, Block to) {}

    /// The camera, in pixels of the finished picture.
    public CameraPose pose() {
        return stage.turnedFor(plate).pose(widthPx, heightPx);
    }

    /// Where the camera looks for this plate, in degrees.
    public double panDeg() {
        return stage.turnedFor(plate).panDeg();
    }

    /// Where the lens is, in metres.
    public Vec eye() {
        return stage.camera().position().value();
    }

    /// The lens as it is set.
    public Lens lens() {
        return stage.floor().lens().lens(stage.camera().widthShareFocal().value());
    }

    /// What stands there for this plate.
    public List<Piece> pieces() {
        return stage.floor().pieces().stream().filter(p -> p.in(plate)).toList();
    }

    /// Whoever and whatever is filmed.
    public List<Piece> bodies() {
        return pieces().stream().filter(p -> p.thing() instanceof Body).toList();
    }

    /// All that gives light.
    public List<Piece> lamps() {
        return pieces().stream().filter(p -> p.thing() instanceof Lamp).toList();
    }

    /// The screens, laid out flat.
    public List<Sheet> sheets() {
        return pieces().stream().flatMap(p -> Sheet.of(p).stream()).toList();
    }

    /// Every body with the screen it is filmed before: of those that keep the most round it.
    public List<Pair> pairs() {
        List<Pair> out = new ArrayList<>();
        for (Piece b : bodies()) {
            Sheet best = null;
            double most = Double.NEGATIVE_INFINITY;
            for (Sheet s : sheets()) {
                double room = new Coverage(this, new Pair(b, s)).least();
                if (best == null || room > most) {
                    best = s;
                    most = room;
                }
            }
            if (best != null) {
                out.add(new Pair(b, best));
            }
        }
        return out;
    }

    /// The share of the screens in the picture that is hidden by what stands before them and is nobody that is filmed, as a rod; 0 where no
    /// screen is seen.
    public double stoodBefore() {
        List<Block> things = pieces().stream().filter(p -> p.thing() instanceof Support).flatMap(p -> still(p).stream()).toList();
        int all = 0;
        int hidden = 0;
        for (Sheet s : things.isEmpty() ? List.<Sheet>of() : sheets()) {
            for (int i = 0; i < SHEET_GRID * SHEET_GRID; i++) {
                double x = s.wideM() * (i % SHEET_GRID + 0.5) / SHEET_GRID;
                double y = s.lowM() + (s.topM() - s.lowM()) * (i / SHEET_GRID + 0.5) / SHEET_GRID;
                Vec at = s.world(new Point(x, y)).plus(s.normal(new Point(x, y)).times(1e-3));
                boolean there = seen(at);
                all += there ? 1 : 0;
                hidden += there && things.stream().anyMatch(b -> b.cuts(eye(), at)) ? 1 : 0;
            }
        }
        return all == 0 ? 0 : (double) hidden / all;
    }

    /// A body's box at a time.
    public static Block box(Piece piece, double seconds) {
        Body b = (Body) piece.thing();
        return Block.standing(piece.at(), b.baseM().value(), b.wideM().value(), b.highM().value(), b.deepM().value()).moved(b.by(seconds));
    }

    /// When a body is looked at: at every moment of its way and half way between.
    static List<Double> times(Piece piece) {
        List<Body.Moment> m = ((Body) piece.thing()).moments();
        List<Double> out = new ArrayList<>();
        for (int i = 0; i < m.size(); i++) {
            out.add(m.get(i).seconds());
            if (i + 1 < m.size()) {
                out.add((m.get(i).seconds() + m.get(i + 1).seconds()) / 2);
            }
        }
        return out;
    }

    /// The way of a body, stretch by stretch; one that stays has one.
    static List<Stretch> way(Piece piece) {
        List<Body.Moment> m = ((Body) piece.thing()).moments();
        List<Stretch> out = new ArrayList<>();
        for (int i = 0; i < Math.max(1, m.size() - 1); i++) {
            double from = m.get(i).seconds();
            double to = m.get(Math.min(i + 1, m.size() - 1)).seconds();
            out.add(new Stretch(from, to, box(piece, from), box(piece, to)));
        }
        return out;
    }

    /// What stands in the way of light, bodies as they are at a time.
    List<Block> blocks(double seconds) {
        List<Block> out = new ArrayList<>();
        for (Piece p : pieces()) {
            if (p.thing() instanceof Body) {
                out.add(box(p, seconds));
            } else {
                still(p).ifPresent(out::add);
            }
        }
        return out;
    }

    /// The same without bodies and without one piece, which does not shade itself.
    List<Block> stillBlocks(Piece but) {
        return pieces().stream().filter(p -> !p.id().equals(but.id())).flatMap(p -> still(p).stream()).toList();
    }

    private static Optional<Block> still(Piece p) {
        double thin = 0.004;
        return switch (p.thing()) {
            case Support s -> Optional.of(Block.standing(p.at(), 0, s.wideM().value(), s.highM().value(), s.deepM().value()));
            case Flag f -> Optional.of(Block.standing(p.at(), f.bottomM().value(), f.wideM().value(), f.highM().value(), thin));
            case Wall w -> Optional.of(Block.standing(p.at(), 0, w.wideM().value(), w.highM().value(), thin));
            case Backdrop s when s.kind().upright() && !s.kind().worn() ->
                    Optional.of(Block.standing(p.at(), s.bottomM().value(), s.wideM().value(), s.highM().value(), thin));
            case Backdrop _, Body _, Glass _, Lamp _, Camera _ -> Optional.empty();
        };
    }

    /// The outline of points in the picture, cut at its edges; empty where any is behind the camera.
    Polygon outline(List<Vec> points) {
        CameraPose pose = pose();
        Vec ahead = pose.worldToCamera()[2];
        List<Point> out = new ArrayList<>();
        for (Vec v : points) {
            if (v.minus(eye()).dot(ahead) < 1e-3) {
                return new Polygon(List.of());
            }
            out.add(pose.project(v));
        }
        return Polygon.around(out).within(widthPx, heightPx);
    }

    /// Whether a point is within the picture.
    boolean seen(Vec v) {
        CameraPose pose = pose();
        if (v.minus(eye()).dot(pose.worldToCamera()[2]) < 1e-3) {
            return false;
        }
        Point p = pose.project(v);
        return p.x() >= 0 && p.y() >= 0 && p.x() <= widthPx && p.y() <= heightPx;
    }

    /// Whether a lamp has a stand of its own where it is: not what shines from afar or was there before, nor what hangs on an arm from the
    /// bar of a cloth that is behind it and lower.
    public boolean stands(Piece lamp) {
        Lamp l = (Lamp) lamp.thing();
        return l.kind().carried() && pieces().stream().noneMatch(p -> p.thing() instanceof Backdrop b && b.kind().onStands()
                && hangs(lamp, l, p, b));
    }

    private static boolean hangs(Piece lamp, Lamp l, Piece cloth, Backdrop b) {
        Vec d = lamp.at().up(0).minus(cloth.at().up(0));
        return l.heightM().value() >= b.topM() && Math.abs(d.dot(cloth.at().right())) <= b.wideM().value() / 2
                && Math.abs(d.dot(cloth.at().ahead())) <= ARM_M;
    }

    /// Whether the camera sees a lamp: its face, or its stand, or that it is so near the lens that it is before it.
    public boolean inPicture(Piece lamp) {
        Lamp l = (Lamp) lamp.thing();
        Lamp.Face face = l.face(lamp.at());
        Vec at = face.middle();
        if (at.minus(eye()).length() < AT_LENS_M + Math.max(l.wideM().value(), l.highM().value()) / 2) {
            return true;
        }
        for (int i = -1; i <= 1; i++) {
            for (int j = -1; j <= 1; j++) {
                if (seen(face.at(i * l.wideM().value() / 2, j * l.highM().value() / 2))) {
                    return true;
                }
            }
        }
        return stands(lamp) && DoubleStream.iterate(0.05, y -> y < at.y(), y -> y + 0.2).anyMatch(y -> seen(lamp.at().up(y)));
    }

    /// The middle of a body at a time.
    public static Vec middle(Piece piece, double seconds) {
        return box(piece, seconds).middle();
    }
}
