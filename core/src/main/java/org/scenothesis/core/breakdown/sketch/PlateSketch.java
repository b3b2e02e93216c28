package org.scenothesis.core.breakdown.sketch;

import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.illusion.Rules;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.breakdown.sketch.Sketch.Look;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// What is in the frame of a plate: who and what stands there, where the cloth must be, and what is only masked.
public final class PlateSketch {
    private PlateSketch() {}

    /// The frame of a plate of a shot, at scale.
    public static Sketch of(Shot told, PlateNeed n) {
        Shot shot = Rules.assuming(told);
        Region.Sweep sweep = n.region().sweep();
        double people = n.in().stream().anyMatch(i -> i.sort() == Item.Sort.PERSON) ? Bodies.PERSON_M * 1.12 : 0;
        double high = Math.max(Math.max(Answers.of(shot.setting()).number(Fact.FRAME_M), people), sweep.topM() * 1.12);
        Easel e = new Easel(Sketch.Frame.of(-0.08 * high, high));
        ground(e, n);
        if (n.screen() != Screen.BLACK) {
            e.floor();
        }
        tables(e, shot, n);
        people(e, shot, n);
        if (n.role() == PlateRole.LIGHT_PASS) {
            e.ellipse(0, 0.45 * high, 0.3 * high, 0.3 * high, Look.FADED, 0);
            e.ellipse(0, 0.56 * high, 0.08 * high, 0.08 * high, Look.SOLID, 0);
        }
        if (n.role() == PlateRole.REFERENCE) {
            e.box(0, 0.4 * high, 0.16 * high, 0.2 * high, Look.FADED, -1);
        }
        return new Sketch(e.shapes, List.of(), List.of(), e.frame);
    }

    /// What things stand on in the shot's own frame.
    private static void tables(Easel e, Shot shot, PlateNeed n) {
        if (!n.lockGroup().equals(Case.HOME) || n.screen() == Screen.BLACK) {
            return;
        }
        shot.illusions().stream().filter(w -> n.illusions().contains(w.id())).map(w -> Answers.of(w, shot.setting()))
                .filter(t -> t.is(Answer.Who.THING) && t.number(Fact.REST_M) > 0.05)
                .findFirst().ifPresent(t -> e.table(0, t.number(Fact.REST_M), Math.max(0.9, 1.6 * t.number(Fact.SIZE_M))));
    }

    private static void ground(Easel e, PlateNeed n) {
        Sketch.Frame f = e.frame;
        double middle = f.leftM() + f.wideM() / 2;
        Look look = switch (n.screen()) {
            case GREEN -> Look.GREEN;
            case BLUE -> Look.BLUE;
            case BLACK -> Look.BLACK;
            case WHITE -> Look.WHITE;
            case NONE -> n.role() == PlateRole.LIGHT_PASS ? Look.BLACK : Look.PLACE;
        };
        if (look == Look.PLACE) {
            return;
        }
        boolean whole = look == Look.BLACK || look == Look.WHITE || n.region().widthShare() >= 1 || n.region().clothWideM() == 0;
        if (whole) {
            e.box(middle, f.bottomM(), f.wideM(), f.highM(), look, -1);
            return;
        }
        Region.Sweep s = n.region().sweep();
        // As the lens sees it, at the distance of who stands before it.
        double shrink = s.awayM() > 0 ? s.awayM() / (s.awayM() + s.behindM()) : 1;
        double wide = n.region().clothWideM() * shrink;
        double top = s.awayM() > 0 ? s.lensM() + (n.region().cloth().topM() - s.lensM()) * shrink : n.region().cloth().topM();
        double bottom = n.region().cloth().floorM() > 0 ? f.bottomM() : s.lensM() + (n.region().cloth().bottomM() - s.lensM()) * shrink;
        e.box(middle, Math.max(f.bottomM(), bottom), Math.min(f.wideM(), wide), Math.max(0.02, top - Math.max(f.bottomM(), bottom)), look,
                -1);
    }

    private static void people(Easel e, Shot shot, PlateNeed n) {
        List<Item> shown = n.in().stream().filter(i -> i.sort() == Item.Sort.PERSON || i.sort() == Item.Sort.PROP).toList();
        double spread = e.frame.wideM() / (shown.size() + 1);
        for (int i = 0; i < shown.size(); i++) {
            Item item = shown.get(i);
            double x = e.frame.leftM() + spread * (i + 1);
            Illusion w = shot.illusions().stream().filter(o -> Subjects.same(shot, o.subject(), item.name())).findFirst().orElse(null);
            Answers t = w == null ? Answers.of(shot.setting()) : Answers.of(w, shot.setting());
            Answer.Who who = item.sort() == Item.Sort.PROP ? Answer.Who.THING
                    : w == null || t.is(Answer.Who.THING) ? Answer.Who.PERSON : t.choice(Answer.Who.class);
            double high = w == null || item.sort() == Item.Sort.PERSON && t.is(Answer.Who.THING) ? Bodies.PERSON_M : t.number(Fact.SIZE_M);
            boolean about = w != null && n.illusions().contains(w.id());
            double foot = Math.max(0, n.region().sweep().awayM() > 0 && about ? n.region().sweep().bottomM() : 0);
            boolean held = n.in().stream().anyMatch(o -> o.sort() == Item.Sort.SUPPORT);
            if (held && foot > 0.05) {
                e.box(x, 0, 0.04 * e.frame.highM() / 2, foot, Look.PLACE, -1);
            }
            Look look = n.role() == PlateRole.PRACTICAL && about && n.reason().byWay() && n.way() == Way.MASK ? Look.DASHED : about
                    ? Look.SOLID : Look.INK;
            String without = n.reason() == Reason.HALF_UPPER ? "legs" : n.reason() == Reason.HALF_LOWER ? "torso" : "";
            e.body(who, x, foot, high, look, Math.max(0, w == null ? -1 : shot.illusions().indexOf(w)), without);
        }
    }
}
