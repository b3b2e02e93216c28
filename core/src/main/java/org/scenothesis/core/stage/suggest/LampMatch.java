package org.scenothesis.core.stage.suggest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.Proofs;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

/// The lamps of a set put so that whoever is filmed is lit as the background is: which lamp where, how far, how high, how large, dimmed how
/// far, behind which gel; and what cannot be had.
///
/// - The key goes where the background's light comes from, at the distance at which its own size is seen as large as that light, as far as
///   the room lets it.
/// - The fill is dimmed, or brought nearer, until key to fill is that of the background; where the room alone gives back too much, black
///   cloth opposite the key takes it.
/// - Gels bring each lamp to the colour of the background's lit and shadow side, where these are known.
/// - A lamp or window that is seen in the background gives whoever stands before it a rim: a further lamp stands behind them on that side,
///   as far round as it has to so that it is not in the picture.
/// - `stage`: the set with its lamps so. `black`: black cloth is wanted opposite the key. `bare`: rims for which no lamp is left. `left`:
///   what is then still off, of side, softness, key to fill.
public record LampMatch(List<Placed> lamps, boolean black, List<PictureLight.Rim> bare, Stage stage, List<Proved> left) {
    private static final double LEAST_M = 0.8;
    private static final double FROM_WALL_M = 0.3;
    private static final double OPEN_M = 12;
    private static final double LEAST_DIMMED = 0.02;
    private static final double FILL_DEG = 62;
    private static final double ROUND_DEG = 50;
    private static final double RIM_LOW_DEG = 15;
    private static final double RIM_HIGH_DEG = 60;
    private static final double RIM_LEAST_DEG = 20;
    private static final double RIM_M = 1.5;
    private static final double OUT_DEG = 4;
    private static final String MATCHED = "lamp-matched";
    private static final Set<Measure> JUDGED = Set.of(Measure.LAMP_SIDE, Measure.LAMP_SIZE, Measure.LAMP_FILL);

    public LampMatch {
        lamps = List.copyOf(lamps);
        bare = List.copyOf(bare);
        left = List.copyOf(left);
    }

    /// What a lamp is for.
    public enum Role {
        KEY,
        FILL,
        RIM
    }

    /// A lamp as it should stand, seen from whoever is filmed.
    ///
    /// - What nobody carries stays where it is. `awayM` from it; `sideDeg` as the camera sees it, 0 beyond it, negative left; `heightM`
    ///   above the floor; `sizeM` across its face as it should be; `dimmer`: share of its output, above 1 where it gives too little;
    ///   `gelMired`: warmer positive, NaN where no colour is known; `movedM`: how far it has to be carried, up and down included.
    public record Placed(Piece lamp, Role role, double awayM, double sideDeg, double heightM, double sizeM, double dimmer, double gelMired,
            double movedM) {}

    /// The colours of the background's lit and shadow side, as temperatures.
    public record Colours(double keyK, double fillK) {}

    /// What a background shows beside where its light comes from: the colours of its two sides where they are known, and what is seen of
    /// lamps and windows.
    public record Background(@Nullable Colours colours, List<PictureLight.Rim> rims) {
        /// Nothing more is known.
        public static final Background PLAIN = new Background(null, List.of());

        public Background {
            rims = List.copyOf(rims);
        }

        /// As it is read in its picture.
        public static Background of(@Nullable PictureLight l) {
            Neutral key = l == null ? null : l.key();
            Neutral fill = l == null ? null : l.fill();
            return l == null ? PLAIN : new Background(key == null || fill == null ? null : new Colours(key.kelvin(), fill.kelvin()),
                    l.rims());
        }
    }

    /// Of a set on which a plate is filmed; empty where nobody is filmed, no lamp gives it any light, or the background's light is not
    /// known.
    public static Optional<LampMatch> of(Question q, Background background) {
        Colours colours = background.colours;
        Question.Lit lit = q.background();
        Optional<Piece> body = q.view().bodies().stream().findFirst();
        if (lit == null || body.isEmpty()) {
            return Optional.empty();
        }
        Vec m = SetView.middle(body.get(), 0);
        Optional<Piece> key = q.light().key(m, List.of());
        if (key.isEmpty()) {
            return Optional.empty();
        }
        KeyLight light = lit.light();
        double pan = q.view().panDeg();
        KeyLight.Direction d = light.direction().value();
        Vec to = d.seenAt(d.asSeen(lit.panDeg()), pan).towards();
        Piece keyed = keyed(key.get(), m, to, light.sizeDeg().value(), q.view().stage().floor().around().value(), colours);
        Stage stage = with(q.view().stage(), keyed);
        List<Placed> out = new ArrayList<>();
        Lamp l = (Lamp) keyed.thing();
        double away = l.kind().distant() ? Double.NaN : place(keyed).minus(m).length();
        Vec from = LightField.towards(keyed, m);
        out.add(new Placed(
                keyed, Role.KEY, away, side(from, pan), l.heightM().value(), l.kind().distant() ? Double.NaN
                : 2 * away * Math.tan(Math.toRadians(Math.max(0.1, light.sizeDeg().value()) / 2)), l.dimmer().value(), gel(keyed),
                place(keyed).minus(place(key.get())).length()));
        Filled f = filled(q, stage, keyed, m, from, colours);
        f.lamp.ifPresent(out::add);
        Rimmed rimmed = rimmed(q, f.stage, out, m, background.rims);
        SetView view = new SetView(rimmed.stage, q.view().plate(), q.view().widthPx(), q.view().heightPx());
        List<Proved> left = Proofs.of(new Question(view, q.rules(), q.wanted(), lit, q.crop()).judged()).stream()
                .filter(p -> JUDGED.contains(p.finding().measure())).toList();
        return Optional.of(new LampMatch(out, f.black, rimmed.bare, rimmed.stage, left));
    }

    private record Rimmed(Stage stage, List<PictureLight.Rim> bare) {}

    /// Every rim a lamp that is neither key nor fill, those that are nearest to it first; what is placed is added to `out`.
    private static Rimmed rimmed(Question q, Stage stage, List<Placed> out, Vec m, List<PictureLight.Rim> rims) {
        List<Piece> free = new ArrayList<>(new SetView(stage, q.view().plate(), q.view().widthPx(), q.view().heightPx()).lamps().stream()
                .filter(p -> ((Lamp) p.thing()).kind().carried() && out.stream().noneMatch(o -> o.lamp.id().equals(p.id()))).toList());
        List<PictureLight.Rim> bare = new ArrayList<>();
        Stage now = stage;
        for (PictureLight.Rim r : rims) {
            Vec to = behind(q.view(), m, r);
            Optional<Piece> nearest = free.stream().min(Comparator.comparingDouble(p -> -LightField.towards(p, m).dot(to)));
            if (nearest.isEmpty()) {
                bare.add(r);
                continue;
            }
            Piece was = nearest.get();
            Lamp l = (Lamp) was.thing();
            double away = Math.clamp(place(was).minus(m).length(), LEAST_M, Math.max(LEAST_M, room(m, to, stage.floor().around().value())));
            Vec at = m.plus(to.times(away));
            Neutral colour = r.colour();
            Piece put = was.withSpot(matched(new Spot(at.x(), at.z(), 0).facing(m.x(), m.z())))
                    .withThing((colour == null ? l : coloured(l, colour.kelvin())).withHeightM(matched(Math.max(0.1, at.y())))
                    .withAim(matched(m)));
            free.remove(was);
            now = with(now, put);
            out.add(new Placed(put, Role.RIM, away, side(to, q.view().panDeg()), at.y(), Math.max(l.wideM().value(), l.highM().value()),
                    l.dimmer().value(), gel(put), at.minus(place(was)).length()));
        }
        return new Rimmed(now, bare);
    }

    /// Behind whoever is filmed, on the side of the lamp that is seen, turned round as far as it takes to be out of the picture.
    private static Vec behind(SetView view, Vec m, PictureLight.Rim r) {
        double up = Math.toRadians(Math.clamp(r.elevationDeg(), RIM_LOW_DEG, RIM_HIGH_DEG));
        Vec seen = m.minus(view.eye());
        double own = Math.IEEEremainder(Math.toDegrees(Math.atan2(seen.x(), seen.z())) - view.panDeg(), 360);
        double sign = r.azimuthDeg() < own ? -1 : 1;
        double half = Math.toDegrees(Math.atan(0.5 / view.stage().camera().widthShareFocal().value())) + OUT_DEG;
        for (double a = Math.max(RIM_LEAST_DEG, Math.abs(r.azimuthDeg() - own)); a < 90; a += 2) {
            Vec to = towards(view.panDeg() + own + sign * a, up);
            Vec at = m.plus(to.times(RIM_M)).minus(view.eye());
            if (Math.abs(Math.IEEEremainder(Math.toDegrees(Math.atan2(at.x(), at.z())) - view.panDeg(), 360)) > half) {
                return to;
            }
        }
        return towards(view.panDeg() + own + sign * 90, up);
    }

    private static Vec towards(double deg, double up) {
        double a = Math.toRadians(deg);
        return new Vec(Math.sin(a) * Math.cos(up), Math.sin(up), Math.cos(a) * Math.cos(up));
    }

    private static Vec place(Piece lamp) {
        return lamp.at().up(((Lamp) lamp.thing()).heightM().value());
    }

    private static double side(Vec to, double pan) {
        return Math.IEEEremainder(Math.toDegrees(Math.atan2(to.x(), to.z())) - pan, 360);
    }

    private static double gel(Piece p) {
        Given<Double> g = ((Lamp) p.thing()).gelMired();
        return g instanceof Given.Assumed<Double> a && a.why().equals(MATCHED) ? g.value() : Double.NaN;
    }

    private static <T> Given<T> matched(T v) {
        return new Given.Assumed<>(v, MATCHED);
    }

    private static Stage with(Stage s, Piece lamp) {
        return s.withFloor(f -> f.with(lamp.id(), p -> lamp));
    }

    private static Lamp coloured(Lamp l, double kelvin) {
        return l.withGelMired(matched(Math.clamp(1e6 / kelvin - 1e6 / l.kelvin().value(), -200, 300)));
    }

    /// The key where its light should come from, as far away as it is seen as large as wanted and the room lets it.
    private static Piece keyed(Piece key, Vec m, Vec to, double sizeDeg, Surroundings around, @Nullable Colours colours) {
        Lamp l = (Lamp) key.thing();
        Lamp own = colours == null ? l : coloured(l, colours.keyK);
        if (!l.kind().carried()) {
            // Sun, sky and windows stay; what is filmed is turned under them.
            return key;
        }
        double across = Math.max(l.wideM().value(), l.highM().value());
        double far = across / 2 / Math.tan(Math.toRadians(Math.max(0.1, sizeDeg) / 2));
        double room = Math.max(LEAST_M, room(m, to, around));
        Vec at = m.plus(to.times(Math.clamp(far, LEAST_M, room)));
        return key.withSpot(matched(new Spot(at.x(), at.z(), 0).facing(m.x(), m.z())))
                .withThing(own.withHeightM(matched(Math.max(0.1, at.y()))).withAim(matched(m)));
    }

    /// How far one can go from a place before a wall or the ceiling is near.
    private static double room(Vec m, Vec to, Surroundings around) {
        if (!(around instanceof Surroundings.Room r)) {
            return OPEN_M;
        }
        double out = OPEN_M;
        out = Math.min(out, along(m.x(), to.x(), r.leftM() + FROM_WALL_M, r.rightM() - FROM_WALL_M));
        out = Math.min(out, along(m.y(), to.y(), 0, r.highM() - FROM_WALL_M));
        return Math.min(out, along(m.z(), to.z(), r.nearM() + FROM_WALL_M, r.farM() - FROM_WALL_M));
    }

    private static double along(double from, double step, double low, double high) {
        return Math.abs(step) < 1e-9 ? OPEN_M : Math.max(0, ((step > 0 ? high : low) - from) / step);
    }

    /// The light on whoever is filmed: what the key gives, what all else gives to a surface that faces it, and what that should be.
    private record Lit(List<Piece> lamps, LightField field, double keyLux, double fill, double wanted) {
        static Lit of(Question q, Stage stage, Piece key, Vec m, Vec to) {
            List<Piece> lamps = new SetView(stage, q.view().plate(), q.view().widthPx(), q.view().heightPx()).lamps();
            LightField field = new LightField(lamps, stage.floor().around().value());
            double keyLux = field.facing(key, m, List.of());
            double fill = field.at(m, to, List.of()) - keyLux;
            Question.Lit background = q.background();
            return new Lit(lamps, field, keyLux, fill, background == null ? fill : keyLux * Math.pow(2, -background.light().keyToFillStops()
                    .value()));
        }
    }

    private record Filled(Stage stage, Optional<Placed> lamp, boolean black) {}

    /// The lamp that fills most brought to what is wanted of all fill, as far as it goes.
    private static Filled filled(Question q, Stage stage, Piece key, Vec m, Vec to, @Nullable Colours colours) {
        Lit lit = Lit.of(q, stage, key, m, to);
        Optional<Piece> most = lit.lamps.stream().filter(p -> !p.id().equals(key.id()) && ((Lamp) p.thing()).kind().carried())
                .max(Comparator.comparingDouble(p -> lit.field.facing(p, m, List.of())));
        if (most.isEmpty()) {
            return new Filled(stage, Optional.empty(), lit.fill > lit.wanted);
        }
        Piece p = reaching(most.get(), m, to, q.view().panDeg());
        if (!p.equals(most.get())) {
            Filled moved = dimmed(q, with(stage, p), key, p, m, to, colours);
            return new Filled(moved.stage, moved.lamp.map(x -> new Placed(x.lamp, x.role, x.awayM, x.sideDeg, x.heightM, x.sizeM, x.dimmer,
                    x.gelMired, place(x.lamp).minus(place(most.get())).length())), moved.black);
        }
        return dimmed(q, stage, key, p, m, to, colours);
    }

    /// A fill that stands too far round shines past what faces the key: it goes as far towards the camera as it can while it still reaches
    /// that.
    private static Piece reaching(Piece fill, Vec m, Vec to, double panDeg) {
        Lamp l = (Lamp) fill.thing();
        if (LightField.towards(fill, m).dot(to) > Math.cos(Math.toRadians(FILL_DEG))) {
            return fill;
        }
        double keyDeg = Math.toDegrees(Math.atan2(to.x(), to.z()));
        double turn = Math.clamp(Math.IEEEremainder(panDeg + 180 - keyDeg, 360), -ROUND_DEG, ROUND_DEG);
        double at = Math.toRadians(keyDeg + (turn == 0 ? ROUND_DEG / 2 : turn));
        Vec flat = place(fill).minus(m);
        double away = Math.max(LEAST_M, Math.hypot(flat.x(), flat.z()));
        Vec put = m.plus(new Vec(away * Math.sin(at), flat.y(), away * Math.cos(at)));
        return fill.withSpot(matched(new Spot(put.x(), put.z(), 0).facing(m.x(), m.z()))).withThing(l.withAim(matched(m)));
    }

    private static Filled dimmed(Question q, Stage stage, Piece key, Piece p, Vec m, Vec to, @Nullable Colours colours) {
        Lit lit = Lit.of(q, stage, key, m, to);
        Lamp l = (Lamp) p.thing();
        // What it gives to the room comes back from everywhere, and goes with it.
        Stage without = stage.withFloor(f -> f.without(p.id()));
        double rest = Lit.of(q, without, key, m, to).fill;
        double share = (lit.wanted - rest) / Math.max(1e-9, lit.fill - rest);
        double dimmer = l.dimmer().value() * share;
        boolean black = dimmer < LEAST_DIMMED;
        Vec at = place(p);
        if (dimmer > 1) {
            // Nearer by the root of what is missing.
            at = m.plus(at.minus(m).times(Math.max(0.25, 1 / Math.sqrt(dimmer))));
        }
        Lamp dimmed = (colours == null ? l : coloured(l, colours.fillK)).withDimmer(matched(Math.clamp(dimmer, LEAST_DIMMED, 1)))
                .withHeightM(matched(Math.max(0.1, at.y())));
        Piece put = p.withSpot(dimmer > 1 ? matched(new Spot(at.x(), at.z(), 0).facing(m.x(), m.z())) : p.spot()).withThing(dimmed);
        Vec from = at.minus(m);
        Placed line = new Placed(
                put, Role.FILL, from.length(), side(from, q.view().panDeg()), at.y(), Math.max(l.wideM().value(), l.highM().value()), black
                ? 0 : dimmer, gel(put), at.minus(place(p)).length());
        return new Filled(black ? without : with(stage, put), Optional.of(line), black);
    }
}
