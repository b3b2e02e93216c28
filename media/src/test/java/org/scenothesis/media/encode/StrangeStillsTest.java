package org.scenothesis.media.encode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.Point;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.decode.TestPictures;

/// Stills as others write them: sixteen bits, grey, broken light, folders with gaps and mixtures.
class StrangeStillsTest {
    @TempDir
    Path folder;

    /// Sixteen bits a channel; every pixel of a row one step brighter than its left neighbour.
    private Path sixteen(String name, String format, int channels) throws Exception {
        var space = ColorSpace.getInstance(channels == 1 ? ColorSpace.CS_GRAY : ColorSpace.CS_sRGB);
        var model = new ComponentColorModel(space, false, false, BufferedImage.OPAQUE, DataBuffer.TYPE_USHORT);
        var raster = Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, 40, 30, channels, new Point());
        for (int y = 0; y < 30; y++) {
            for (int x = 0; x < 40; x++) {
                for (int c = 0; c < channels; c++) {
                    raster.setSample(x, y, c, 20000 + x + 5000 * c);
                }
            }
        }
        Path file = folder.resolve(name);
        assertThat(ImageIO.write(new BufferedImage(model, raster, false, null), format, file.toFile())).isTrue();
        return file;
    }

    @ParameterizedTest
    @CsvSource({"deep.tif, tiff, 3", "grey.tiff, tiff, 1", "deep.png, png, 3", "grey.png, png, 1"})
    void sixteenBitsAreKept(String name, String format, int channels) throws Exception {
        try (Footage f = Footages.open(sixteen(name, format, channels))) {
            assertThat(f.info().kind()).isEqualTo(FootageInfo.Kind.STILL);
            Picture p = f.frame(0);
            for (int x = 0; x < 40; x++) {
                for (int c = 0; c < 3; c++) {
                    int code = 20000 + x + (channels == 3 ? 5000 * c : 0);
                    assertThat((double) p.colours().get(c).at(x, 7)).isCloseTo(Transfer.SRGB.toLinear(code / 65535.0), Offset.offset(1e-6));
                }
            }
        }
    }

    @Test
    void lightThatIsNoNumberIsBlackAndInfiniteLightIsBounded() throws Exception {
        Picture p = TestPictures.chart(32, 16, 0);
        p.g().data()[5 * 32 + 7] = Float.NaN;
        p.g().data()[6 * 32 + 7] = Float.POSITIVE_INFINITY;
        Path file = folder.resolve("broken-light.exr");
        Stills.write(file, p, Stills.Format.EXR);
        try (Footage f = Footages.open(file)) {
            Picture back = f.frame(0);
            assertThat(back.g().at(7, 5)).isZero();
            assertThat(back.g().at(7, 6)).isEqualTo(65504f);
            assertThat(back.g().at(8, 5)).isCloseTo(p.g().at(8, 5), Offset.offset(1e-3f));
        }
    }

    @Test
    void aMissingStillInAFolderIsNotedByItsNumber() throws Exception {
        for (int i : new int[] {1, 2, 3, 5, 6}) {
            Stills.write(folder.resolve(String.format("take-%04d.png", i)), TestPictures.chart(64, 32, i), Stills.Format.PNG8);
        }
        try (Footage f = Footages.open(folder)) {
            assertThat(f.info().frames()).isEqualTo(5);
            assertThat(f.info().notes()).anyMatch(n -> n.contains("still 4 is missing"));
            assertThat(TestPictures.frameOf(f.frame(3))).isEqualTo(5);
        }
    }

    @Test
    void numbersAreCountedAsNumbers() throws Exception {
        for (int i : new int[] {10, 9, 2, 1}) {
            Stills.write(folder.resolve("shot " + i + ".png"), TestPictures.chart(64, 32, i % 8), Stills.Format.PNG8);
        }
        Files.writeString(folder.resolve("notes.txt"), "not a picture");
        try (Footage f = Footages.open(folder)) {
            assertThat(f.info().frames()).isEqualTo(4);
            assertThat(TestPictures.frameOf(f.frame(1))).isEqualTo(2);
            assertThat(TestPictures.frameOf(f.frame(3))).isEqualTo(2);
            assertThat(TestPictures.frameOf(f.frame(2))).isEqualTo(1);
        }
    }

    @Test
    void aBrokenStillAmongGoodOnesIsSaidWithItsName() throws Exception {
        for (int i = 0; i < 3; i++) {
            Stills.write(folder.resolve("s-" + i + ".png"), TestPictures.chart(64, 32, i), Stills.Format.PNG8);
        }
        byte[] whole = Files.readAllBytes(folder.resolve("s-1.png"));
        Files.write(folder.resolve("s-1.png"), Arrays.copyOf(whole, 30));
        try (Footage f = Footages.open(folder)) {
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> f.frame(1)).withMessageContaining("s-1.png");
            assertThat(TestPictures.frameOf(f.frame(2))).as("the others are still there").isEqualTo(2);
        }
    }

    @ParameterizedTest
    @CsvSource({"empty.png, ''", "words.mp4, this is a shopping list", "words.exr, v/1.0 nearly",
            "list.mov, #EXTM3U http://example.invalid/x.ts"})
    void whatIsNoPictureIsSaidInOneSentence(String name, String content) throws Exception {
        Path file = folder.resolve(name);
        Files.writeString(file, content);
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Footages.open(file))
                .withMessageContaining(name).satisfies(e -> assertThat(e.getMessage()).doesNotContain("\n").hasSizeLessThan(400));
    }

    /// A head that says how large the picture is, and hardly any picture.
    private Path head(int width, int height) throws Exception {
        Path file = folder.resolve(width + "x" + height + ".png");
        ByteBuffer b = ByteBuffer.allocate(33).putLong(0x89504e470d0a1a0aL).putInt(13).put("IHDR".getBytes(StandardCharsets.US_ASCII))
                .putInt(width).putInt(height);
        Files.write(file, b.put(new byte[] {8, 0, 0, 0, 0, 0, 0, 0, 0}).array());
        return file;
    }

    @ParameterizedTest
    @CsvSource({"16384, 16384", "30000, 30000", "2000000, 200", "2147483647, 2147483647"})
    void whatIsTooLargeIsSaidToBeTooLarge(int width, int height) throws Exception {
        Path file = head(width, height);
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Footages.open(file)).withMessageContaining("too large")
                .withMessageContaining(width + "x" + height);
        assertThatExceptionOfType(FootageException.class).as("one that may be").isThrownBy(() -> Footages.open(head(16000, 16000)))
                .withMessageContaining("cut short");
    }

    @Test
    void enormousWindowsOfLightAreTooLargeToo() throws Exception {
        Path file = folder.resolve("light.exr");
        Stills.write(file, TestPictures.chart(32, 16, 0), Stills.Format.EXR);
        byte[] b = Files.readAllBytes(file);
        String text = new String(b, StandardCharsets.ISO_8859_1);
        for (String window : new String[] {"dataWindow", "displayWindow"}) {
            int at = text.indexOf(window) + window.length() + "\0box2i\0".length() + 4;
            ByteBuffer.wrap(b).order(ByteOrder.LITTLE_ENDIAN).position(at).putInt(0).putInt(0).putInt(99_999).putInt(99_999);
        }
        Files.write(file, b);
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Footages.open(file)).withMessageContaining("too large")
                .withMessageContaining("100000x100000");
    }

    @Test
    void anEmptyFolderIsSaid() {
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Footages.open(folder))
                .withMessageContaining(folder.getFileName().toString());
    }
}
