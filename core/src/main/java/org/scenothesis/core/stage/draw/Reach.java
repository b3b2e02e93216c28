package org.scenothesis.core.stage.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

/// A length of a set that a crew measures with a tape, and the set with another there.
///
/// - `moves`: the id of what goes when the length is told: a piece, or `camera`. `upright`: it stands, and is a height above the floor.
public record Reach(String code, String moves, Vec from, Vec to, boolean upright) {
    /// What the camera is called among pieces.
    public static final String CAMERA = "camera";
    private static final double LEAST_M = 0.01;
    private static final double MOST_M = 200;

    /// How long it is now.
    public double metres() {
        return to.minus(from).length();
    }

    /// Those of a set for one plate: from the camera to what is filmed, from there to its screen and to its key, the height of the lens; of
    /// a chosen piece its height, or how far from the camera.
    public static List<Reach> of(SetView view, String chosen) {
        List<Reach> out = new ArrayList<>();
        Vec eye = view.eye();
        Vec foot = new Vec(eye.x(), 0, eye.z());
        out.add(new Reach("lens", CAMERA, foot, eye, true));
        List<SetView.Pair> pairs = view.pairs();
        Optional<Piece> body = pairs.stream().map(SetView.Pair::body).findFirst().or(() -> view.bodies().stream().findFirst());
        body.ifPresent(b -> {
            Vec spot = b.at().up(0);
            Vec ahead = new Vec(view.pose().worldToCamera()[2].x(), 0, view.pose().worldToCamera()[2].z()).unit();
            double away = spot.minus(foot).dot(ahead);
            if (away > LEAST_M) {
                out.add(new Reach("away", b.id(), spot.minus(ahead.times(away)), spot, false));
            }
            pairs.stream().filter(p -> p.body().equals(b)).findFirst().ifPresent(p -> {
                Vec cloth = p.sheet().piece().at().up(0);
                double behind = spot.minus(cloth).dot(p.sheet().ahead());
                if (behind > LEAST_M) {
                    out.add(new Reach("behind", p.sheet().piece().id(), spot, spot.minus(p.sheet().ahead().times(behind)), false));
                }
            });
            LightField light = new LightField(view.lamps(), view.stage().floor().around().value());
            light.key(SetView.middle(b, 0), List.of()).filter(k -> !((Lamp) k.thing()).kind().distant())
                    .ifPresent(k -> out.add(new Reach("key", k.id(), spot, k.at().up(0), false)));
        });
        view.stage().floor().piece(chosen).ifPresent(p -> {
            if (p.thing() instanceof Lamp l) {
                out.add(new Reach("height", p.id(), p.at().up(0), p.at().up(l.heightM().value()), true));
            }
            if (out.stream().noneMatch(r -> r.moves.equals(p.id()) && !r.upright)) {
                out.add(new Reach("from-camera", p.id(), foot, p.at().up(0), false));
            }
        });
        return out;
    }

    /// The set with this length told.
    ///
    /// @throws IllegalArgumentException if it is none that a set has
    public Stage told(Stage stage, double metres) {
        Check.range("metres", metres, LEAST_M, MOST_M);
        Vec end = from.plus(to.minus(from).unit().times(metres));
        if (moves.equals(CAMERA)) {
            StageCamera c = stage.camera();
            Vec p = c.position().value();
            return stage.withCamera(new StageCamera(Given.entered(new Vec(p.x(), metres, p.z())), c.aim(), c.widthShareFocal(),
                    c.principal()));
        }
        Vec by = end.minus(to);
        return stage.withFloor(f -> f.with(moves, p -> upright ? p.withThing(((Lamp) p.thing()).withHeightM(Given.entered(metres)))
                : p.put(p.at().at(p.at().x() + by.x(), p.at().z() + by.z()))));
    }
}
