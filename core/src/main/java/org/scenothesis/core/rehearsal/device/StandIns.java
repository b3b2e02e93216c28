package org.scenothesis.core.rehearsal.device;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.rehearsal.Handling;
import org.scenothesis.core.rehearsal.Rendered;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.rehearsal.staged.Rehearsal;
import org.scenothesis.core.rehearsal.staged.SetScenery;
import org.scenothesis.core.rehearsal.staged.StagedRoll;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.SetView;

/// Instruments that read a staged set in place of real ones, as exact as usual hand-held ones are.
public final class StandIns {
    private static final double METER_SHARE = 0.05;
    private static final double KELVIN_SHARE = 0.02;
    private static final double LEVEL_DEG = 0.1;
    private static final double TAPE_M = 0.005;
    private static final int SPOT_PASSES = 24;
    private static final int FEED_PASSES = 8;
    /// How long the feed's own decisions take to have run their course, and its rate.
    private static final double DRIFT_S = 10;
    private static final double RATE = 24;
    private static final double GREY = 0.18;

    private StandIns() {}

    /// For a set while a plate is filmed.
    public static Instruments of(SetView view) {
        LightField light = new LightField(view.lamps(), view.stage().floor().around().value());
        return new Instruments(
                (place, towards) -> lux(light.at(place, turned(towards), List.of())), new Spot(view), (place, towards) ->
                colour(view, light, place, turned(towards)), new Level(view.stage().camera().aim().value()),
                (from, to) -> InstrumentReading.shown(to.minus(from).length(), "m", 0.001, TAPE_M),
                new Feed(view, EnumSet.allOf(Instruments.Lock.class)));
    }

    private static InstrumentReading lux(double v) {
        return InstrumentReading.shown(v, "lx", 1, METER_SHARE * v);
    }

    /// A dome that is turned nowhere looks up.
    private static Vec turned(Vec towards) {
        return towards.length() < 1e-6 ? Vec.UP : towards.unit();
    }

    /// The mean of the reciprocals of all colours that fall there, by how much each does: mired of mixed light add up so, nearly.
    private static Optional<InstrumentReading> colour(SetView view, LightField light, Vec place, Vec towards) {
        double sum = 0;
        double mired = 0;
        for (Piece p : view.lamps()) {
            double lux = light.of(p, place, towards, List.of());
            sum += lux;
            mired += lux * 1e6 / ((Lamp) p.thing()).givenKelvin();
        }
        return sum < 0.5 ? Optional.empty()
                : Optional.of(InstrumentReading.shown(1e6 * sum / mired, "K", 10, KELVIN_SHARE * 1e6 * sum / mired));
    }

    private record Level(StageCamera.Aim aim) implements Instruments.SpiritLevel {
        @Override
        public InstrumentReading tilt() {
            return InstrumentReading.shown(aim.tiltDeg(), "\u00b0", LEVEL_DEG, LEVEL_DEG);
        }

        @Override
        public InstrumentReading roll() {
            return InstrumentReading.shown(aim.rollDeg(), "\u00b0", LEVEL_DEG, LEVEL_DEG);
        }
    }

    /// Looks at a window a hundredth of the picture wide.
    private record Spot(SetView view) implements Instruments.SpotMeter {
        @Override
        public InstrumentReading at(Point at) {
            SetScenery small = SetScenery.metered(new SetView(view.stage(), view.plate(), 200, 112));
            Picture p = refined(new Rehearsal(small, 0), SPOT_PASSES, Bands.sequential());
            int x = Math.clamp((int) (at.x() * p.width()), 1, p.width() - 2);
            int y = Math.clamp((int) (at.y() * p.height()), 1, p.height() - 2);
            double sum = 0;
            for (int v = y - 1; v <= y + 1; v++) {
                for (int u = x - 1; u <= x + 1; u++) {
                    sum += p.light(u, v);
                }
            }
            return InstrumentReading.shown(Math.log(Math.max(1e-6, sum / 9) / GREY) / Math.log(2), "stop", 0.1, 0.1);
        }
    }

    private static Picture refined(Rehearsal r, int passes, Bands bands) {
        for (int i = 0; i < passes; i++) {
            r.refine(bands);
        }
        return r.picture();
    }

    /// What is not locked drifts as the rehearsal's faults do.
    private record Feed(SetView view, Set<Instruments.Lock> locked) implements Instruments.CameraFeed {
        Feed {
            locked = Set.copyOf(locked);
        }

        @Override
        public Instruments.CameraFeed locking(Set<Instruments.Lock> locks) {
            return new Feed(view, locks);
        }

        private Set<Fault> faults() {
            return EnumSet.complementOf(locked.isEmpty() ? EnumSet.noneOf(Instruments.Lock.class) : EnumSet.copyOf(locked)).stream()
                    .map(l -> switch (l) {
                case EXPOSURE -> Fault.AUTO_EXPOSURE;
                case WHITE -> Fault.AUTO_WHITE;
                case FOCUS -> Fault.REFOCUS;
                case STABILISER -> Fault.STABILISER;
            }).collect(Collectors.toSet());
        }

        @Override
        public Picture frame(double seconds, Bands bands) {
            StagedRoll roll = new StagedRoll("feed", view, DRIFT_S, 0, RATE, faults(), 1);
            int i = Math.clamp(Math.round(seconds * RATE), 0, roll.frames() - 1);
            View then = roll.roll().views().stream().filter(v -> v.fromFrame() <= i).reduce((a, b) -> b).orElseThrow().view();
            Picture light = refined(new Rehearsal(SetScenery.metered(view), seconds, then), FEED_PASSES, bands);
            Handling h = roll.handling();
            Plane none = Plane.of(light.width(), light.height());
            Rendered swayed = h.sway().apply(i).of(new Rendered(light, none, none, then), bands);
            return Sensor.USUAL.exposed(h.stops().applyAsDouble(i)).balanced(h.balance().apply(i)).record(swayed.light(), i, bands);
        }
    }
}
