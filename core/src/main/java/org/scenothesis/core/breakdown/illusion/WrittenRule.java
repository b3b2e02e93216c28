package org.scenothesis.core.breakdown.illusion;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.ConflictKind;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Because;
import org.scenothesis.core.breakdown.method.Demand;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;

/// Written on the air: a title on glass between the camera and an even screen, with a dark hood against reflections, white kept below
/// clipping.
final class WrittenRule implements IllusionRule {
    /// Wiping one line and writing the next.
    private static final double REWRITE_MINUTES = 5;

    @Override
    public IllusionKind kind() {
        return IllusionKind.WRITTEN;
    }

    @Override
    public List<Question> questions(Case c) {
        List<Question> q = new ArrayList<>(Question.about(Fact.TITLES, Fact.WRITTEN_ON));
        if (c.is(Answer.WrittenOn.GLASS)) {
            q.add(Question.about(Fact.HIGH));
        }
        q.addAll(IllusionRule.element(c));
        q.addAll(Question.about(Fact.COLOURS, Fact.PERFORMER));
        if (c.yes(Fact.PERFORMER)) {
            q.addAll(Question.about(Fact.ACTOR, Fact.EYES_M, Fact.DISTANCE_M));
        }
        q.addAll(Question.about(Fact.FILLS, Fact.FILMED_FILLS));
        return q;
    }

    @Override
    public List<Demand> demands(Case c) {
        List<Way> ways = c.is(Answer.WrittenOn.DISPLAY) ? List.of(Way.BLACK, Way.ROTO) : List.of(Way.KEY, Way.BLACK, Way.ROTO);
        return List.of(new Demand(c.subject(), ways, switch (c.choice(Answer.WrittenOn.class)) {
            case GLASS -> Because.WRITTEN_GLASS;
            case WALL -> Because.WRITTEN_WALL;
            case DISPLAY -> Because.WRITTEN_DISPLAY;
        }, Demand.Apart.LIGHT));
    }

    @Override
    public List<PlateNeed> plates(Case c) {
        var t = c.treatment(c.subject());
        List<PlateNeed> needs = new ArrayList<>();
        List<String> lines = Arrays.stream(c.answer(Fact.TITLES).split(";")).map(String::strip).filter(l -> !l.isEmpty()).toList();
        int written = Math.max(1, lines.size());
        PlateNeed title = c.separated(c.subject(), Reason.THING).writing(lines).lasting(c.roll(), written * c.takes())
                .taking((written - 1) * REWRITE_MINUTES);
        needs.add(title.as(title.key(), PlateRole.SURFACE_TITLE, Reason.WRITTEN)
                .with(Item.support("surface." + c.answer(Fact.WRITTEN_ON)))
                .on(t.way() == Way.KEY ? t.cloth() : Screen.BLACK, title.region())
                .recording("below.clip").focusedOn("glass"));
        if (c.yes(Fact.PERFORMER)) {
            needs.add(c.acting(Reason.ACTING_SEES).looking(c.eyelines(c.number(Fact.EYES_M), c.number(Fact.EYES_M))));
        } else {
            needs.add(c.clean(Reason.CLEAN_WRITTEN));
        }
        return needs;
    }

    @Override
    public List<Conflict> conflicts(Case c) {
        return c.is(Answer.WrittenOn.GLASS) && c.is(Answer.Light.SUN)
                ? List.of(Conflict.watch(ConflictKind.GLASS_SUN, c.illusion().id(), c.subject())) : List.of();
    }

    @Override
    public List<KitItem> kit(Case c) {
        return c.is(Answer.WrittenOn.GLASS) ? KitItem.each("glass", "hood", "tape.edges")
                : KitItem.each("surface." + c.answer(Fact.WRITTEN_ON));
    }
}
