package org.scenothesis.core.breakdown.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Topic;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

class InfluenceTest {
    private static final Shot FLOATS = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern", "performer", "yes", "actor",
            "the maker"));
    private static final Influence ABOUT = new Influence(FLOATS, HouseRules.DEFAULT);

    @Test
    void anAnswerSaysWhatItWouldChangeBeforeItIsGiven() {
        PlanDifference d = ABOUT.answer(FLOATS.illusions().getFirst().id(), Fact.GLOWS, "yes");
        assertThat(d.added()).extracting(PlateNeed::role).containsExactly(PlateRole.LIGHT_PASS);
        assertThat(d.gone()).isEmpty();
        assertThat(d.minutes()).isPositive();
        assertThat(d.none()).isFalse();
        assertThat(ABOUT.answer(FLOATS.illusions().getFirst().id(), Fact.GLOWS, "no").none()).as("that is how it is").isTrue();
    }

    @Test
    void whoeverComesToTheFrontIsFilmedOtherwise() {
        PlanDifference d = ABOUT.answer(FLOATS.illusions().getFirst().id(), Fact.CROSSED, "yes");
        assertThat(d.changed()).filteredOn(c -> c.after().key().equals(PlateKey.ACTING)).hasSize(1)
                .allSatisfy(c -> assertThat(c.parts()).contains(PlanDifference.Part.GROUND));
    }

    @Test
    void aPlateNamesTheChoicesItHangsOn() {
        PlateNeed screen = need(PlateRole.SCREEN_ONLY);
        assertThat(ABOUT.causes(screen)).anySatisfy(c -> {
            assertThat(c.fact()).isEqualTo(Fact.MOTION);
            assertThat(c.other()).isEqualTo("still");
            assertThat(c.told()).isFalse();
        });
        List<Influence.Cause> acting = ABOUT.causes(need(PlateRole.PRACTICAL));
        assertThat(acting).anySatisfy(c -> assertThat(c.fact()).isEqualTo(Fact.PERFORMER))
                .noneSatisfy(c -> assertThat(c.fact()).isEqualTo(Fact.MOTION));
        for (Influence.Cause c : acting) {
            assertThat(Breakdown.plan(Influence.answered(FLOATS, c.illusion(), c.fact(), c.other()), HouseRules.DEFAULT).need("acting"))
                    .isEmpty();
        }
    }

    private static PlateNeed need(PlateRole role) {
        return Breakdown.plan(FLOATS, HouseRules.DEFAULT).needs().stream().filter(n -> n.role() == role).findFirst().orElseThrow();
    }

    @Test
    void thereAndBackIsNoDifference() {
        Weighed a = Weighed.of(FLOATS, HouseRules.DEFAULT);
        Weighed b = Weighed.of(Influence.answered(FLOATS, "", Fact.BASE, "existing"), HouseRules.DEFAULT);
        PlanDifference to = PlanDifference.between(a, b);
        PlanDifference back = PlanDifference.between(b, a);
        assertThat(to.added()).isEqualTo(back.gone());
        assertThat(to.raised()).isEqualTo(back.settled());
        assertThat(to.minutes()).isCloseTo(-back.minutes(), within(1e-9));
        assertThat(PlanDifference.between(b, b).none()).isTrue();
    }

    @Test
    void everyQuestionLiesInAGroupAndFewComeFirst() {
        for (IllusionKind k : IllusionKind.values()) {
            Shot s = Shots.of(Shots.illusion(k, "the maker"));
            long first = Breakdown.questions(s, s.illusions().getFirst(), HouseRules.DEFAULT).stream()
                    .filter(q -> Topic.of(q.fact()) == Topic.FIRST).count();
            assertThat(first).as("%s", k).isBetween(1L, 7L);
        }
        assertThat(Arrays.stream(Fact.values()).filter(f -> Topic.of(f) == Topic.HELD)).hasSizeLessThan(25);
    }
}
