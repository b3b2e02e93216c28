package org.scenothesis.bench;

import java.util.function.DoubleFunction;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.rehearsal.Rendered;
import org.scenothesis.core.rehearsal.Renderer;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.staged.Rehearsal;
import org.scenothesis.core.rehearsal.staged.SetScenery;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.demo.loft.LiftingShoot;
import org.scenothesis.demo.loft.Loft;

/// How fast the simulated camera films: light paths of the demo's set, the first picture of a staged one, and what a demo plate of 96
/// frames costs.
final class Renders {
    /// Of the demo's 1280 pixels: all costs of a frame go with its pixels.
    private static final int SMALLER = 2;
    private static final int FRAMES = 96;
    private static final int PASSES = 6;

    private Renders() {}

    static void report(Bands bands) {
        for (Roll roll : LiftingShoot.rolls(1280 / SMALLER, 720 / SMALLER)) {
            DoubleFunction<Scenery> moving = roll.moving();
            if (moving != null) {
                plate(roll, moving, bands);
            }
        }
        first(bands);
    }

    private static void plate(Roll roll, DoubleFunction<Scenery> moving, Bands bands) {
        View view = roll.views().getFirst().view();
        Renderer renderer = new Renderer(roll.set(), Loft.AMBIENT, view, Quality.FINE, bands);
        long start = System.nanoTime();
        Rendered still = renderer.still();
        double set = since(start);
        renderer.moving(still, moving, 1, roll.rate());
        start = System.nanoTime();
        renderer.moving(still, moving, 1.5, roll.rate());
        renderer.moving(still, moving, 3, roll.rate());
        double frame = since(start) / 2;
        double paths = (double) view.pose().width() * view.pose().height() * Quality.FINE.stillSamples();
        Ratios.line("light paths of the set of " + roll.name() + ", each core", paths / set / bands.threads() / 1e6, "million/s", "");
        Ratios.line("  the plate of " + FRAMES + " frames at 1280x720", SMALLER * SMALLER * (set + FRAMES * frame) / 60, "min", roll.name()
                .startsWith("maker") ? "goal 22.5" : "goal 6");
    }

    private static void first(Bands bands) {
        Shot shot = LanternWorks.production().shot("14");
        for (Staged set : Stagings.of(shot, Breakdown.plan(shot, HouseRules.DEFAULT), HouseRules.DEFAULT)) {
            SetView of = set.view(set.hardest());
            SetScenery scenery = SetScenery.metered(new SetView(of.stage(), of.plate(), 480, 270));
            double best = Double.MAX_VALUE;
            for (int i = 0; i < PASSES; i++) {
                long start = System.nanoTime();
                Rehearsal rehearsal = new Rehearsal(scenery, 0);
                rehearsal.refine(bands);
                rehearsal.picture();
                best = Math.min(best, since(start));
            }
            Ratios.line("first picture at 480x270 of camera " + set.group() + " of shot 14", 1000 * best, "ms", "goal 300");
        }
    }

    private static double since(long start) {
        return (System.nanoTime() - start) / 1e9;
    }
}
