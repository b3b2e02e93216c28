package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.value.Given;

/// A pane of glass as the camera sees it: what it shows twice, and the hood that hides that.
///
/// - Source: a mirror image lies as far behind the pane as the thing is before it.
public record Pane(SetView view, Piece piece) {
    private static final int STEPS = 9;
    /// How far behind the front of the lens a hood hangs: it must not be before it.
    private static final double BEHIND_LENS_M = 0.06;
    /// Left over at every edge.
    private static final double MARGIN_M = 0.1;
    private static final double FAR_M = 60;

    /// Black cloth with a hole for the lens: how far it goes to the left and right of the lens, above and below it, in metres, as seen from
    /// behind the camera.
    public record Hood(double leftM, double rightM, double aboveM, double belowM) {
        public double wideM() {
            return leftM + rightM;
        }

        public double highM() {
            return aboveM + belowM;
        }
    }

    /// The panes of a set that the camera looks at from before them.
    public static List<Pane> of(SetView view) {
        return view.pieces().stream().filter(p -> p.thing() instanceof Glass).map(p -> new Pane(view, p)).toList();
    }

    private Glass glass() {
        return (Glass) piece.thing();
    }

    private Vec foot() {
        return piece.at().up(0);
    }

    /// How far the lens is before it; negative behind it.
    private double before(Vec v) {
        return v.minus(foot()).dot(piece.at().ahead());
    }

    /// Points of it that are in the picture.
    private List<Vec> seen() {
        List<Vec> out = new ArrayList<>();
        for (int i = 0; i <= STEPS; i++) {
            for (int j = 0; j <= STEPS; j++) {
                Vec v = piece.at().up(glass().bottomM().value() + glass().highM().value() * j / STEPS)
                        .plus(piece.at().right().times(glass().wideM().value() * (i / (double) STEPS - 0.5)));
                if (view.seen(v)) {
                    out.add(v);
                }
            }
        }
        return before(view.eye()) <= 0 ? List.of() : out;
    }

    private Vec mirrored(Vec v) {
        return v.minus(piece.at().ahead().times(2 * before(v)));
    }

    /// What is black and keeps light and sight away.
    private List<Block> black() {
        return view.pieces().stream().filter(p -> p.thing() instanceof Flag).map(p -> {
            Flag f = (Flag) p.thing();
            return Block.standing(p.at(), f.bottomM().value(), f.wideM().value(), f.highM().value(), 0.01);
        }).toList();
    }

    /// Whether the camera sees a point of the set in the pane, by no way round black cloth.
    boolean shows(Vec at) {
        Vec eye = view.eye();
        double of = before(at);
        double own = before(eye);
        if (of <= 0 || own <= 0) {
            return false;
        }
        Vec hit = eye.towards(mirrored(at), own / (own + of));
        double aside = hit.minus(foot()).dot(piece.at().right());
        boolean within = Math.abs(aside) <= glass().wideM().value() / 2 && hit.y() >= glass().bottomM().value() && hit.y() <= glass()
                .bottomM().value() + glass().highM().value();
        return within && view.seen(hit) && black().stream().noneMatch(b -> b.cuts(hit, at));
    }

    /// The share of what the picture shows of it that mirrors something else than black cloth; 0 where none of it is seen.
    double bare() {
        List<Vec> seen = seen();
        List<Block> black = black();
        Vec image = mirrored(view.eye());
        long open = seen.stream().filter(v -> black.stream().noneMatch(b -> b.cuts(v, v.plus(v.minus(image).unit().times(FAR_M))))).count();
        return seen.isEmpty() ? 0 : (double) open / seen.size();
    }

    /// What hides all that the pane would show of the camera's side: its reflected rays where they reach the plane of the lens, which is as
    /// far from the pane as the lens; empty where none of it is seen.
    public Optional<Hood> hood() {
        List<Vec> seen = seen();
        if (seen.isEmpty()) {
            return Optional.empty();
        }
        double left = 0;
        double right = 0;
        double above = 0;
        double below = 0;
        Vec eye = view.eye();
        for (Vec v : seen) {
            // As far beyond the point of the pane as the lens is from it.
            Vec d = v.minus(eye).times(2);
            double aside = d.dot(piece.at().right());
            left = Math.max(left, -aside);
            right = Math.max(right, aside);
            above = Math.max(above, d.y());
            below = Math.max(below, -d.y());
        }
        return Optional.of(new Hood(left + MARGIN_M, right + MARGIN_M, above + MARGIN_M, Math.min(eye.y(), below + MARGIN_M)));
    }

    /// That hood as a piece: black cloth just behind the front of the lens, turned to the pane.
    public Optional<Piece> hung(String id) {
        return hood().map(h -> {
            Vec eye = view.eye();
            Vec at = eye.plus(piece.at().right().times((h.rightM - h.leftM) / 2)).plus(piece.at().ahead().times(BEHIND_LENS_M));
            Flag cloth = new Flag(Given.entered(h.wideM()), Given.entered(h.highM()), Given.entered(Math.max(0, eye.y() - h.belowM)));
            return new Piece(id, "hood", Given.entered(new Spot(at.x(), at.z(), piece.at().turnDeg())), Set.of(), cloth);
        });
    }
}
