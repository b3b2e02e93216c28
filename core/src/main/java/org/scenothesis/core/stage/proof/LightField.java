package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;

/// The light on a set: what every lamp gives to a point, with what stands in its way, and what the room gives back evenly.
///
/// Source: illuminance of area sources by summing samples, E = Σ I·cosθ·cosⁿθ'/d²; the even share of a closed room by the integrating
/// sphere, Φ·ρ/(A·(1−ρ)).
public final class LightField {
    /// Points across and up a lamp's face.
    private static final int SAMPLES = 4;
    private static final double OFF = 1e-4;
    /// Of the ground in the open air.
    private static final double GROUND = 0.2;
    private static final double FAR_M = 200;

    private final List<Source> sources = new ArrayList<>();
    private final double even;
    private final double sky;

    /// One lamp: the places it shines from, its axis, intensity and how fast it falls beside its axis.
    private record Source(Piece piece, Lamp lamp, List<Vec> from, Vec axis, double given, double power) {}

    /// Of these lamps; what a room gives back is reckoned once.
    public LightField(List<Piece> lamps, Surroundings around) {
        double flux = 0;
        double fromSky = 0;
        for (Piece p : lamps) {
            Lamp l = (Lamp) p.thing();
            // A closed room keeps sun and sky out; what comes in by a window is the window's.
            boolean out = around instanceof Surroundings.Room && (l.kind().distant() || l.kind().everywhere());
            if (out || l.kind().everywhere()) {
                fromSky += out ? 0 : l.given();
                continue;
            }
            Source s = new Source(p, l, face(p, l), l.axis(p.at()), l.given(), l.power());
            sources.add(s);
            flux += l.kind().distant() ? 0 : s.given * 2 * Math.PI / (s.power + 1);
        }
        sky = fromSky;
        even = around instanceof Surroundings.Room r ? flux * r.reflects() / (r.areaM2() * (1 - r.reflects())) : 0;
    }

    private static List<Vec> face(Piece p, Lamp l) {
        Lamp.Face face = l.face(p.at());
        double far = l.kind().distant() ? FAR_M : 1;
        Vec away = l.kind().distant() ? l.aim().value().minus(face.axis().times(FAR_M)).minus(face.middle()) : Vec.ZERO;
        List<Vec> out = new ArrayList<>();
        for (int j = 0; j < SAMPLES; j++) {
            for (int i = 0; i < SAMPLES; i++) {
                double u = ((i + 0.5) / SAMPLES - 0.5) * l.wideM().value() * far;
                double v = ((j + 0.5) / SAMPLES - 0.5) * l.highM().value() * far;
                out.add(face.at(u, v).plus(away));
            }
        }
        return out;
    }

    /// Illuminance of a surface at a point, all lamps and what comes from everywhere.
    public double at(Vec point, Vec normal, List<Block> blocks) {
        double sum = even(normal);
        for (Source s : sources) {
            sum += direct(s, point, normal, blocks);
        }
        return sum;
    }

    /// What comes from everywhere: given back by a room, or from the sky and the ground.
    public double even(Vec normal) {
        double up = (1 + normal.y()) / 2;
        return even + sky * (up + GROUND * (1 - up));
    }

    /// Of one lamp alone.
    public double of(Piece lamp, Vec point, Vec normal, List<Block> blocks) {
        return sources.stream().filter(s -> s.piece.equals(lamp)).mapToDouble(s -> direct(s, point, normal, blocks)).sum();
    }

    /// How much a surface's light changes as it is tilted to one side: of its light, per unit of slope.
    public double slope(Vec point, Vec normal, Vec aside) {
        double here = at(point, normal, List.of());
        double tilt = 0.05;
        double one = at(point, normal.plus(aside.times(tilt)).unit(), List.of());
        double other = at(point, normal.minus(aside.times(tilt)).unit(), List.of());
        return here <= 0 ? 0 : Math.abs(one - other) / (2 * tilt * here);
    }

    /// Which lamp gives the most to a point that faces it, if any does.
    public Optional<Piece> key(Vec point, List<Block> blocks) {
        return sources.stream().max((a, b) -> Double.compare(facing(a, point, blocks), facing(b, point, blocks)))
                .filter(s -> facing(s, point, blocks) > 0).map(Source::piece);
    }

    /// What a lamp gives to a surface that faces it.
    public double facing(Piece lamp, Vec point, List<Block> blocks) {
        return sources.stream().filter(s -> s.piece.equals(lamp)).mapToDouble(s -> facing(s, point, blocks)).sum();
    }

    private double facing(Source s, Vec point, List<Block> blocks) {
        return direct(s, point, towards(s, point), blocks);
    }

    private static Vec towards(Source s, Vec point) {
        return s.lamp.kind().distant() ? s.axis.times(-1) : s.piece.at().up(s.lamp.heightM().value()).minus(point).unit();
    }

    /// Unit direction from a point to a lamp.
    public static Vec towards(Piece lamp, Vec point) {
        Lamp l = (Lamp) lamp.thing();
        return l.kind().distant() ? l.axis(lamp.at()).times(-1) : lamp.at().up(l.heightM().value()).minus(point).unit();
    }

    private static double direct(Source s, Vec point, Vec normal, List<Block> blocks) {
        Vec from = point.plus(normal.times(OFF));
        double sum = 0;
        for (Vec v : s.from) {
            double dx = v.x() - point.x();
            double dy = v.y() - point.y();
            double dz = v.z() - point.z();
            double d2 = dx * dx + dy * dy + dz * dz;
            double d = Math.sqrt(d2);
            double cos = (dx * normal.x() + dy * normal.y() + dz * normal.z()) / d;
            if (cos <= 0) {
                continue;
            }
            double off = -(dx * s.axis.x() + dy * s.axis.y() + dz * s.axis.z()) / d;
            if (off <= 0 || blocked(from, v, blocks)) {
                continue;
            }
            sum += s.lamp.kind().distant() ? s.given * cos : s.given * cos * (s.power == 1 ? off : Math.pow(off, s.power)) / d2;
        }
        return sum / s.from.size();
    }

    private static boolean blocked(Vec from, Vec to, List<Block> blocks) {
        for (Block b : blocks) {
            if (b.cuts(from, to)) {
                return true;
            }
        }
        return false;
    }
}
