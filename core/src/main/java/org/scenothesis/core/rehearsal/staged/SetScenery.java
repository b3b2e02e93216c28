package org.scenothesis.core.rehearsal.staged;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.BoxSolid;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Panel;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.Block;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.SetView;

/// What the simulated camera films of a staged set.
///
/// - `whiteLux`: illuminance under which a perfectly white surface comes out as 1; 18 % grey is then 0.18.
/// - `kelvin`: the colour of light that comes out neutral.
/// - `look`: what its surfaces look like.
public record SetScenery(SetView view, double whiteLux, double kelvin, Look look) {
    /// What surfaces look like.
    public enum Look {
        USUAL,
        /// Without pattern, so that what is measured is the light.
        PLAIN,
        /// Who is filmed wears what the screen is made of.
        IN_SCREEN
    }

    /// Owner of the first body; the next has the next number.
    public static final int BODY = 1;
    private static final double WORK_LIGHT = 0.55;
    /// What hangs so near to a body is worn by it.
    private static final double WORN_M = 0.4;
    private static final double STAND_R = 0.012;
    private static final Rgb DARK = Rgb.grey(0.03);
    private static final Rgb WOOD = new Rgb(0.40, 0.26, 0.15);
    private static final Rgb PAPER = new Rgb(0.74, 0.66, 0.48);

    /// Exposed for what the light meter reads at the first body of the set, balanced for its key: alike for all plates that are filmed on
    /// it. Lamps that are there to be seen are not metered.
    public static SetScenery metered(SetView view) {
        SetView all = new SetView(view.stage(), "", view.widthPx(), view.heightPx());
        List<Piece> lit = all.lamps().stream().filter(p -> ((Lamp) p.thing()).kind() != LampKind.PRACTICAL).toList();
        LightField light = new LightField(lit.isEmpty() ? all.lamps() : lit, view.stage().floor().around().value());
        Vec at = all.bodies().isEmpty() ? view.eye()
                .plus(view.pose().worldToCamera()[2].times(view.stage().floor().lens().focusM().value()))
                : SetView.middle(all.bodies().getFirst(), 0);
        Vec to = view.eye().minus(at).unit();
        double lux = light.at(at, to, List.of());
        double key = light.key(at, List.of()).map(p -> ((Lamp) p.thing()).givenKelvin()).orElse(5600.0);
        return new SetScenery(view, lux > 0 ? lux * 1.4 : 1000, key, Look.USUAL);
    }

    private boolean plain() {
        return look == Look.PLAIN;
    }

    private double scale() {
        return Math.PI / whiteLux;
    }

    /// The camera, with its aperture and focus.
    public View camera() {
        CameraPose pose = view.pose();
        Lens lens = view.lens();
        return new View(pose, Math.min(0.2, lens.apertureRadiusM()), Math.max(1.05 * lens.focalM(), view.stage().floor().lens().focusM()
                .value()));
    }

    /// What comes from everywhere; work light where nobody put a lamp down.
    public Rgb ambient() {
        if (view.lamps().isEmpty() && !plain()) {
            return Rgb.grey(WORK_LIGHT);
        }
        return Rgb.grey(new LightField(view.lamps(), view.stage().floor().around().value()).even(Vec.UP) * scale() / Math.PI);
    }

    /// All that stands still, with the lamps.
    public Scenery still() {
        List<Solid> s = new ArrayList<>();
        around(s);
        List<Emitter> lamps = new ArrayList<>();
        for (Piece p : view.pieces()) {
            switch (p.thing()) {
                case Backdrop b -> backdrop(s, p, b);
                case Support b -> s.add(box(p, 0, b.wideM().value(), b.highM().value(), b.deepM().value(),
                        Material.matte(b.kind().equals("rod") || b.kind().equals("line") ? rod() : WOOD), 0));
                case Wall w -> s.add(box(p, 0, w.wideM().value(), w.highM().value(), 0.004, Material.matte(Rgb.grey(w.reflects().value())),
                        0));
                case Flag f -> s.add(box(p, f.bottomM().value(), f.wideM().value(), f.highM().value(), 0.004,
                        Material.matte(Rgb.grey(0.01)), 0));
                case Glass g -> frame(s, p, g);
                case Lamp l -> lamp(s, lamps, p, l);
                case Camera c -> standing(s, p, c);
                case Body b -> {}
            }
        }
        return new Scenery(s, lamps);
    }

    /// A colour, or that of the screen where it is worn.
    private Rgb clothes(Rgb usual) {
        return look != Look.IN_SCREEN ? usual : view.sheets().stream().findFirst().map(h -> dye(h.screen())).orElse(usual);
    }

    private Rgb rod() {
        return view.sheets().stream().findFirst().map(h -> dye(h.screen()).times(0.9)).orElse(DARK);
    }

    private static Rgb dye(Backdrop b) {
        double[] a = b.dye().albedo();
        return new Rgb(a[0], a[1], a[2]);
    }

    private void around(List<Solid> s) {
        if (view.stage().floor().around().value() instanceof Surroundings.Room r) {
            Material wall = plain() ? Material.matte(Rgb.grey(r.reflects())) : plaster(r.reflects());
            Material floor = plain() ? wall : Material.patterned(Pattern.PLANKS, 0.17, new Rgb(1.25, 0.95, 0.7).times(r.reflects()),
                    new Rgb(0.8, 0.55, 0.38).times(r.reflects()));
            Vec wide = new Vec(r.wideM(), 0, 0);
            Vec away = new Vec(0, 0, r.longM());
            Vec up = new Vec(0, r.highM(), 0);
            Vec low = new Vec(r.leftM(), 0, r.nearM());
            s.add(Panel.flat(low, wide, away, floor, 0));
            s.add(Panel.flat(low.plus(up), wide, away, wall, 0));
            s.add(Panel.flat(low, wide, up, wall, 0));
            s.add(Panel.flat(low.plus(away), wide, up, wall, 0));
            s.add(Panel.flat(low, away, up, wall, 0));
            s.add(Panel.flat(low.plus(wide), away, up, wall, 0));
        } else {
            Material ground = plain() ? Material.matte(Rgb.grey(0.2)) : Material.patterned(Pattern.PLASTER, 0.5, new Rgb(0.25, 0.23, 0.18),
                    new Rgb(0.17, 0.15, 0.12));
            s.add(Panel.flat(new Vec(-60, 0, -60), new Vec(120, 0, 0), new Vec(0, 0, 120), ground, 0));
        }
    }

    /// A wall as walls are, stained and scratched, which gives back as much as it was told on the whole: nothing is found again on one that
    /// is quite even.
    private static Material plaster(double reflects) {
        Rgb tone = new Rgb(1.03, 1, 0.94).times(reflects);
        return Material.patterned(Pattern.PLASTER, 0.6, tone.times(1.25), tone.times(0.62));
    }

    private static BoxSolid box(Piece p, double fromM, double wideM, double highM, double deepM, Material m, int owner) {
        return new BoxSolid(p.at().up(fromM + highM / 2), new Vec(wideM / 2, highM / 2, deepM / 2), -Math.toRadians(p.at().turnDeg()), m,
                owner);
    }

    /// The screen that a body wears: it stands where the body does.
    private Optional<Backdrop> suit(Piece body) {
        return view.pieces().stream().filter(p -> p.thing() instanceof Backdrop b && b.kind().worn() && p.at().up(0).minus(body.at().up(0))
                .length() < WORN_M).map(p -> (Backdrop) p.thing()).findFirst();
    }

    private void backdrop(List<Solid> s, Piece p, Backdrop b) {
        if (b.kind().worn()) {
            return;
        }
        Rgb colour = dye(b);
        Material m = plain() ? Material.matte(colour) : Material.patterned(Pattern.CLOTH, 1, colour, colour.times(0.85));
        if (!b.kind().lit()) {
            m = Material.matte(Rgb.grey(0.02)).glowing(colour.times(1.5));
        }
        Spot at = p.at();
        Vec half = at.right().times(b.wideM().value() / 2);
        Vec across = half.times(2);
        if (b.kind().upright() && b.highM().value() > 0) {
            s.add(new Panel(at.up(b.bottomM().value()).minus(half), across, new Vec(0, b.highM().value(), 0), plain() ? 0 : b.wrinkle()
                    .value(), false, m, 0));
        }
        if (b.floorM().value() > 0) {
            s.add(new Panel(at.up(0.003).minus(half), across, at.ahead().times(b.floorM().value()), plain() ? 0 : b.wrinkle().value() / 2,
                    false, m, 0));
        }
        if (b.kind().onStands() && !plain()) {
            Material pipe = Material.matte(Rgb.grey(0.10)).glossy(0.1, 0.3);
            double y = b.topM() + 0.02;
            Vec out = at.right().times(0.1);
            s.add(new RoundCone(at.up(y).minus(half).minus(out), at.up(y).plus(half).plus(out), 0.018, 0.018, pipe, 0));
            s.add(new RoundCone(at.up(0.02).minus(half).minus(out), at.up(y).minus(half).minus(out), 0.016, 0.016, pipe, 0));
            s.add(new RoundCone(at.up(0.02).plus(half).plus(out), at.up(y).plus(half).plus(out), 0.016, 0.016, pipe, 0));
        }
    }

    /// Another camera on its tripod, as the first one sees it.
    private static void standing(List<Solid> s, Piece p, Camera c) {
        Material m = Material.matte(DARK);
        Vec at = p.at().up(c.heightM().value());
        s.add(new BoxSolid(at, new Vec(0.07, 0.05, 0.05), -Math.toRadians(p.at().turnDeg()), m, 0));
        s.add(new RoundCone(p.at().up(0.02), at, STAND_R, STAND_R, m, 0));
    }

    private static void frame(List<Solid> s, Piece p, Glass g) {
        Vec half = p.at().right().times(g.wideM().value() / 2);
        Vec low = p.at().up(g.bottomM().value());
        Vec top = p.at().up(g.bottomM().value() + g.highM().value());
        Material m = Material.matte(DARK);
        Vec[] c = {low.minus(half), low.plus(half), top.plus(half), top.minus(half)};
        for (int i = 0; i < 4; i++) {
            s.add(new RoundCone(c[i], c[(i + 1) % 4], 0.015, 0.015, m, 0));
        }
    }

    /// Colour of light at a temperature, as a camera balanced for another records it: by the slopes of a black body between red, green and
    /// blue.
    private Rgb tint(double of) {
        double[] from = planck(of);
        double[] to = planck(kelvin);
        double g = from[1] / to[1];
        return new Rgb(from[0] / to[0] / g, 1, from[2] / to[2] / g);
    }

    /// Radiance of a black body at 600, 550 and 450 nm, in one unit. Source: Planck 1901, second radiation constant 0.014388 m·K.
    private static double[] planck(double kelvin) {
        double[] out = new double[3];
        double[] metres = {600e-9, 550e-9, 450e-9};
        for (int i = 0; i < 3; i++) {
            out[i] = 1e-31 / (Math.pow(metres[i], 5) * (Math.exp(0.014388 / (metres[i] * kelvin)) - 1));
        }
        return out;
    }

    private void lamp(List<Solid> s, List<Emitter> lamps, Piece p, Lamp l) {
        if (l.kind().everywhere() || l.given() <= 0) {
            return;
        }
        Rgb colour = plain() ? Rgb.grey(1) : tint(l.givenKelvin());
        Vec axis = l.axis(p.at());
        if (l.kind().distant()) {
            if (view.stage().floor().around().value() instanceof Surroundings.Room) {
                return;
            }
            lamps.add(new Emitter.Sun(axis.times(-1), Math.max(1e-4, l.wideM().value() / 2), colour.times(l.given() * scale())));
            return;
        }
        Lamp.Face face = l.face(p.at());
        Vec at = face.middle();
        double area = l.wideM().value() * l.highM().value();
        Rgb radiance = colour.times(l.given() * scale() / area);
        Vec u = face.across().times(l.wideM().value());
        Vec v = face.up().times(l.highM().value());
        // Edges in the order whose normal is the axis.
        boolean turned = u.cross(v).dot(axis) < 0;
        Vec corner = at.minus(u.times(0.5)).minus(v.times(0.5));
        lamps.add(new Emitter.Pane(corner, turned ? v : u, turned ? u : v, radiance, l.power()));
        if (!plain()) {
            Vec back = axis.times(-0.004);
            s.add(Panel.flat(corner.plus(back), u, v, Material.matte(DARK).glowing(radiance.times(1 / Math.max(1, radiance.g() / 30))), 0));
            if (view.stands(p)) {
                Vec behind = at.plus(axis.times(-0.06));
                s.add(new RoundCone(new Vec(behind.x(), 0.02, behind.z()), new Vec(behind.x(), Math.max(0.05, behind.y()), behind.z()),
                        STAND_R, STAND_R, Material.matte(DARK), 0));
            }
        }
    }

    /// Everybody and everything that is filmed, as it is at a time.
    public Scenery bodies(double seconds) {
        List<Solid> s = new ArrayList<>();
        int owner = BODY;
        for (Piece p : view.bodies()) {
            Body b = (Body) p.thing();
            Block box = SetView.box(p, seconds);
            Optional<Rgb> suit = suit(p).map(SetScenery::dye);
            Rgb paper = suit.orElseGet(() -> clothes(PAPER));
            switch (b.form()) {
                case BOX -> s.add(new BoxSolid(box.middle(), box.half(), -Math.toRadians(box.turnDeg()),
                        Material.matte(plain() ? Rgb.grey(0.5) : paper), owner));
                case BALL -> s.add(new Ellipsoid(box.middle(), box.half(), 0, plain() ? Material.matte(Rgb.grey(0.5))
                        : Material.patterned(Pattern.RIBS, 0.1, paper, paper.times(0.55)), owner));
                case FIGURE -> new Figure(box, plain(), suit.map(Figure.Wear::suit)
                        .orElseGet(() -> Figure.Wear.CLOTHES.withShirt(clothes(Figure.Wear.CLOTHES.shirt())))).into(s, owner);
            }
            owner++;
        }
        return new Scenery(s, List.of());
    }
}
