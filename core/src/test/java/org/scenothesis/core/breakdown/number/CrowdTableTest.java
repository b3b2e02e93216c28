package org.scenothesis.core.breakdown.number;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.IllusionKind;

class CrowdTableTest {
    private static BreakdownPlan crowd(int count, int rows, int directions, int apart) {
        return Breakdown.plan(Shots.of(Shots.illusion(IllusionKind.COPIES, "the guests", "count", String.valueOf(count), "rows",
                String.valueOf(rows), "directions", String.valueOf(directions), "apartShare",
                String.valueOf(apart))), HouseRules.DEFAULT.withApproach(Approach.COPIES, "repeat"));
    }

    @ParameterizedTest
    @CsvSource({"16, 2, 1, 25", "48, 3, 3, 25", "100, 4, 2, 15", "7, 1, 3, 40", "500, 10, 5, 10"})
    void everyPlaceIsFilledOnceByAPerformanceOfItsDirection(int count, int rows, int directions, int apart) {
        BreakdownPlan p = crowd(count, rows, directions, apart);
        CrowdTable t = p.crowds().getFirst();
        assertThat(t.rows()).hasSize(count).extracting(CrowdTable.Row::place).doesNotHaveDuplicates();
        Map<Integer, Set<Integer>> seenFrom = new HashMap<>();
        t.rows().forEach(r -> seenFrom.computeIfAbsent(r.performance(), k -> new HashSet<>()).add(r.direction()));
        assertThat(seenFrom.values()).allSatisfy(d -> assertThat(d).hasSize(1));
        assertThat(t.rows()).filteredOn(r -> !r.repeat()).hasSize(t.performances());
        // A plate and a pair of marks for every performance, and an empty frame for every direction.
        assertThat(p.needs()).filteredOn(n -> n.key().code().startsWith("figure-")).hasSize(t.performances());
        assertThat(p.needs()).filteredOn(n -> n.key().code().startsWith("clean-")).hasSize(directions);
        assertThat(p.kit()).contains(new KitItem("feet", t.performances()));
        for (int k = 1; k <= t.performances(); k++) {
            String group = t.direction(k) == 1 ? "A" : "A" + t.direction(k);
            assertThat(p.need("figure-the-guests-" + k).map(PlateNeed::lockGroup)).contains(group);
        }
    }

    @Test
    void thirdsAndRowsAreThoseOfThePlaces() {
        List<Point> places = Crowd.places(6, 2);
        CrowdTable t = CrowdTable.of("x", List.of(Crowd.spread(places, 6)), List.of(places), List.of(2));
        List<CrowdTable.Third> thirds = new ArrayList<>();
        t.rows().forEach(r -> thirds.add(r.third()));
        assertThat(thirds.subList(0, 3)).containsExactly(CrowdTable.Third.LEFT, CrowdTable.Third.MIDDLE, CrowdTable.Third.RIGHT);
        assertThat(t.rows()).extracting(CrowdTable.Row::row).containsExactly(1, 1, 1, 2, 2, 2);
        assertThat(t.performances()).isEqualTo(6);
    }

    @Test
    void repeatsOfOneDirectionStayAsFarApartAsWasAsked() {
        BreakdownPlan p = crowd(48, 3, 3, 25);
        List<Point> places = Crowd.places(16, 3);
        CrowdTable t = p.crowds().getFirst();
        for (CrowdTable.Row a : t.rows()) {
            for (CrowdTable.Row b : t.rows()) {
                if (a.place() < b.place() && a.performance() == b.performance()) {
                    Point x = places.get((a.place() - 1) % 16);
                    Point y = places.get((b.place() - 1) % 16);
                    assertThat(Math.hypot(x.x() - y.x(), x.y() - y.y())).isGreaterThanOrEqualTo(0.25 - 1e-9);
                }
            }
        }
    }

    @Test
    void aFewNeedNoTable() {
        assertThat(crowd(3, 1, 1, 25).crowds()).isEmpty();
        assertThat(crowd(4, 1, 1, 25).crowds()).hasSize(1);
    }
}
