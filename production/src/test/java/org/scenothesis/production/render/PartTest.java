package org.scenothesis.production.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;
import org.scenothesis.testkit.TinyShoot;

class PartTest {
    @TempDir
    Path folder;

    @Test
    void aKeptFrameComesBackWithinTheStepOfAHalfFloat() throws Exception {
        Picture p = TinyShoot.wall();
        p.g().data()[7] = 12.5f;
        Part.write(folder.resolve("a.part"), p);
        Picture back = Part.read(folder.resolve("a.part"));
        assertThat(back.width()).isEqualTo(p.width());
        assertThat(back.height()).isEqualTo(p.height());
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < p.r().data().length; i++) {
                float v = p.colours().get(c).data()[i];
                assertThat(back.colours().get(c).data()[i]).isCloseTo(v, Offset.offset(v / 2000 + 1e-6f));
            }
        }
        try (var files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString())).containsExactly("a.part");
        }
    }

    @Test
    void damagedAndMissingFramesAreSaidByName() throws Exception {
        Path file = folder.resolve("b.part");
        Part.write(file, TinyShoot.wall());
        byte[] whole = Files.readAllBytes(file);
        for (int length : new int[] {0, 5, 8, 9, whole.length - 1}) {
            Files.write(file, Arrays.copyOf(whole, length));
            assertThatExceptionOfType(FootageException.class).as(length + " bytes").isThrownBy(() -> Part.read(file)).withMessageContaining("b.part");
        }
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Part.read(folder.resolve("none.part"))).withMessageContaining("none.part");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Part.write(folder.resolve("no/where.part"), TinyShoot.wall())).withMessageContaining("where.part");
    }
}
