package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;

/// A subject that is called otherwise keeps the plates that were filmed of it.
class SubjectsTest {
    private static Shot shot(Wonder... wonders) {
        Shot bare = new Shot("1", 1, "", "", 4, List.of(wonders), List.of(), List.of(), List.of(), null);
        return bare.withPlates(Breakdown.missing(bare, plan(bare), PlateNeed::key));
    }

    private static BreakdownPlan plan(Shot s) {
        return Breakdown.plan(s, HouseRules.DEFAULT);
    }

    @ParameterizedTest
    @EnumSource(WonderKind.class)
    void renamingOrphansNoPlateAndAsksForNone(WonderKind kind) {
        Shot before = shot(new Wonder("w", kind, "the lantern", 0, 3, Map.of()));
        Shot after = Subjects.renamed(before, "w", "A paper lamp, red");
        assertThat(after.wonders().getFirst().subject()).isEqualTo("A paper lamp, red");
        assertThat(plan(after).needs()).extracting(PlateNeed::key).isEqualTo(plan(before).needs().stream().map(PlateNeed::key).toList());
        assertThat(Breakdown.missing(after, plan(after), PlateNeed::key)).isEmpty();
        Shot again = Subjects.renamed(after, "w", "the moon");
        assertThat(Breakdown.missing(again, plan(again), PlateNeed::key)).isEmpty();
        Shot back = Subjects.renamed(again, "w", "the lantern");
        assertThat(Breakdown.matched(back, plan(back)).values()).containsExactlyInAnyOrderElementsOf(before.plates());
    }

    @Test
    void anotherThatTakesTheOldNameIsAnother() {
        Shot s = Subjects.renamed(shot(new Wonder("w", WonderKind.FLOATS, "the lantern", 0, 3, Map.of())), "w", "the lamp");
        List<Plate> filmed = s.plates();
        List<Wonder> two = new ArrayList<>(s.wonders());
        two.add(new Wonder("v", WonderKind.FLOATS, "the lantern", 0, 3, Map.of()));
        Shot both = s.withWonders(two);
        assertThat(Breakdown.matched(both, plan(both)).values()).containsAll(filmed);
        assertThat(Breakdown.missing(both, plan(both), PlateNeed::key)).extracting(Plate::need).anyMatch(k -> k.contains("the-lantern-2"));
    }

    @Test
    void whoIsInSeveralWondersIsRenamedInAll() {
        Shot s = Subjects.renamed(shot(
                new Wonder("w", WonderKind.COPIES, "the maker", 0, 3, Map.of()), new Wonder("v", WonderKind.OTHER_SIZE, "The maker", 0, 3, Map.of())), "w", "the apprentice");
        assertThat(s.wonders()).extracting(Wonder::subject).containsExactly("the apprentice", "the apprentice");
        assertThat(Breakdown.missing(s, plan(s), PlateNeed::key)).isEmpty();
    }
}
