package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.testkit.KeyCase;

/// The documented examples of productions written by hand: each says only what it must, opens and renders.
class ExamplesTest {
    @TempDir
    Path home;

    private final Bands bands = Bands.sequential();

    private ProductionFolder laid(String example) throws Exception {
        Files.createDirectories(home.resolve("footage"));
        Files.copy(Path.of("../docs/examples").resolve(example), home.resolve(ProductionFolder.FILE));
        return ProductionFolder.open(home);
    }

    private Picture frame(ProductionFolder folder, double seconds) throws Exception {
        Shot shot = folder.production().shots().getFirst();
        try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, new Surveyor(folder, bands).contents(), bands)) {
            return r.frame(shot, seconds);
        }
    }

    @Test
    void aBallIsKeyedSizedAndGoesAcrossTheRoom() throws Exception {
        try (ProductionFolder folder = laid("ball-over-room.json")) {
            Stills.write(home.resolve("footage/room.png"), Picture.filled(160, 90, 0.05f, 0.05f, 0.3f), Stills.Format.PNG16);
            Stills.write(home.resolve("footage/ball.png"), KeyCase.FLAT.film(320, bands).take(), Stills.Format.PNG16);
            Picture before = frame(folder, 0);
            Picture after = frame(folder, 1);
            assertThat(before.width()).as("as told, not as filmed").isEqualTo(320);
            assertThat(red(before, 0, 160)).as("it begins at the left").isGreaterThan(20 * red(after, 0, 160));
            assertThat(red(after, 160, 320)).isGreaterThan(20 * red(before, 160, 320));
        }
    }

    /// How much redder a part of the picture is than the room.
    private static double red(Picture p, int from, int to) {
        double sum = 1;
        for (int y = 0; y < p.height(); y++) {
            for (int x = from; x < to; x++) {
                sum += Math.max(0, p.r().at(x, y) - 0.06);
            }
        }
        return sum;
    }

    @Test
    void aSheetIsPinnedToAWallAndComesAtOneSecond() throws Exception {
        try (ProductionFolder folder = laid("picture-on-a-wall.json")) {
            Stills.write(home.resolve("footage/wall.png"), Picture.filled(160, 90, 0.1f, 0.1f, 0.1f), Stills.Format.PNG16);
            Stills.write(home.resolve("footage/sheet.png"), Picture.filled(160, 90, 0.6f, 0.6f, 0.6f), Stills.Format.PNG16);
            assertThat(folder.production().shots().getFirst().layers().get(1).blend()).isEqualTo(Blend.LIGHTEN);
            assertThat(frame(folder, 0.9).g().at(60, 45)).isCloseTo(0.1f, within(1e-3f));
            assertThat(frame(folder, 1).g().at(60, 45)).isCloseTo(0.6f, within(1e-3f));
            assertThat(frame(folder, 1).g().at(140, 45)).isCloseTo(0.1f, within(1e-3f));
        }
    }
}
