package org.scenothesis.core.breakdown.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;

class OrderSolverTest {
    /// A problem with random costs, groups and precedences that some order satisfies.
    private static OrderProblem random(Random r, int n, int groups) {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        Job some = RunningOrder.jobs(s, Breakdown.plan(s, HouseRules.DEFAULT), HouseRules.DEFAULT).getFirst();
        double[][] cost = new double[n][n];
        double[] first = new double[n];
        int[] lock = new int[n];
        int[] light = new int[n];
        BitSet[] before = new BitSet[n];
        for (int i = 0; i < n; i++) {
            first[i] = r.nextInt(20);
            lock[i] = i * groups / n;
            light[i] = r.nextInt(4) - 1;
            before[i] = new BitSet();
            for (int j = 0; j < n; j++) {
                cost[i][j] = r.nextInt(30);
                if (j < i && r.nextInt(6) == 0) {
                    before[i].set(j);
                }
            }
        }
        return new OrderProblem(Collections.nCopies(n, some), cost, first, before, lock, light);
    }

    private static double bruteForce(OrderProblem p, int[] order, int at) {
        if (at == order.length) {
            return p.permits(order) ? p.minutes(order) : Double.POSITIVE_INFINITY;
        }
        double best = Double.POSITIVE_INFINITY;
        for (int i = at; i < order.length; i++) {
            swap(order, at, i);
            best = Math.min(best, bruteForce(p, order, at + 1));
            swap(order, at, i);
        }
        return best;
    }

    private static void swap(int[] a, int i, int j) {
        int t = a[i];
        a[i] = a[j];
        a[j] = t;
    }

    @RepeatedTest(20)
    void smallDaysAreOrderedAsWellAsTryingEverything(RepetitionInfo round) {
        Random r = new Random(round.getCurrentRepetition());
        int n = 1 + r.nextInt(8);
        OrderProblem p = random(r, n, 1 + r.nextInt(3));
        OrderSolver.Result best = OrderSolver.solve(p);
        assertThat(p.permits(best.order())).isTrue();
        assertThat(best.exact()).isTrue();
        assertThat(best.minutes()).isCloseTo(bruteForce(p, IntStream.range(0, n).toArray(), 0), within(1e-9));
    }

    @RepeatedTest(10)
    void searchedSequencesComeWithinFivePercentOfTheBest(RepetitionInfo round) {
        Random r = new Random(100 + round.getCurrentRepetition());
        OrderProblem p = random(r, 40, 11);
        double exact = OrderSolver.solve(p).minutes();
        OrderSolver.Result searched = OrderSolver.solve(p, null, 0);
        assertThat(p.permits(searched.order())).isTrue();
        assertThat(searched.minutes()).isBetween(exact - 1e-9, exact * 1.05);
    }

    @RepeatedTest(10)
    void theCrewsOwnOrderIsNeverBeaten(RepetitionInfo round) {
        Random r = new Random(200 + round.getCurrentRepetition());
        OrderProblem p = random(r, 60, 24);
        int[] own = IntStream.range(0, 60).toArray();
        assertThat(p.permits(own)).isTrue();
        OrderSolver.Result good = OrderSolver.solve(p, own, OrderSolver.EXACT_GROUPS);
        assertThat(p.permits(good.order())).isTrue();
        assertThat(good.minutes()).isLessThanOrEqualTo(p.minutes(own));
    }

    @Test
    void aGroupTooLargeToBeExactIsStillOrderedWithinItsRules() {
        OrderProblem p = random(new Random(5), 30, 1);
        OrderSolver.Result r = OrderSolver.solve(p);
        assertThat(r.exact()).isFalse();
        assertThat(p.permits(r.order())).isTrue();
        List<Integer> shuffled = new ArrayList<>(IntStream.range(0, 30).boxed().toList());
        double mean = IntStream.range(0, 50).mapToDouble(i -> {
            Collections.shuffle(shuffled, new Random(i));
            return p.minutes(shuffled.stream().mapToInt(x -> x).toArray());
        }).average().orElseThrow();
        assertThat(r.minutes()).isLessThan(0.7 * mean);
    }

    @Test
    void manyFiguresOfOnePersonAreOrderedExactly() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.COPIES, "the maker", "count", "12", "touch", "overlap"));
        RunningOrder o = RunningOrder.cheapest(s, HouseRules.DEFAULT);
        assertThat(o.steps()).hasSizeGreaterThan(GroupPaths.MOST);
        assertThat(o.exact()).isTrue();
        assertThat(o.broken()).isEmpty();
        assertThat(o.ids()).doesNotHaveDuplicates();
    }

    @Test
    void aCrowdOfHundredsIsStillOrderedWithoutBreakingAnything() {
        Shot s = Shots.of(
                Shots.illusion(IllusionKind.COPIES, "the maker", "count", "400", "apartShare", "100"),
                Shots.illusion(IllusionKind.COPIES, "the apprentice", "count", "300", "apartShare", "100", "touch", "overlap"),
                Shots.illusion(IllusionKind.FLOATS, "the lantern", "glows", "yes"));
        RunningOrder o = RunningOrder.cheapest(s, HouseRules.DEFAULT);
        assertThat(o.steps()).hasSizeGreaterThan(700);
        assertThat(o.broken()).isEmpty();
        assertThat(o.ids()).doesNotHaveDuplicates();
        assertThat(o.exact()).isTrue();
    }

    @Test
    void amongEqualsTheSunlitGroupIsKeptTogether() {
        OrderProblem p = random(new Random(1), 4, 1);
        double[][] flat = new double[4][4];
        BitSet[] free = new BitSet[4];
        Arrays.setAll(free, i -> new BitSet());
        OrderProblem even = new OrderProblem(p.jobs(), flat, new double[4], free, new int[4], new int[] {0, -1, 0, -1});
        List<Integer> order = Arrays.stream(OrderSolver.solve(even).order()).boxed().toList();
        assertThat(Math.abs(order.indexOf(0) - order.indexOf(2))).isEqualTo(1);
    }

    @Test
    void amongEqualsTwoCamerasInOneSunFollowEachOther() {
        OrderProblem p = random(new Random(1), 4, 4);
        BitSet[] free = new BitSet[4];
        Arrays.setAll(free, i -> new BitSet());
        OrderProblem even = new OrderProblem(p.jobs(), new double[4][4], new double[4], free, new int[] {0, 1, 2, 3},
                new int[] {0, -1, -1, 0});
        for (int exact : new int[] {OrderSolver.EXACT_GROUPS, 0}) {
            List<Integer> order = Arrays.stream(OrderSolver.solve(even, null, exact).order()).boxed().toList();
            assertThat(Math.abs(order.indexOf(0) - order.indexOf(3))).as("%s", order).isEqualTo(1);
        }
    }

    @Test
    void aDayWithNothingToDoIsDone() {
        assertThat(OrderSolver.solve(random(new Random(1), 0, 1)).order()).isEmpty();
    }

    @Test
    void ownOrdersArePricedAndWhatTheyBreakIsSaid() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        var p = new Production("p", List.of(s), HouseRules.DEFAULT);
        RunningOrder best = RunningOrder.cheapest(p);
        List<String> own = best.moved(best.ids().getFirst(), best.ids().size() - 1);
        RunningOrder bad = DayPlan.of(p.withDay(d -> d.withOrder(own))).order();
        assertThat(bad.ids()).isEqualTo(own);
        assertThat(bad.broken()).isNotEmpty().allSatisfy(b -> assertThat(b.kind()).isEqualTo(RunningOrder.Broken.Kind.AFTER));
        assertThat(bad.minutes()).isGreaterThanOrEqualTo(best.minutes() - 10);
        RunningOrder partial = DayPlan.of(p.withDay(d -> d.withOrder(List.of("1/gone", best.ids().getLast())))).order();
        assertThat(partial.ids()).hasSameSizeAs(best.ids()).startsWith(best.ids().getLast());
    }

    @Test
    void everyChangeHasItsMinutes() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        RunningOrder o = RunningOrder.cheapest(s, HouseRules.DEFAULT);
        assertThat(o.steps().getFirst().changes()).extracting(Change::kind).contains(Change.Kind.CAMERA);
        assertThat(o.changesByKind().get(Change.Kind.CAMERA)[0]).isEqualTo(1);
        assertThat(o.steps().stream().mapToDouble(RunningOrder.Step::changeMinutes).sum()).isCloseTo(o.changeMinutes(), within(1e-9));
        double rolls = o.steps().stream().mapToDouble(x -> x.job().minutes()).sum();
        assertThat(o.minutes()).isCloseTo(o.changeMinutes() + rolls, within(1e-9));
        Estimates dear = HouseRules.DEFAULT.estimates().withChanges(new Estimates.Changes(100, 12, 18, 2, 4, 10, 8, 1));
        assertThat(RunningOrder.cheapest(s, HouseRules.DEFAULT.withEstimates(dear)).minutes()).isGreaterThan(o.minutes());
    }
}
