package org.scenothesis.core.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.light.ShadowProposal;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.value.Given;

/// Between what was shown in a picture and what its camera and light are found from; and the stage that they make.
public final class MarkConversion {
    /// By what a stage's numbers were found.
    public static final String BY_MARKS = "marks";
    public static final String BY_SHADOW = "shadow";
    private static final double GREY_SHARE = 0.008;
    private static final double LEAST_PX = 1;
    private static final double LEAST_ROUND_PX = 3;

    private MarkConversion() {}

    private static Point px(Point share, int w, int h) {
        return new Point(share.x() * w, share.y() * h);
    }

    private static Point share(Point px, int w, int h) {
        return new Point(px.x() / w, px.y() / h);
    }

    private static Marks.Direction direction(Evidence.Runs runs) {
        return switch (runs) {
            case ACROSS -> Marks.Direction.X;
            case UP -> Marks.Direction.Y;
            case AWAY -> Marks.Direction.Z;
        };
    }

    private static Evidence.Runs runs(Marks.Direction d) {
        return switch (d) {
            case X -> Evidence.Runs.ACROSS;
            case Y -> Evidence.Runs.UP;
            case Z -> Evidence.Runs.AWAY;
        };
    }

    /// What says something of the camera, in pixels of a picture so large; marks without length say nothing.
    public static Marks camera(List<Evidence> all, int w, int h) {
        List<Marks.Line> lines = new ArrayList<>();
        List<Marks.Length> lengths = new ArrayList<>();
        List<Marks.Tiles> tiles = new ArrayList<>();
        Marks.Line horizon = null;
        Double focal = null;
        Double lensM = null;
        for (Evidence e : all) {
            List<Point> p = e.points().stream().map(s -> px(s, w, h)).toList();
            if (!apart(p)) {
                continue;
            }
            switch (e) {
                case Evidence.Edge x -> lines.add(new Marks.Line(direction(x.runs()), p.get(0), p.get(1)));
                case Evidence.Horizon x -> horizon = new Marks.Line(Marks.Direction.X, p.get(0), p.get(1));
                case Evidence.Upright x -> lengths.add(new Marks.Length(p.get(0), p.get(1), x.heightM(), Marks.Stands.UPRIGHT));
                case Evidence.Span x -> lengths.add(new Marks.Length(p.get(0), p.get(1), x.metres(), Marks.Stands.GROUND));
                case Evidence.Lens x -> focal = w / 2.0 / Math.tan(Math.toRadians(x.viewDeg()) / 2);
                case Evidence.LensHeight x -> lensM = x.metres();
                case Evidence.Tiles x -> tiles.add(new Marks.Tiles(p, x.across(), x.away(), x.metres()));
                case Evidence.Shadow x -> {}
                case Evidence.Grey x -> {}
                case Evidence.Shade x -> {}
                case Evidence.Round x -> {}
                case Evidence.Lamp x -> {}
                case Evidence.Tape x -> {}
                case Evidence.Staff x -> {}
            }
        }
        return Marks.none(w, h).withLines(lines).withHorizon(horizon).withLengths(lengths).withTiles(tiles).withFocalPx(focal)
                .withLensHeightM(lensM);
    }

    /// Whether points are each a pixel from the next and the last from the first; one alone is.
    private static boolean apart(List<Point> p) {
        for (int i = 0; i < p.size() && p.size() > 1; i++) {
            if (p.get(i).minus(p.get((i + 1) % p.size())).length() < LEAST_PX) {
                return false;
            }
        }
        return true;
    }

    /// What says something of the light.
    public static LightMarks light(List<Evidence> all, int w, int h) {
        List<LightMarks.Shadow> shadows = new ArrayList<>();
        List<Area> grey = new ArrayList<>();
        List<LightMarks.Face> lit = new ArrayList<>();
        List<LightMarks.Face> unlit = new ArrayList<>();
        List<LightMarks.Round> rounds = new ArrayList<>();
        List<Point> lamps = new ArrayList<>();
        for (Evidence e : all) {
            List<Point> p = e.points().stream().map(s -> px(s, w, h)).toList();
            switch (e) {
                case Evidence.Shadow x when p.get(0).minus(p.get(1)).length() >= LEAST_PX ->
                        shadows.add(new LightMarks.Shadow(p.get(0), p.get(1), p.get(2)));
                case Evidence.Grey x -> grey.add(patch(p.getFirst(), w));
                case Evidence.Shade x -> {
                    lit.add(new LightMarks.Face(patch(p.get(0), w), x.lies()));
                    unlit.add(new LightMarks.Face(patch(p.get(1), w), x.lies()));
                }
                case Evidence.Round x when p.get(0).minus(p.get(1)).length() >= LEAST_ROUND_PX ->
                        rounds.add(new LightMarks.Round(x.shape(), p.get(0), p.get(1)));
                case Evidence.Lamp x -> lamps.add(p.getFirst());
                case Evidence.Upright _, Evidence.Edge _, Evidence.Horizon _, Evidence.Span _, Evidence.Shadow _,
                        Evidence.Lens _, Evidence.LensHeight _, Evidence.Tape _, Evidence.Staff _, Evidence.Tiles _,
                        Evidence.Round _ -> {}
            }
        }
        return new LightMarks(shadows, grey, lit, unlit, rounds, lamps);
    }

    /// What is looked at round a place that is marked.
    private static Area patch(Point m, int w) {
        double r = GREY_SHARE * w;
        return new Area(List.of(m.plus(new Point(-r, -r)), m.plus(new Point(r, -r)), m.plus(new Point(r, r)), m.plus(new Point(-r, r))));
    }

    /// What a tape on the ground or a staff that stands on it reads, in metres; empty of other marks, and where the picture cannot be
    /// measured.
    public static Optional<Estimate> read(Evidence e, PictureCamera c) {
        List<Point> p = e.points().stream().map(s -> px(s, c.marks().width(), c.marks().height())).toList();
        return switch (e) {
            case Evidence.Tape t -> c.tape(p.get(0), p.get(1));
            case Evidence.Staff t -> c.staff(p.get(0), p.get(1));
            case Evidence.Upright _, Evidence.Edge _, Evidence.Horizon _, Evidence.Span _, Evidence.Shadow _, Evidence.Grey _,
                    Evidence.Lens _, Evidence.LensHeight _, Evidence.Tiles _, Evidence.Shade _, Evidence.Round _,
                    Evidence.Lamp _ -> Optional.empty();
        };
    }

    /// What is marked to stand on the ground with both its ends: known heights and staffs; only without any the edges that are upright,
    /// which may hang.
    public static List<ShadowProposal.Stands> standing(List<Evidence> all, int w, int h) {
        List<ShadowProposal.Stands> sure = new ArrayList<>();
        List<ShadowProposal.Stands> perhaps = new ArrayList<>();
        for (Evidence e : all) {
            List<Point> p = e.points().stream().map(s -> px(s, w, h)).toList();
            if (p.size() != 2 || p.get(0).minus(p.get(1)).length() < LEAST_ROUND_PX) {
                continue;
            }
            if (e instanceof Evidence.Upright || e instanceof Evidence.Staff) {
                sure.add(new ShadowProposal.Stands(p.get(0), p.get(1)));
            } else if (e instanceof Evidence.Edge x && x.runs() == Evidence.Runs.UP) {
                boolean down = p.get(0).y() < p.get(1).y();
                perhaps.add(new ShadowProposal.Stands(p.get(down ? 1 : 0), p.get(down ? 0 : 1)));
            }
        }
        return sure.isEmpty() ? perhaps : sure;
    }

    /// A shadow in pixels as it is shown.
    public static Evidence shadow(LightMarks.Shadow s, int w, int h) {
        return new Evidence.Shadow(share(s.base(), w, h), share(s.top(), w, h), share(s.tip(), w, h));
    }

    /// Edges in pixels as they are shown.
    public static List<Evidence> edges(Marks m) {
        return m.lines().stream().<Evidence>map(l -> new Evidence.Edge(runs(l.direction()), share(l.from(), m.width(), m.height()),
                share(l.to(), m.width(), m.height()))).toList();
    }

    /// The stage with this camera and light, as far as they are known; what is not known stays as it was. `before`: null where nothing was
    /// staged yet.
    public static Stage stage(@Nullable Stage before, PictureCamera c, @Nullable PictureLight l) {
        int w = c.marks().width();
        int h = c.marks().height();
        Stage was = before != null ? before : HandCamera.FRESH.stage(null, (double) w / h);
        StageCamera old = was.camera();
        StageCamera.Aim aim = old.aim().value();
        Estimate tilt = c.tiltDeg();
        Estimate roll = c.rollDeg();
        Estimate focal = c.focalPx();
        Estimate lens = c.lensHeightM();
        Given<StageCamera.Aim> looks = tilt == null || roll == null ? old.aim()
                : new Given.Measured<>(new StageCamera.Aim(aim.panDeg(), tilt.value(), roll.value()), BY_MARKS);
        Vec at = old.position().value();
        Given<Vec> stands = lens == null ? old.position() : new Given.Measured<>(new Vec(at.x(), was.groundM() + lens.value(), at.z()),
                BY_MARKS);
        Given<Double> sees = focal == null ? old.widthShareFocal()
                : new Given.Measured<>(Math.clamp(focal.value() / w, StageCamera.SHORTEST, StageCamera.LONGEST), BY_MARKS);
        Given<Point> middle = c.principalFound() ? new Given.Measured<>(share(c.principalPx(), w, h), BY_MARKS) : old.principal();
        Stage out = was.withCamera(new StageCamera(stands, looks, sees, middle));
        return l == null ? out : out.withLight(light(was.light(), l, out.panDeg()));
    }

    /// What bends a picture from its own lens to a plate's; empty where neither bends, or how much one of them sees is not known.
    public static Optional<LensMatch> lens(PictureCamera own, PictureCamera plate) {
        Estimate a = own.focalPx();
        Estimate b = plate.focalPx();
        return a == null || b == null || !own.bent() && !plate.bent() ? Optional.empty()
                : Optional.of(new LensMatch(drawn(own, a), drawn(plate, b)));
    }

    private static LensMatch.Drawn drawn(PictureCamera c, Estimate focal) {
        return new LensMatch.Drawn(Math.clamp(c.bent() ? c.distortion() : 0, -0.6, 0.6),
                Math.clamp(Math.toDegrees(2 * Math.atan(c.marks().width() / 2.0 / focal.value())), 3, 150));
    }

    private static KeyLight light(KeyLight was, PictureLight l, double panDeg) {
        Estimate side = l.azimuthDeg();
        Estimate up = l.elevationDeg();
        Estimate size = l.sizeDeg();
        Estimate fill = l.keyToFillStops();
        return new KeyLight(
                side == null || up == null ? was.direction()
                : new Given.Measured<>(new KeyLight.Direction(Math.IEEEremainder(side.value() + panDeg, 360),
                Math.clamp(up.value(), 1, 90)), BY_SHADOW),
                size == null ? was.sizeDeg() : new Given.Measured<>(Math.clamp(size.value(), 0, 120), BY_SHADOW), fill == null
                ? was.keyToFillStops() : new Given.Measured<>(Math.clamp(fill.value(), -6, 12), BY_SHADOW));
    }
}
