package org.scenothesis.media.encode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import javax.imageio.ImageIO;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.decode.TestPictures;

class StillsTest {
    @TempDir
    Path folder;

    private Picture read(Path p) throws FootageException {
        try (Footage f = Footages.open(p)) {
            return f.frame(0);
        }
    }

    @ParameterizedTest
    @CsvSource({"PNG8, 0.006", "PNG16, 0.0001", "EXR, 0.0006", "JPEG, 0.25"})
    void whatIsWrittenIsReadBack(Stills.Format format, double within) throws FootageException {
        Picture p = TestPictures.chart(96, 54, 2);
        Path file = folder.resolve("still." + format.extension());
        Stills.write(file, p, format);
        Picture q = read(file);
        assertThat(TestPictures.worst(p, q)).isLessThan(within);
        assertThat(TestPictures.mean(p, q)).isLessThan(0.01);
    }

    @ParameterizedTest
    @CsvSource({"PNG8, 0.003", "PNG16, 0.0001", "EXR, 0.001"})
    void alphaIsKeptStraight(Stills.Format format, double within) throws FootageException {
        Plane a = Plane.of(32, 16);
        for (int i = 0; i < a.data().length; i++) {
            a.data()[i] = i / (float) a.data().length;
        }
        Path file = folder.resolve("alpha." + format.extension());
        Stills.write(file, TestPictures.chart(64, 32, 0).withAlpha(null), format);
        Stills.write(file, Picture.filled(32, 16, 0.4f, 0.3f, 0.2f).withAlpha(a), format);
        Picture q = read(file);
        assertThat(q.a()).isNotNull();
        for (int i = 8; i < a.data().length; i += 31) {
            assertThat(q.alpha().data()[i]).isCloseTo(a.data()[i], Offset.offset((float) within));
            assertThat(q.r().data()[i]).isCloseTo(0.4f, Offset.offset(0.006f));
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 61, 37", "0.02, 61, 37", "0, 1, 1", "0.02, 3, 300"})
    void anotherReaderSeesTheSameCodesSmoothOrGrainy(double grain, int w, int h) throws Exception {
        Random random = new Random(4);
        Plane level = Plane.of(w, h);
        for (int i = 0; i < level.data().length; i++) {
            level.data()[i] = (float) Math.clamp(i % w / (double) w + grain * random.nextGaussian(), 0, 1);
        }
        Path file = folder.resolve("still.png");
        Stills.write(file, new Picture(level, level, level, null), Stills.Format.PNG16);
        BufferedImage image = ImageIO.read(file.toFile());
        assertThat(image.getWidth()).isEqualTo(w);
        for (int i = 0; i < level.data().length; i++) {
            int[] codes = image.getRaster().getPixel(i % w, i / w, (int[]) null);
            double expected = Transfer.SRGB.toCode(level.data()[i]) * 65535;
            assertThat(codes).hasSize(3);
            for (int c : codes) {
                assertThat((double) c).isCloseTo(expected, Offset.offset(1.01));
            }
        }
    }

    @Test
    void lightBrighterThanWhiteSurvivesInExr() throws FootageException {
        Path file = folder.resolve("bright.exr");
        Stills.write(file, Picture.filled(16, 16, 7.5f, 0.001f, 2f), Stills.Format.EXR);
        assertThat(read(file).r().at(3, 3)).isCloseTo(7.5f, Offset.offset(0.01f));
    }

    @Test
    void mattesHaveNoCurve() throws FootageException {
        Plane m = Plane.of(40, 20);
        for (int i = 0; i < m.data().length; i++) {
            m.data()[i] = i / 799f;
        }
        Path file = folder.resolve("matte.png");
        Stills.writeMatte(file, m);
        Plane back = Stills.readMatte(file);
        for (int i = 0; i < m.data().length; i++) {
            assertThat(back.data()[i]).isCloseTo(m.data()[i], Offset.offset(3e-5f));
        }
    }

    @Test
    void codeValuesAreSrgb() throws FootageException {
        Path file = folder.resolve("grey.png");
        float half = (float) Transfer.SRGB.toLinear(128 / 255.0);
        Stills.write(file, Picture.filled(8, 8, half, half, half), Stills.Format.PNG8);
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().coding().transfer()).isEqualTo(Transfer.SRGB);
            assertThat(f.frame(0).g().at(2, 2)).isCloseTo(half, Offset.offset(1e-5f));
            assertThat(f.info().kind()).isEqualTo(FootageInfo.Kind.STILL);
            assertThat(f.info().frames()).isEqualTo(1);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"with space.png", "percent%20d.png", "hash#1.png", "colon:x.png", "ümläut-日本.png", "a&b;c.png", "-dash.png",
            "frame%04d.png"})
    void oddNamesArePlainNames(String name) throws FootageException {
        Path file = folder.resolve(name);
        Picture p = TestPictures.chart(64, 32, 1);
        Stills.write(file, p, Stills.Format.PNG16);
        assertThat(TestPictures.worst(p, read(file))).isLessThan(1e-4);
    }

    @Test
    void aFolderThatIsNotThereIsSaid() {
        Path file = folder.resolve("none").resolve("x.png");
        assertThatExceptionOfType(FootageException.class)
                .isThrownBy(() -> Stills.write(file, TestPictures.chart(64, 32, 0), Stills.Format.PNG8)).withMessageContaining("x.png");
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "tiff", "jpg", "bmp"})
    void greyAndColourStillsOfOthersAreReadAsSrgb(String format) throws Exception {
        var image = new BufferedImage(32, 24, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 24; y++) {
            for (int x = 0; x < 32; x++) {
                image.setRGB(x, y, 0x808080);
            }
        }
        Path file = folder.resolve("other." + format);
        assertThat(ImageIO.write(image, format, file.toFile())).isTrue();
        Picture p = read(file);
        assertThat(p.g().at(10, 10)).isCloseTo((float) Transfer.SRGB.toLinear(128 / 255.0), Offset.offset(0.003f));
        assertThat(p.r().at(10, 10)).isCloseTo(p.b().at(10, 10), Offset.offset(0.003f));
    }

    @Test
    void nothingHalfWrittenIsLeft() throws Exception {
        Stills.write(folder.resolve("a.png"), TestPictures.chart(64, 32, 0), Stills.Format.PNG8);
        try (var files = Files.list(folder)) {
            assertThat(files.map(p -> p.getFileName().toString())).containsExactly("a.png");
        }
    }
}
