package org.scenothesis.demo.loft;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Handling;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// The takes of shot 12, *The lantern that lifts*, with the flaws of a real small shoot.
///
/// Clean plate take 1 is bumped at frame 47; the maker's take loses 0.12 stop to a cloud; the cloth is crumpled and uneven.
public final class LiftingShoot {
    public static final double RATE = 24;
    public static final int FRAMES = 96;
    /// First frame of the bumped clean plate at its new position.
    public static final int BUMP_FRAME = 47;
    /// How far the cloud dims the light, in stops.
    public static final double CLOUD_STOPS = -0.12;
    public static final double LANTERN_RADIUS = 0.15;
    /// When the lantern is let go.
    public static final double LIFT_S = 1.9;
    /// How far above the bench the lantern hangs.
    public static final double HANG_M = 0.44;

    private static final Sensor CAMERA = Sensor.USUAL.exposed(0.5);

    private LiftingShoot() {}

    /// All takes for pictures `width × height`.
    public static List<Roll> rolls(int width, int height) {
        View view = Loft.view(width, height);
        double px = width / 1280.0 / view.pose().focalPx();
        View bumped = view.with(view.pose().turned(Math.toDegrees(-1.5 * px), Math.toDegrees(0.8 * px), 0.02));
        Scenery screen = Loft.set().with(Loft.CLOTH.stage());
        List<Roll> rolls = new ArrayList<>();
        rolls.add(new Roll(
                "clean-2", FRAMES, RATE, Loft.set(), null, locked(view), Handling.STEADY, CAMERA.seeded(2)));
        rolls.add(new Roll(
                "maker-1", FRAMES, RATE, Loft.set(), t -> Maker.lifting(t).stage(1), locked(view),
                Handling.STEADY.under(LiftingShoot::cloud), CAMERA.seeded(3)));
        rolls.add(new Roll("lantern-1", FRAMES, RATE, screen, LiftingShoot::lantern, locked(view), Handling.STEADY, CAMERA.seeded(4)));
        rolls.add(new Roll("screen-only", 1, RATE, screen, null, locked(view), Handling.STEADY, CAMERA.seeded(5)));
        rolls.add(new Roll(
                "clean-1", FRAMES, RATE, Loft.set(), null,
                List.of(new Roll.Station(0, view), new Roll.Station(BUMP_FRAME, bumped)), Handling.STEADY, CAMERA.seeded(1)));
        rolls.add(new Roll("card-ruler", 1, RATE, Loft.set().with(Loft.cardAndRuler()), null, locked(view), Handling.STEADY,
                CAMERA.seeded(6)));
        rolls.add(new Roll("lamp-pass", 1, RATE, Loft.set().with(bulb()), null, locked(view), Handling.STEADY, CAMERA.seeded(8)));
        return rolls;
    }

    private static List<Roll.Station> locked(View view) {
        return List.of(new Roll.Station(0, view));
    }

    private static double cloud(int frame) {
        return CLOUD_STOPS * Maker.ease((frame - 6) / 18.0);
    }

    /// The lantern on its rod, swinging a little.
    private static Scenery lantern(double seconds) {
        // It stands still until it is let go, then swings in.
        double let = Maker.ease((seconds - LIFT_S) / 1.4);
        double swing = let * Math.sin(2 * Math.PI * 0.55 * (seconds - LIFT_S));
        Vec foot = Loft.LANTERN_REST.plus(new Vec(0.022 * swing, HANG_M, 0));
        List<Solid> s = new ArrayList<>();
        PaperLantern.at(foot, LANTERN_RADIUS).tilted(0.05 * swing).lit(new Rgb(0.30, 0.16, 0.055)).build(s, 1);
        s.add(Loft.CLOTH.rod(Loft.BENCH_M - 0.3, foot, 2));
        return new Scenery(s, List.of());
    }

    /// A bare bulb on a black stick where the lantern will hang.
    private static Scenery bulb() {
        Vec at = Loft.LANTERN_REST.plus(new Vec(0, HANG_M + LANTERN_RADIUS, 0));
        Rgb light = new Rgb(42, 21, 7.5);
        List<Solid> s = new ArrayList<>();
        s.add(new Ellipsoid(at, new Vec(0.05, 0.05, 0.05), 0, Material.matte(Rgb.grey(0.5)).glowing(light), 9));
        s.add(new RoundCone(at.plus(new Vec(0, 0.06, 0.02)), at.plus(new Vec(0.25, 1.4, 0.5)), 0.008, 0.008,
                Material.matte(Rgb.grey(0.02)), 9));
        return new Scenery(s, List.of(new Emitter.Ball(at, 0.05, light, 9)));
    }
}
