package org.scenothesis.core.breakdown.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.SetState;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;

class DayPlanTest {
    private static final Estimates.Changes COST = Estimates.DEFAULT.changes();

    private static Shot shot(String id, IllusionKind kind, String... facts) {
        Shot s = Shots.of(Shots.illusion(kind, "the maker", facts));
        return new Shot(id, 1, "t", "", 6, s.illusions(), List.of(), List.of(), List.of(), null, s.setting());
    }

    private static Production production() {
        return new Production("p", List.of(shot("1", IllusionKind.COPIES), shot("2", IllusionKind.ELSEWHERE, "source", "existing"),
                shot("3", IllusionKind.RESHAPED, "costume", "inflated")),
                HouseRules.DEFAULT);
    }

    @Test
    void theDayHoldsAllShotsAndBeginsAfterThePreparation() {
        DayPlan day = DayPlan.of(production().withDay(d -> d.calledAt("07:15").preparing(20)));
        assertThat(day.plans()).containsOnlyKeys("1", "2", "3");
        RunningOrder.Step first = day.order().steps().getFirst();
        assertThat(day.clock(first) - first.changeMinutes()).isCloseTo(7 * 60 + 35, within(1e-9));
        assertThat(day.ends()).isCloseTo(7 * 60 + 35 + day.order().minutes(), within(1e-9));
        assertThat(day.own()).isFalse();
        assertThat(day.extraMinutes()).isZero();
    }

    @Test
    void whatIsBroughtForSeveralShotsIsBroughtOnce() {
        DayPlan day = DayPlan.of(production());
        assertThat(day.kit()).extracting(k -> k.code()).doesNotHaveDuplicates().contains("tripod", "costume.sizes", "feet");
        day.plans().values().forEach(p -> p.kit().forEach(k -> assertThat(day.kit()).anySatisfy(all -> {
            assertThat(all.code()).isEqualTo(k.code());
            assertThat(all.count()).isGreaterThanOrEqualTo(k.count());
        })));
    }

    @Test
    void everyoneIsCalledBeforeTheyAreNeededAndNotBeforeTheCrew() {
        DayPlan day = DayPlan.of(production());
        Map<Item, Double> calls = day.calls();
        assertThat(calls).containsKey(Item.person("the maker"));
        for (RunningOrder.Step s : day.order().steps()) {
            s.need().in().stream().filter(calls::containsKey)
                    .forEach(i -> assertThat(calls.get(i)).isLessThanOrEqualTo(day.clock(s) - s.changeMinutes()));
        }
        assertThat(calls.values()).allSatisfy(m -> assertThat(m).isGreaterThanOrEqualTo(9 * 60.0));
    }

    @Test
    void permissionsAreWantedAndRecordedOnesKept() {
        assertThat(DayPlan.of(production()).permissions()).singleElement().satisfies(p -> assertThat(p.complete()).isFalse());
        String id = DayPlan.of(production()).permissions().getFirst().id();
        Permission got = new Permission(id, "background", "an archive", "the town", "by letter", "letter.pdf");
        Permission other = new Permission("gone/sound", "sound", "a", "b", "c", "d");
        assertThat(DayPlan.of(production().withPermissions(List.of(got, other))).permissions()).containsExactlyInAnyOrder(got, other);
    }

    @Test
    void theCrewsOwnOrderIsInForceAndCompared() {
        DayPlan best = DayPlan.of(production());
        List<String> own = new ArrayList<>(best.order().ids());
        own.add(own.removeFirst());
        DayPlan day = DayPlan.of(production().withDay(d -> d.withOrder(own)));
        assertThat(day.order().ids()).isEqualTo(own);
        assertThat(day.own()).isTrue();
        assertThat(day.cheapest().minutes()).isCloseTo(best.order().minutes(), within(1e-6));
        assertThat(day.extraMinutes()).isCloseTo(day.order().minutes() - best.order().minutes(), within(1e-6));
    }

    @Test
    void aProductionWithoutShotsIsAnEmptyDay() {
        DayPlan day = DayPlan.of(new Production("p", List.of(), HouseRules.DEFAULT));
        assertThat(day.order().steps()).isEmpty();
        assertThat(day.calls()).isEmpty();
        assertThat(day.ends()).isCloseTo(9.5 * 60, within(1e-9));
    }

    private static SetState state(String camera, Screen screen, String light, String clothes, boolean card, Item... in) {
        List<Item> all = List.of(in);
        return new SetState(
                camera, screen, light, clothes, new HashSet<>(all.stream().filter(i -> i.sort() == Item.Sort.PERSON).toList()),
                new HashSet<>(all.stream().filter(i -> i.sort() != Item.Sort.PERSON).toList()), card);
    }

    @Test
    void everyChangeIsCountedOnceWithItsHouseMinutes() {
        Item maker = Item.person("the maker");
        Item rod = Item.support("rod");
        SetState bare = state("1/A", Screen.NONE, "1/A", "", false);
        assertThat(Change.between(bare, bare, COST)).isEmpty();
        assertThat(Change.minutes(SetState.EMPTY, bare, COST)).isEqualTo(COST.camera() + COST.light());
        assertThat(Change.minutes(bare, state("1/A", Screen.GREEN, "1/A", "", false, maker, rod), COST))
                .isEqualTo(COST.cloth() + COST.person() + COST.prop());
        assertThat(Change.minutes(state("1/A", Screen.GREEN, "1/A", "", false), state("1/A", Screen.BLUE, "1/A", "", false), COST))
                .isEqualTo(COST.swap());
        assertThat(Change.minutes(bare, state("1/A", Screen.NONE, "1/A", "suit", false, maker), COST))
                .isEqualTo(COST.person() + COST.clothes());
        assertThat(Change.minutes(bare, state("1/A", Screen.NONE, "1/A", "", true), COST)).isEqualTo(COST.card());
        assertThat(Change.minutes(state("1/A", Screen.NONE, "1/A", "", true), bare, COST)).isZero();
        assertThat(Change.minutes(bare, state("1/A", Screen.NONE, "", "", false), COST)).as("a plate of no light group changes none")
                .isZero();
    }

    /// What the collapsing of equal jobs rests on: going by way of a third state is never cheaper.
    @Test
    void noDetourIsCheaperWhereTheLightIsNamed() {
        Random random = new Random(8);
        List<SetState> states = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            Item[] in = random.nextBoolean() ? new Item[] {Item.person("the maker")}
                    : new Item[] {Item.person("the apprentice"), Item.support("rod")};
            states.add(state("1/" + (char) ('A' + random.nextInt(2)), Screen.values()[random.nextInt(3)],
                    "1/" + (char) ('A' + random.nextInt(2)), "", false, in));
        }
        for (SetState a : states) {
            for (SetState b : states) {
                for (SetState c : states) {
                    assertThat(Change.minutes(a, c, COST)).isLessThanOrEqualTo(Change.minutes(a, b, COST) + Change.minutes(b, c, COST)
                            + 1e-9);
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"0 1 2 3, 0, 1, 2, 1 2 0 3", "0 1 2 3, 2, 2, 0, 2 3 0 1", "0 1 2 3, 3, 3, 0, 3 0 1 2", "0 1 2 3, 1, 1, 9, 0 2 3 1"})
    void aRunIsMovedWhole(String before, int at, int length, int to, String after) {
        int[] of = Arrays.stream(before.split(" ")).mapToInt(Integer::parseInt).toArray();
        int[] is = Arrays.stream(after.split(" ")).mapToInt(Integer::parseInt).toArray();
        assertThat(Moves.moved(of, at, length, to)).containsExactly(is);
        assertThat(of).isSorted();
    }
}
