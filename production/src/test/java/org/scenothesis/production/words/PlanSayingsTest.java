package org.scenothesis.production.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.compare.Influence;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.fact.Topic;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;

/// Whatever a plan, a difference or a card has to say has words.
class PlanSayingsTest {
    private static Shot shot(IllusionKind kind, Map<String, String> facts) {
        Illusion w = new Illusion("w", kind, "the maker", 1, 5, facts);
        return new Shot("1", 1, "t", "", 6, List.of(w), List.of(), List.of(), List.of(), null, new Setting(Map.of(), null));
    }

    @ParameterizedTest
    @EnumSource(IllusionKind.class)
    void everyAnswerSaysWhatItWouldChange(IllusionKind kind) {
        Shot s = shot(kind, Map.of());
        Influence about = new Influence(s, HouseRules.DEFAULT);
        for (Question q : Breakdown.questions(s, s.illusions().getFirst(), HouseRules.DEFAULT)) {
            for (String a : q.answers()) {
                PlanDifference d = about.answer("w", q.fact(), a);
                assertThat(DifferenceWords.brief(d)).as("%s %s", q.fact(), a).isNotBlank().doesNotContain("differs.")
                        .doesNotContain("onflict.");
                assertThat(DifferenceWords.lines(d)).allSatisfy(l -> {
                    assertThat(l.what()).isNotBlank().doesNotContain("differs.").doesNotContain("figure.").doesNotContain("onflict.");
                    assertThat(l.mark()).isIn("+", "\u2212", "~");
                });
            }
        }
    }

    @Test
    void everythingThatCanBeAskedAndAnsweredHasWords() {
        for (Fact f : Fact.values()) {
            if (f == Fact.METHOD || f == Fact.DECLINED) {
                continue;
            }
            boolean drawn = f == Fact.ACROSS_M || f == Fact.ACTOR_ACROSS_M || f == Fact.PLACES;
            assertThat(drawn || Words.has("ask." + f.key())).as(f.key()).isTrue();
            f.answers().forEach(a -> assertThat(Words.has("answer." + f.key() + "." + a) || Words.has("answer." + a))
                    .as("%s %s", f.key(), a).isTrue());
        }
        Arrays.stream(Topic.values()).filter(t -> t != Topic.FIRST).forEach(t -> assertThat(Words.has("topic." + t)).as("%s", t).isTrue());
    }

    @Test
    void readyIllusionsHaveCardsAndReasonsInWords() {
        for (ReadyMadeShot i : ReadyMadeShots.shipped().all()) {
            Shot s = i.into(new Shot("1", 1, "", "", 6, List.of(), List.of(), List.of(), List.of(), null));
            BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
            Stream<String> said = Stream.concat(
                    p.cards().stream().flatMap(c -> Stream.concat(CardWords.lines(p, c).stream(), Stream.of(CardWords.brief(c)))),
                    p.needs().stream().flatMap(n -> Stream.concat(PlanWords.notes(n).stream(),
                    Stream.of(PlanWords.why(p, n), PlanWords.skip(n), PlanWords.name(n)))));
            assertThat(said).as(i.id()).allSatisfy(l -> assertThat(l).isNotBlank().doesNotContain("card.").doesNotContain("why.")
                    .doesNotContain("record.").doesNotContain("{"));
        }
    }

    @Test
    void whatAPlateHangsOnIsSaidWithWhetherItWasTold() {
        Shot s = shot(IllusionKind.FLOATS, Map.of("glows", "yes"));
        BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
        List<String> said = new Influence(s, HouseRules.DEFAULT).causes(p.need("light-the-maker").orElseThrow()).stream()
                .map(DifferenceWords::cause).toList();
        assertThat(said).contains("Does it give off light? Entered: yes. With \u201cno\u201d this plate is not needed.");
        assertThat(said).anySatisfy(c -> assertThat(c).contains("Assumed: filmed here"));
    }

    @Test
    void aMergedPlateSaysEveryReasonOnce() {
        Illusion floats = new Illusion("a", IllusionKind.FLOATS, "the lantern", 1, 5, Map.of("performer", "yes", "actor", "the maker"));
        Illusion energy = new Illusion("b", IllusionKind.ENERGY, "the glow", 1, 5, Map.of("actor", "the maker"));
        Shot s = new Shot("1", 1, "t", "", 6, List.of(floats, energy), List.of(), List.of(), List.of(), null);
        BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
        String why = PlanWords.why(p, p.need("acting").orElseThrow());
        assertThat(why).contains(Words.of("why.acting.sees")).contains(Words.of("why.acting.energy"));
        assertThat(why.indexOf(Words.of("why.acting.sees"))).isEqualTo(why.lastIndexOf(Words.of("why.acting.sees")));
    }
}
