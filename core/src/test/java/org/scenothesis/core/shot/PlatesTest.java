package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.HouseRules;

class PlatesTest {
    private static Plate plate(String id, String... takes) {
        return new Plate(id, id, PlateRole.PRACTICAL, Spike.T, "A", "A", 0, Arrays.stream(takes)
                .map(t -> new Take(t, "footage/" + t, true, "")).toList());
    }

    private static Shot shot() {
        Shot s = new Shot("1", 1, "", "", 4, List.of(), List.of(), List.of(plate("a", "a1", "a2"), plate("b", "b1"), plate("c")),
                List.of(), null);
        return s.withLayers(List.of(Layer.of("base", "", "a"), Layer.light("glow", "", "b", "a")));
    }

    @Test
    void aTakeGoesToAnotherPlateOnceAndIsNotTheCircledOneThere() {
        Shot s = Plates.takeMoved(shot(), "a1", "b");
        assertThat(s.plate("a").orElseThrow().takes()).extracting(Take::id).containsExactly("a2");
        assertThat(s.plate("b").orElseThrow().takes()).extracting(Take::id).containsExactly("b1", "a1");
        assertThat(s.plate("b").orElseThrow().take("a1").orElseThrow().circled()).isFalse();
        assertThat(Plates.takeMoved(s, "a1", "b")).isEqualTo(s);
        assertThat(Plates.takeMoved(s, "a2", "gone")).isEqualTo(s);
        assertThat(Plates.takeAway(s, "b1").plate("b").orElseThrow().takes()).hasSize(1);
    }

    @Test
    void aPlateThatLayersNeedStays() {
        assertThat(Plates.users(shot(), "a")).extracting(Layer::id).containsExactly("base", "glow");
        assertThat(Plates.away(shot(), "a")).isEqualTo(shot());
        assertThat(Plates.away(shot(), "c").plates()).hasSize(2);
    }

    @Test
    void whatIsPutTogetherIsReadFromTheOneThatStays() {
        Shot s = Plates.merged(shot(), "a", "b");
        assertThat(s.plates()).extracting(Plate::id).containsExactly("b", "c");
        assertThat(s.plate("b").orElseThrow().chosen().id()).isEqualTo("b1");
        assertThat(s.layers().getFirst().source()).isEqualTo(new Source.OfPlate("b"));
        assertThat(s.layers().get(1).source()).isEqualTo(new Source.LightGained("b", "b"));
        assertThat(Plates.merged(shot(), "a", "a")).isEqualTo(shot());
        assertThat(Plates.merged(shot(), "a", "gone")).isEqualTo(shot());
    }

    @Test
    void shotsAreAddedCopiedMovedAndTakenAway() {
        Production p = Shots.added(Shots.added(new Production("t", List.of(shot()), HouseRules.DEFAULT)));
        assertThat(p.shots()).extracting(Shot::id).containsExactly("1", "2", "3");
        Production copied = Shots.copied(p, "1");
        assertThat(copied.shots()).extracting(Shot::id).containsExactly("1", "4", "2", "3");
        assertThat(copied.shot("4").layers()).isEqualTo(shot().layers());
        assertThat(Shots.moved(p, "3", -9).shots().getFirst().id()).isEqualTo("3");
        assertThat(Shots.without(p, "1").shots()).hasSize(2);
        assertThat(Shots.copied(p, "9")).isEqualTo(p);
        assertThat(Shots.moved(p, "9", 1)).isEqualTo(p);
    }

    @Test
    void aTrayGoesWhenItsLastTakeIsSorted() {
        Shot s = shot().withPlateAdded(Plates.made(shot(), "tray", "Tray", PlateRole.UNSORTED))
                .withPlate("tray", p -> p.withTakeAdded(new Take("x", "footage/x.mp4", false, ""))
                .withTakeAdded(new Take("y", "footage/y.mp4", false, "")));
        Shot one = Plates.takeApart(s, "x", PlateRole.BACKGROUND, "B");
        assertThat(one.plates().getLast()).extracting(Plate::role, Plate::name, Plate::lockGroup)
                .containsExactly(PlateRole.BACKGROUND, "B", "");
        assertThat(one.plates().getLast().id()).as("b is another's").isEqualTo("b-2");
        assertThat(one.plate("tray").orElseThrow().takes()).extracting(Take::id).containsExactly("y");
        assertThat(Plates.takeMoved(one, "y", "b").plate("tray")).isEmpty();
        assertThat(Plates.takeApart(s, "gone", PlateRole.BACKGROUND, "B")).isEqualTo(s);
    }

    @Test
    void anotherRoleBringsItsUsualGroupsUnlessOthersWereTold() {
        Plate sky = Plates.made(shot(), "sky", "Sky", PlateRole.PRACTICAL);
        assertThat(Plates.as(sky, PlateRole.BACKGROUND)).extracting(Plate::lockGroup, Plate::lightGroup).containsExactly("", "");
        assertThat(Plates.as(sky.withLockGroup("B"), PlateRole.BACKGROUND)).extracting(Plate::lockGroup, Plate::lightGroup)
                .containsExactly("B", "");
        assertThat(Plates.as(Plates.as(sky, PlateRole.ON_BLACK), PlateRole.LIGHT_PASS)).extracting(Plate::lockGroup, Plate::lightGroup)
                .containsExactly("A", "");
    }
}
