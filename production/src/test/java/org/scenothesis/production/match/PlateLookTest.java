package org.scenothesis.production.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.media.FootageException;

class PlateLookTest {
    private static final int W = 320;
    private static final int H = 180;
    private static final Point GREY = new Point(0.25, 0.5);

    private static Plate plate(String id, List<Evidence> marks) {
        return new Plate(id, id, PlateRole.ELEMENT, Spike.T, "A", "", 0, List.of()).withMarks(marks);
    }

    /// Patches of many levels, each frame with noise of its own; all of it so much brighter, red the more.
    private static PlateLook.Asked asked(String id, double light, double red, List<Evidence> marks) {
        return new PlateLook.Asked(plate(id, marks), 3, frame -> {
            Picture p = Picture.of(W, H);
            SplittableRandom level = new SplittableRandom(2);
            SplittableRandom noise = new SplittableRandom(frame);
            double[] levels = level.doubles(16L * 16).map(v -> 0.02 + 0.5 * v * v).toArray();
            for (int i = 0; i < W * H; i++) {
                int x = i % W;
                int y = i / W;
                boolean grey = Math.abs(x - GREY.x() * W) < 20 && Math.abs(y - GREY.y() * H) < 20;
                double v = (grey ? 0.18 : levels[y * 16 / H * 16 + x * 16 / W]) * light * (1 + 0.01 * noise.nextGaussian());
                p.r().data()[i] = (float) (v * red);
                p.g().data()[i] = (float) v;
                p.b().data()[i] = (float) v;
            }
            return p;
        });
    }

    @Test
    void theCleanPlateComesFirstAndEveryOtherIsHeldAgainstIt() throws Exception {
        List<PlateLook> all = PlateLook.of(asked("clean", 1, 1, List.of()),
                List.of(asked("same", 1, 1, List.of()), asked("bright", 2, 1, List.of())));
        assertThat(all).extracting(p -> p.plate().id()).containsExactly("clean", "same", "bright");
        assertThat(all.getFirst().against()).as("nothing to hold it against").isNull();
        assertThat(all.get(1).against().judged()).allSatisfy(d -> assertThat(d.verdict()).as(d.what()).isEqualTo(Verdict.HOLDS));
        assertThat(all.get(2).against().blackStops()).as("the clean plate is a stop darker").isCloseTo(-1, within(0.05));
        assertThat(all.get(2).look().brightStops() - all.getFirst().look().brightStops()).isCloseTo(1, within(0.05));
        assertThat(all).allSatisfy(p -> assertThat(p.light()).as("none is marked").isNull());
        assertThat(all.getFirst().look().noise().fromTime()).isTrue();
    }

    @Test
    void whatIsNeutralInBothTellsATone() throws Exception {
        List<Evidence> marks = List.of(new Evidence.Grey(GREY));
        List<PlateLook> all = PlateLook.of(asked("clean", 1, 1, marks),
                List.of(asked("red", 1, 1.5, marks), asked("unmarked", 1, 1.5, List.of())));
        // Half more light is less in code values; the others stay.
        assertThat(all.get(1).byNeutral().slope().r()).isBetween(0.78, 0.88);
        assertThat(all.get(1).byNeutral().slope().g()).isCloseTo(1, within(0.02));
        assertThat(all.get(1).byNeutral().offset().r()).isCloseTo(0, within(1e-3));
        assertThat(all.get(2).byNeutral()).as("not as many are marked in it").isNull();
    }

    @Test
    void aPlateThatCannotBeReadSaysWhyAndTheOthersStandAnyway() throws Exception {
        PlateLook.Asked broken = new PlateLook.Asked(plate("broken", List.of()), 2, i -> {
            throw new FootageException(Path.of("broken.mp4"), "it ends in the middle of a frame.");
        });
        List<PlateLook> all = PlateLook.of(asked("clean", 1, 1, List.of()), List.of(broken, asked("same", 1, 1, List.of())));
        assertThat(all.get(1).look()).isNull();
        assertThat(all.get(1).why()).contains("broken.mp4", "middle of a frame");
        assertThat(all.get(2).look()).isNotNull();
        assertThatExceptionOfType(FootageException.class).as("without a clean plate there is nothing to compare with")
                .isThrownBy(() -> PlateLook.of(broken, List.of()));
    }

    @Test
    void theLightOfAPlateFollowsFromItsOwnMarks() throws Exception {
        List<Evidence> lamp = List.of(new Evidence.Lens(50), new Evidence.Horizon(new Point(0, 0.4), new Point(1, 0.4)),
                new Evidence.Lamp(new Point(0.9, 0.1)));
        List<PlateLook> all = PlateLook.of(asked("clean", 1, 1, lamp), List.of(asked("same", 1, 1, List.of())));
        assertThat(all.getFirst().light().rims()).singleElement().satisfies(r -> assertThat(r.azimuthDeg()).isBetween(15.0, 25.0));
        assertThat(all.get(1).light()).isNull();
    }
}
