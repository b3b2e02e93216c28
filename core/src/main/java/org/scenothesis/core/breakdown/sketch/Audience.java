package org.scenothesis.core.breakdown.sketch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.illusion.Rules;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.breakdown.sketch.Sketch.Look;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

/// What the audience sees at a moment: figures and things at scale, as the facts have them, in the frame that was told.
///
/// Where nobody told the height of the frame it is taken to hold all that happens in the shot.
final class Audience {
    private static final double ROOM = 1.12;
    private static final int MOST = 60;
    /// How far apart those of a crowd stand where nobody told the frame.
    private static final double APART_M = 0.6;
    /// How much higher in the picture the next row stands.
    private static final double ROW_SHARE = 0.06;
    private static final double HEADROOM = 0.06;
    private static final double RISING_SHARE = 0.45;
    /// Who acts and was not named.
    private static final String NOBODY = "the performer";

    private final Shot shot;
    private final double seconds;
    private final Map<String, Body> bodies = new LinkedHashMap<>();
    private final List<Sketch.Measure> measures = new ArrayList<>();
    private final List<Sketch.Piece> pieces = new ArrayList<>();
    private final Easel easel;

    /// Where one of several stands: across the frame, and in which row behind the first.
    private record Spot(double x, int row) {}

    /// Somebody or something, with all that happens to it at this moment.
    private static final class Body {
        final Illusion illusion;
        final int number;
        final String name;
        final boolean actor;
        final Answers told;
        Answer.Who who;
        double high;
        double x;
        double foot;
        double stands;
        Look look = Look.SOLID;
        String without = "";
        boolean front;
        List<Spot> others = List.of();

        Body(Illusion illusion, int number, String name, boolean actor, Answers told) {
            this.illusion = illusion;
            this.number = number;
            this.name = name;
            this.actor = actor;
            this.told = told;
            this.who = actor ? Answer.Who.PERSON : told.choice(Answer.Who.class);
            this.high = actor ? Bodies.PERSON_M : told.number(Fact.SIZE_M);
        }
    }

    Audience(Shot told, double seconds) {
        shot = Rules.assuming(told);
        this.seconds = seconds;
        collect();
        easel = new Easel(frame());
        places();
    }

    private static boolean takesPlace(IllusionKind k) {
        return switch (k) {
            case WIPED, WRITTEN, PASSES_AROUND, OPENING -> false;
            case FLOATS, COPIES, OTHER_SIZE, HIDDEN, MOVED, BECOMES, ELSEWHERE, THROUGH_FRAME, ENERGY, FRAME_BY_FRAME, RESHAPED -> true;
        };
    }

    private static boolean asksForActors(IllusionKind k) {
        return switch (k) {
            case FLOATS, OTHER_SIZE, MOVED, BECOMES, THROUGH_FRAME, PASSES_AROUND, WRITTEN, OPENING -> true;
            case COPIES, HIDDEN, ELSEWHERE, ENERGY, WIPED, FRAME_BY_FRAME, RESHAPED -> false;
        };
    }

    private boolean now(Illusion w) {
        return seconds >= w.fromSeconds() - 1e-9 && seconds <= w.toSeconds() + 1e-9;
    }

    private String id(String name) {
        return Subjects.id(shot, name);
    }

    private void collect() {
        for (int i = 0; i < shot.illusions().size(); i++) {
            Illusion w = shot.illusions().get(i);
            Answers t = Answers.of(w, shot.setting());
            if (takesPlace(w.kind())) {
                int number = i;
                happens(w, t, bodies.computeIfAbsent(id(w.subject()), k -> new Body(w, number, w.subject(), false, t)));
            }
            // Somebody who acts and has no name yet is drawn too: the plan asks for them.
            boolean acts = t.yes(Fact.PERFORMER) && asksForActors(w.kind());
            List<String> told = Case.named(t.answer(Fact.ACTOR));
            for (String name : !acts ? List.<String>of() : told.isEmpty() ? List.of(NOBODY) : told) {
                int number = i;
                Body b = bodies.computeIfAbsent(name.equals(NOBODY) ? NOBODY : id(name), k -> new Body(w, number, name, true, t));
                b.front |= t.yes(Fact.CROSSED) && (t.answer(Fact.FRONT).isBlank() || id(t.answer(Fact.FRONT)).equals(id(name)));
            }
        }
    }

    /// How far it has come, 0 to 1, of something that begins with the illusion and stays till its end.
    private double grown(Illusion w) {
        double span = Math.max(1e-6, (w.toSeconds() - w.fromSeconds()) * RISING_SHARE);
        double t = Math.clamp((seconds - w.fromSeconds()) / span, 0, 1);
        return now(w) ? t * t * (3 - 2 * t) : 0;
    }

    private void happens(Illusion w, Answers t, Body b) {
        boolean now = now(w);
        if (!now && b.illusion == w) {
            b.look = Look.FADED;
        } else if (now && b.look == Look.FADED) {
            b.look = Look.SOLID;
        }
        switch (w.kind()) {
            case FLOATS -> {
                b.stands = t.number(Fact.REST_M);
                b.foot = b.stands + t.number(Fact.HEIGHT_M) * grown(w);
            }
            case OTHER_SIZE -> {
                b.stands = t.number(Fact.REST_M);
                b.foot = b.stands;
                b.high *= t.number(Fact.FACTOR);
            }
            case HIDDEN -> {
                b.without = now && t.is(Answer.HiddenAs.GONE) ? t.answer(Fact.PART) : "";
                b.look = now && t.is(Answer.HiddenAs.THROUGH) ? Look.DASHED : b.look;
            }
            case BECOMES -> becomes(t, b);
            case MOVED -> {
                b.stands = t.number(Fact.REST_M);
                b.foot = b.stands + 0.1 * grown(w);
            }
            case COPIES, ELSEWHERE, THROUGH_FRAME, ENERGY, PASSES_AROUND, WIPED, WRITTEN, FRAME_BY_FRAME, OPENING, RESHAPED -> {}
        }
    }

    private void becomes(Answers t, Body b) {
        boolean after = seconds >= t.number(Fact.AT_S);
        boolean back = t.is(Answer.Turn.BACK) && seconds >= t.number(Fact.BACK_S);
        switch (t.choice(Answer.Turn.class)) {
            case APPEARS -> b.without = after ? "" : "all";
            case VANISHES -> b.without = after ? "all" : "";
            case BECOMES, BACK -> {
                if (after && !back) {
                    b.who = t.choice(Answer.SecondIs.class).who();
                    b.high = t.is(Answer.SecondIs.THING) ? b.high * 0.8 : t.number(Fact.SECOND_SIZE_M);
                }
            }
        }
    }

    private Sketch.Frame frame() {
        Answers t = Answers.of(shot.setting());
        double top = bodies.values().stream().mapToDouble(b -> b.high + b.stands + (!b.actor && b.illusion.kind() == IllusionKind.FLOATS
                ? b.told.number(Fact.HEIGHT_M) : 0)).max().orElse(0);
        double wide = shot.illusions().stream().filter(w -> w.kind() == IllusionKind.COPIES).map(w -> Answers.of(w, shot.setting()))
                .mapToDouble(c -> APART_M * c.number(Fact.COUNT) / c.number(Fact.ROWS)).max().orElse(0);
        double high = t.given(Fact.FRAME_M) ? t.number(Fact.FRAME_M)
                : Math.max(t.number(Fact.FRAME_M), ROOM * Math.max(top, wide * Sketch.HEIGHT / Sketch.WIDTH));
        boolean cropped = !bodies.isEmpty() && bodies.values().stream().allMatch(b -> b.who != Answer.Who.THING && !b.told.yes(Fact.FEET));
        double low = cropped ? bodies.values().stream().mapToDouble(b -> b.stands + b.high / 4).min().orElse(0) : -0.08 * high;
        // A frame that does not hold all of it keeps the heads.
        return Sketch.Frame.of(t.given(Fact.FRAME_M) ? Math.max(low, (1 + HEADROOM) * top - high) : low, high);
    }

    /// Where everyone stands across the frame: as told, else side by side, those who act as far from what they see as was told.
    private void places() {
        List<Body> subjects = bodies.values().stream().filter(b -> !b.actor).toList();
        double wide = easel.frame.wideM();
        for (int i = 0; i < subjects.size(); i++) {
            Body b = subjects.get(i);
            b.x = b.told.given(Fact.ACROSS_M) ? b.told.number(Fact.ACROSS_M) : wide * ((i + 1.0) / (subjects.size() + 1) - 0.5);
        }
        int acting = 0;
        for (Body b : bodies.values().stream().filter(x -> x.actor).toList()) {
            double seen = bodies.getOrDefault(id(b.illusion.subject()), b).x;
            double away = seen - b.told.number(Fact.DISTANCE_M) - 0.5 * acting++;
            b.x = b.told.given(Fact.ACTOR_ACROSS_M) ? b.told.number(Fact.ACTOR_ACROSS_M) : Math.max(-0.42 * wide, away);
            b.look = Look.INK;
        }
        for (Illusion w : shot.illusions()) {
            Body b = bodies.get(id(w.subject()));
            if (w.kind() == IllusionKind.COPIES && b != null && now(w)) {
                b.others = copies(Answers.of(w, shot.setting()), b.x);
            }
        }
    }

    private List<Spot> copies(Answers t, double first) {
        List<Double> told = t.places();
        int many = (int) Math.min(MOST, t.number(Fact.COUNT));
        int rows = (int) Math.min(many, t.number(Fact.ROWS));
        int each = (many + rows - 1) / rows;
        double step = Math.min(0.8 * easel.frame.wideM() / each, t.is(Answer.Touch.APART) ? 1.1 : 0.6);
        List<Spot> out = new ArrayList<>();
        for (int k = 0; k < many; k++) {
            int row = k / each;
            double shifted = k % each - (each - 1) / 2.0 + (row % 2 == 0 ? 0 : 0.5);
            out.add(new Spot(k < told.size() ? told.get(k) : first + shifted * step, row));
        }
        return out;
    }


    Sketch sketch() {
        shot.illusions().stream().filter(w -> w.kind() == IllusionKind.ELSEWHERE).findFirst().ifPresent(w -> hills(now(w)));
        easel.floor();
        bodies.values().stream().filter(b -> b.stands > 0.05).forEach(b -> easel.table(b.x, b.stands, Math.max(0.9, 1.6 * b.high)));
        effects(false);
        bodies.values().stream().filter(b -> !b.front).forEach(this::draw);
        bodies.values().stream().filter(b -> b.front).forEach(this::draw);
        bodies.values().stream().filter(b -> b.actor).forEach(this::looks);
        effects(true);
        return new Sketch(easel.shapes, measures, pieces, easel.frame);
    }

    private void hills(boolean now) {
        double w = easel.frame.wideM();
        double h = easel.frame.highM();
        Look look = now ? Look.PLACE : Look.FADED;
        easel.line(-0.5 * w, 0.42 * h, -0.15 * w, 0.62 * h, look, -1);
        easel.line(-0.15 * w, 0.62 * h, 0.2 * w, 0.45 * h, look, -1);
        easel.line(0.2 * w, 0.45 * h, 0.5 * w, 0.56 * h, look, -1);
    }

    private void draw(Body b) {
        if (b.foot > b.stands + 1e-6) {
            easel.ellipse(b.x, b.stands - 0.01, 0.8 * b.high * (b.who == Answer.Who.THING ? 1 : 0.4), 0.03 * easel.frame.highM() / 2,
                    Look.SHADOW, b.number);
        }
        List<Spot> at = b.others.isEmpty() ? List.of(new Spot(b.x, 0)) : b.others;
        // Those behind lie behind, and a little higher in the picture.
        for (int i = at.size() - 1; i >= 0; i--) {
            easel.body(b.who, at.get(i).x, b.foot + at.get(i).row * ROW_SHARE * easel.frame.highM(), b.high, b.look, b.number, b.without);
        }
        for (int i = 0; i < at.size(); i++) {
            piece(b, at.get(i), at.size() > 1 ? i : -1);
        }
        if (b.foot > b.stands + 0.02) {
            double x = easel.frame.x(b.x + 0.62 * b.high * (b.who == Answer.Who.THING ? 1 : 0.5));
            measures.add(new Sketch.Measure(x, easel.frame.y(b.stands), x, easel.frame.y(b.foot), b.foot - b.stands));
        }
    }

    private void piece(Body b, Spot at, int index) {
        double x = at.x;
        double foot = b.foot + at.row * ROW_SHARE * easel.frame.highM();
        double wide = b.high * (b.who == Answer.Who.THING ? 0.8 : b.who == Answer.Who.ANIMAL ? 1.6 : 0.4);
        Fact up = b.actor || b.illusion.kind() != IllusionKind.FLOATS ? null : Fact.HEIGHT_M;
        Fact across = index >= 0 ? Fact.PLACES : b.actor ? Fact.ACTOR_ACROSS_M : Fact.ACROSS_M;
        String of = index < 0 ? b.illusion.id() : shot.illusions().stream().filter(w -> w.kind() == IllusionKind.COPIES && id(w.subject())
                .equals(id(b.name))).findFirst().orElse(b.illusion).id();
        pieces.add(new Sketch.Piece(
                of, index < 0 ? b.name : b.name + " " + (index + 1), easel.frame.x(x - wide / 2), easel.frame.y(foot + b.high),
                easel.frame.length(wide), easel.frame.length(b.high), across, up, index, b.front));
    }

    private void looks(Body b) {
        Body at = bodies.get(id(b.illusion.subject()));
        if (at != null && at != b && at.others.isEmpty()) {
            easel.line(b.x + Math.copySign(0.05, at.x - b.x), Bodies.EYES_SHARE * b.high, at.x, at.foot + at.high / 2, Look.SIGHT,
                    b.number);
        }
    }

    /// What is neither somebody nor something that stands: openings and pages lie behind, light and writing before.
    private void effects(boolean before) {
        double w = easel.frame.wideM();
        double h = easel.frame.highM();
        double low = easel.frame.bottomM();
        for (int i = 0; i < shot.illusions().size(); i++) {
            Illusion illusion = shot.illusions().get(i);
            Answers t = Answers.of(illusion, shot.setting());
            boolean now = now(illusion);
            Look look = now ? Look.SOLID : Look.FADED;
            Body b = bodies.get(id(illusion.subject()));
            double x = b == null ? w * ((i + 1.0) / (shot.illusions().size() + 1) - 0.5) : b.x;
            double tall = b == null ? t.number(Fact.SIZE_M) : b.high;
            if (before) {
                front(illusion, t, now, i, x, tall);
            } else {
                switch (illusion.kind()) {
                    case OPENING -> easel.ellipse(x, 0.02 * h, 0.24 * h, 0.62 * h, now ? Look.SOLID : Look.DASHED, i);
                    case THROUGH_FRAME -> easel.box(x - (now ? 0.16 : 0) * tall, low + 0.2 * h, 0.75 * tall + 0.12 * h, tall * 0.8
                            + 0.1 * h, now ? Look.LINE : Look.FADED, i);
                    case PASSES_AROUND -> {
                        for (int k = 0; k < 5; k++) {
                            double size = h * (0.04 + 0.03 * k);
                            easel.ellipse(w * (-0.4 + 0.2 * k), low + h * (0.62 - 0.11 * (k % 3)), size, size, look, i);
                        }
                    }
                    case FLOATS, COPIES, OTHER_SIZE, HIDDEN, MOVED, BECOMES, ELSEWHERE, ENERGY, WIPED, WRITTEN, FRAME_BY_FRAME,
                            RESHAPED -> {}
                }
            }
        }
    }

    private void front(Illusion illusion, Answers t, boolean now, int i, double x, double tall) {
        double w = easel.frame.wideM();
        double h = easel.frame.highM();
        double low = easel.frame.bottomM();
        Look look = now ? Look.SOLID : Look.FADED;
        switch (illusion.kind()) {
            case ENERGY -> {
                if (now) {
                    double up = switch (t.choice(Answer.Point.class)) {
                        case HEAD -> 0.95;
                        case CHEST -> 0.7;
                        case HAND, THING -> 0.45;
                    };
                    easel.ellipse(x + 0.2 * tall, up * tall - 0.05 * h, 0.1 * h, 0.1 * h, Look.SOLID, i);
                }
            }
            case MOVED -> easel.line(x - 0.9 * tall, t.number(Fact.REST_M) + 0.4 * tall, x - 0.5 * tall, t.number(Fact.REST_M)
                    + 0.4 * tall, now ? Look.LINE : Look.FADED, i);
            case WIPED -> {
                for (int k = 0; k < 6 && now; k++) {
                    easel.line(w * (-0.45 + 0.15 * k), low + 0.04 * h, w * (-0.33 + 0.15 * k), low + 0.9 * h, Look.LINE, i);
                }
            }
            case WRITTEN -> {
                for (int k = 0; k < 3; k++) {
                    double reach = now ? w * (0.3 - 0.06 * k) : 0.05 * w;
                    easel.line(-0.15 * w, low + h * (0.72 - 0.1 * k), -0.15 * w + reach, low + h * (0.72 - 0.1 * k), now ? Look.LINE
                            : Look.FADED, i);
                }
            }
            case FRAME_BY_FRAME -> {
                for (int k = 1; k <= 2 && now; k++) {
                    easel.body(Answer.Who.THING, x - 0.9 * k * tall, 0.05 * tall * (k % 2), tall, Look.DASHED, i, "");
                }
            }
            case RESHAPED -> {
                if (now && t.is(Answer.Part.TORSO, Answer.Part.ALL)) {
                    easel.ellipse(x, 0.42 * tall, 0.34 * tall * t.number(Fact.AMOUNT), 0.4 * tall, Look.SOLID, i);
                } else if (now) {
                    easel.box(x + 0.2 * tall * t.number(Fact.AMOUNT), 0.72 * tall, 0.3 * tall * t.number(Fact.AMOUNT), 0.06 * tall, look,
                            i);
                }
            }
            case FLOATS, COPIES, OTHER_SIZE, HIDDEN, BECOMES, ELSEWHERE, THROUGH_FRAME, PASSES_AROUND, OPENING -> {}
        }
    }
}
