package org.scenothesis.core.breakdown.method;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.finding.Estimates;

/// What each way costs for one thing.
///
/// Hand hours are keyframes times minutes: one keyframe for a mask that stays, every second looked at for a suit, every fourth for a key,
/// but never for hours, every few frames for cutting out by hand.
public final class Methods {
    private static final double KEY_LOOK_MINUTES = 4;
    /// However long a take is, its key is not looked at in more places than these.
    private static final int MOST_LOOKS = 8;

    private Methods() {}

    /// Prices the ways of a demand over a stretch of `frames`; `chosen` is what the plan follows.
    public static List<Method> priced(Demand d, Way chosen, Answers told, int frames, Estimates e) {
        List<Method> out = new ArrayList<>();
        for (Way w : d.ways()) {
            out.add(price(w, told, frames, e, w == d.ways().getFirst(), w == chosen));
        }
        if (!d.ways().contains(chosen)) {
            out.add(price(chosen, told, frames, e, false, true));
        }
        return out;
    }

    private static Method price(Way w, Answers told, int frames, Estimates e, boolean recommended, boolean chosen) {
        boolean fine = !told.is(Answer.Edge.CLEAN);
        Estimates.Hand hand = e.hand();
        Estimates.Changes set = e.changes();
        int keys = switch (w) {
            case MASK -> 1;
            case KEY, BLACK, WHITE, SUIT -> Math.min(most(w), looks(w, frames));
            case ROTO -> Math.max(1, (int) Math.ceil(frames / (double) (fine ? hand.fineSpacing() : hand.spacing())));
        };
        double each = switch (w) {
            case MASK -> 15;
            case ROTO -> fine ? hand.fineMinutes() : hand.minutes();
            case KEY, SUIT, BLACK, WHITE -> KEY_LOOK_MINUTES;
        };
        double setMinutes = switch (w) {
            case MASK -> set.prop();
            case KEY -> 2 * set.cloth() + set.prop();
            case SUIT -> set.clothes() + set.light();
            case BLACK, WHITE -> set.cloth() + set.light();
            case ROTO -> 0;
        };
        return new Method(w, setMinutes, keys * each / 60, keys, each, risks(w, told, frames), recommended, chosen);
    }

    /// In how many places a way would be looked over at its usual spacing; none for ways that are not.
    private static int looks(Way w, int frames) {
        return switch (w) {
            case KEY, BLACK, WHITE -> 1 + frames / 96;
            case SUIT -> 1 + frames / 24;
            case MASK, ROTO -> 0;
        };
    }

    private static int most(Way w) {
        return w == Way.SUIT ? 2 * MOST_LOOKS : MOST_LOOKS;
    }

    private static List<String> risks(Way w, Answers told, int frames) {
        List<String> out = new ArrayList<>();
        add(out, looks(w, frames) > most(w), "looks.capped");
        boolean moves = told.given(Fact.MOTION) && !told.is(Answer.Motion.STILL);
        boolean fine = !told.is(Answer.Edge.CLEAN);
        switch (w) {
            case MASK -> {
                out.add("mask.air");
                add(out, moves, "mask.moves");
                add(out, fine, "mask.edge");
                add(out, told.is(Answer.Background.MOVES), "mask.background");
            }
            case KEY -> {
                out.add("key.cloth");
                add(out, told.is(Answer.Edge.GLASS), "key.glass");
                add(out, told.is(Answer.Place.STUDIO), "key.light");
            }
            case SUIT -> {
                out.add("suit.shadow");
                add(out, told.yes(Fact.OVER_CLOTHES), "suit.over");
            }
            case BLACK -> out.add("black.dark");
            case WHITE -> {
                out.add("white.bright");
                add(out, moves, "white.moves");
            }
            case ROTO -> {
                out.add("roto.hours");
                add(out, fine, "roto.edge");
            }
        }
        return out;
    }

    private static void add(List<String> to, boolean when, String code) {
        if (when) {
            to.add(code);
        }
    }
}
