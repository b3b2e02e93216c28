package org.scenothesis.core.breakdown.number;

import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Staging;

/// Pixels a picture must fill over pixels it has; up to 1 it is not enlarged.
public final class Resolution {
    private static final double ROLL_DEG = 0.5;

    private Resolution() {}

    /// How much of the frame is cut away at the edges in the end: the push-in, or the room an unsteady camera needs.
    public static double crop(Answers told) {
        return crop(told, HouseRules.DEFAULT);
    }

    /// A house that gives every locked frame some life needs the room for it too.
    public static double crop(Answers told, HouseRules rules) {
        boolean alive = told.is(Answer.Camera.LOCKED) && rules.follows(Approach.CAMERA_LIFE, "alive");
        return switch (alive ? Answer.Camera.HANDHELD : told.choice(Answer.Camera.class)) {
            case PUSH -> told.number(Fact.PUSH_IN);
            case HANDHELD -> {
                int high = (int) told.number(Fact.FINISH_PX);
                double wobble = told.number(Fact.WOBBLE_PX);
                yield Staging.overscan(high * 16 / 9, high, new Staging.Wobble(wobble, wobble * 2 / 3, ROLL_DEG));
            }
            case LOCKED, MOVING -> 1;
        };
    }

    /// For a background of `havePx` lines that fills a frame of `finishPx` lines and is cropped by `crop`.
    public static double background(double havePx, double finishPx, double crop) {
        return Check.positive("finishPx", finishPx) * crop / Check.positive("havePx", havePx);
    }

    /// For an element that filled `filmedShare` of a frame of `recordPx` lines and will fill `placedShare` of one of `finishPx`.
    public static double element(double recordPx, double filmedShare, double finishPx, double placedShare, double crop) {
        return finishPx * placedShare * crop / (Check.positive("recordPx", recordPx) * Check.positive("filmedShare", filmedShare));
    }
}
