package org.scenothesis.core.breakdown.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Shot;

/// What moving something in the drawing tells: the same facts as the questions.
public final class Drawn {
    private Drawn() {}

    /// The shot with a piece moved by metres, up positive; what the piece does not allow stays.
    public static Shot moved(Shot shot, double seconds, Sketch.Piece piece, double acrossM, double upM) {
        Sketch now = Sketch.of(shot, seconds);
        Shot out = shot;
        if (piece.across() != null && acrossM != 0) {
            double middle = now.frame().leftM() + (piece.x() + piece.w() / 2) / Sketch.WIDTH * now.frame().wideM();
            double to = round(middle + acrossM);
            String answer = piece.index() < 0 ? String.valueOf(to) : places(now, piece, to);
            out = accepted(out, piece.illusion(), piece.across(), answer);
        }
        if (piece.up() != null && upM != 0) {
            Illusion w = shot.illusions().stream().filter(x -> x.id().equals(piece.illusion())).findFirst().orElseThrow();
            out = accepted(out, piece.illusion(), piece.up(),
                    String.valueOf(round(Math.max(0, Answers.of(w, shot.setting()).number(piece.up()) + upM))));
        }
        return out;
    }

    private static Shot accepted(Shot s, String illusion, Fact f, String answer) {
        return f.accepts(answer) ? s.withIllusion(illusion, w -> w.withFact(f.key(), answer)) : s;
    }

    private static String places(Sketch now, Sketch.Piece piece, double to) {
        List<String> all = new ArrayList<>();
        for (Sketch.Piece p : now.pieces()) {
            if (p.index() >= 0 && p.illusion().equals(piece.illusion())) {
                double middle = now.frame().leftM() + (p.x() + p.w() / 2) / Sketch.WIDTH * now.frame().wideM();
                all.add(String.format(Locale.ENGLISH, "%.2f", p.index() == piece.index() ? to : middle));
            }
        }
        return String.join(" ", all);
    }

    private static double round(double m) {
        return Math.round(m * 100) / 100.0;
    }

    /// Whether it can be told of a piece that it lies in front: whoever acts can pass before what happens.
    public static boolean crosses(Sketch.Piece piece) {
        return piece.across() == Fact.ACTOR_ACROSS_M;
    }

    /// The shot with somebody who acts before what happens, or behind it again.
    public static Shot crossing(Shot shot, Sketch.Piece piece, boolean front) {
        return shot.withIllusion(piece.illusion(), w -> {
            Answers t = Answers.of(w, shot.setting());
            boolean only = Case.named(t.answer(Fact.ACTOR)).size() < 2 || !front;
            return w.withFact(Fact.CROSSED.key(), front ? "yes" : "no").withFact(Fact.FRONT.key(), only ? "" : piece.name());
        });
    }
}
