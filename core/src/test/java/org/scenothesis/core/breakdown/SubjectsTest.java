package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;

/// A subject that is called otherwise keeps the plates that were filmed of it.
class SubjectsTest {
    private static Shot shot(Illusion... illusions) {
        Shot bare = new Shot("1", 1, "", "", 4, List.of(illusions), List.of(), List.of(), List.of(), null);
        return bare.withPlates(Breakdown.missing(bare, plan(bare), n -> n.key().code()));
    }

    private static BreakdownPlan plan(Shot s) {
        return Breakdown.plan(s, HouseRules.DEFAULT);
    }

    @ParameterizedTest
    @EnumSource(IllusionKind.class)
    void renamingOrphansNoPlateAndAsksForNone(IllusionKind kind) {
        Shot before = shot(new Illusion("w", kind, "the lantern", 0, 3, Map.of()));
        Shot after = Subjects.renamed(before, "w", "A paper lamp, red");
        assertThat(after.illusions().getFirst().subject()).isEqualTo("A paper lamp, red");
        assertThat(plan(after).needs()).extracting(n -> n.key().code()).isEqualTo(plan(before).needs().stream().map(n -> n.key().code())
                .toList());
        assertThat(Breakdown.missing(after, plan(after), n -> n.key().code())).isEmpty();
        Shot again = Subjects.renamed(after, "w", "the moon");
        assertThat(Breakdown.missing(again, plan(again), n -> n.key().code())).isEmpty();
        Shot back = Subjects.renamed(again, "w", "the lantern");
        assertThat(Breakdown.matched(back, plan(back)).values()).containsExactlyInAnyOrderElementsOf(before.plates());
    }

    @Test
    void anotherThatTakesTheOldNameIsAnother() {
        Shot s = Subjects.renamed(shot(new Illusion("w", IllusionKind.FLOATS, "the lantern", 0, 3, Map.of())), "w", "the lamp");
        List<Plate> filmed = s.plates();
        List<Illusion> two = new ArrayList<>(s.illusions());
        two.add(new Illusion("v", IllusionKind.FLOATS, "the lantern", 0, 3, Map.of()));
        Shot both = s.withIllusions(two);
        assertThat(Breakdown.matched(both, plan(both)).values()).containsAll(filmed);
        assertThat(Breakdown.missing(both, plan(both), n -> n.key().code())).extracting(Plate::need)
                .anyMatch(k -> k.contains("the-lantern-2"));
    }

    @Test
    void whoIsInSeveralIllusionsIsRenamedInAll() {
        Shot s = Subjects.renamed(shot(
                new Illusion("w", IllusionKind.COPIES, "the maker", 0, 3, Map.of()),
                new Illusion("v", IllusionKind.OTHER_SIZE, "The maker", 0, 3, Map.of())), "w", "the apprentice");
        assertThat(s.illusions()).extracting(Illusion::subject).containsExactly("the apprentice", "the apprentice");
        assertThat(Breakdown.missing(s, plan(s), n -> n.key().code())).isEmpty();
    }
}
