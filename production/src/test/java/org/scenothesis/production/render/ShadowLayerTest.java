package org.scenothesis.production.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.MatteCase;

/// The shadow that was thrown on a cloth, laid on another picture.
class ShadowLayerTest {
    private static final int WIDTH = 480;

    @TempDir
    Path home;

    private static Plate plate(String id, PlateRole role, String group) {
        return new Plate(id, id, role, Spike.T, group, group, 0, List.of(new Take(id, "footage/" + id + ".png", true, "")));
    }

    private static void write(Path folder, String name, Picture p) throws FootageException {
        Stills.write(folder.resolve("footage").resolve(name + ".png"), p, Stills.Format.PNG16);
    }

    @Test
    void itDarkensTheFloorByWhatTheClothLost() throws Exception {
        try (Bands bands = Bands.pooled(2)) {
            MatteCase.Shots m = new MatteCase(MatteCase.Kind.FLOOR, 0, false, WIDTH).film(bands);
            int h = m.take().height();
            Shot bare = new Shot("1", 1, "", "", 1, List.of(), List.of(), List.of(plate("base", PlateRole.CLEAN, "A"), plate("maker",
                    PlateRole.ON_SCREEN, "B"), plate("cloth", PlateRole.SCREEN_ONLY, "B")), List.of(Layer.of("base", "base", "base")),
                    null);
            Shot shot = Layers.shadowed(bare, Layers.shadow(bare, bare.plate("maker").orElseThrow()));
            Path at = home.resolve("p");
            try (ProductionFolder folder = ProductionFolder.create(at, Lantern.production().withShots(List.of(shot)))) {
                Files.createDirectories(at.resolve("footage"));
                write(at, "base", Picture.filled(WIDTH, h, 0.5f, 0.4f, 0.3f));
                write(at, "maker", m.take());
                write(at, "cloth", m.screenOnly());
                Picture out;
                try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, new Surveyor(folder, bands).contents(), bands)) {
                    out = r.frame(shot, 0);
                }
                double off = 0;
                double deep = 0;
                for (int i = 0; i < WIDTH * h; i++) {
                    if (m.alpha().data()[i] == 0) {
                        off += Math.abs(out.r().data()[i] / 0.5 - m.kept().data()[i]);
                        deep += 1 - m.kept().data()[i];
                    }
                }
                assertThat(deep).as("a shadow").isGreaterThan(1000);
                assertThat(off / deep).isLessThan(0.15);
            }
        }
    }
}
