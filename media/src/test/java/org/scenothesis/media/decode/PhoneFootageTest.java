package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

/// What phones do to footage: pictures stored lying, uneven frame times, sound.
class PhoneFootageTest {
    private static final int ONE = 1 << 16;

    @TempDir
    Path folder;

    private Path film(String name, VideoFormat format, Path sound) throws FootageException {
        Path file = folder.resolve(name);
        try (VideoSink s = new VideoSink(file, new VideoSink.Plan(64, 32, 25, format, 9, sound))) {
            for (int i = 0; i < 25; i++) {
                s.write(corner());
            }
        }
        return file;
    }

    /// Grey with a bright patch at the top left.
    private static Picture corner() {
        Picture p = Picture.filled(64, 32, 0.1f, 0.1f, 0.1f);
        for (int y = 0; y < 8; y++) {
            for (int x = 0; x < 16; x++) {
                for (var c : p.colours()) {
                    c.data()[y * 64 + x] = 0.8f;
                }
            }
        }
        return p;
    }

    /// Writes another display matrix into the track header of an MP4 file; the file's own layout, ISO 14496-12.
    private static void turn(Path mp4, int a, int b, int c, int d) throws IOException {
        byte[] bytes = Files.readAllBytes(mp4);
        int at = -1;
        for (int i = 0; i < bytes.length - 4 && at < 0; i++) {
            at = bytes[i] == 't' && bytes[i + 1] == 'k' && bytes[i + 2] == 'h' && bytes[i + 3] == 'd' ? i : -1;
        }
        assertThat(at).as("a track header").isPositive();
        // Behind the name: version and flags, times, identity, layer, volume; 40 bytes in version 0.
        ByteBuffer matrix = ByteBuffer.wrap(bytes).position(at + 44);
        for (int v : new int[] {a, b, 0, c, d, 0, 0, 0, 1 << 30}) {
            matrix.putInt(v);
        }
        Files.write(mp4, bytes);
    }

    @ParameterizedTest
    @CsvSource({"0, 1, -1, 0, 90, 32, 64, 28, 4", "-1, 0, 0, -1, 180, 64, 32, 60, 28", "0, -1, 1, 0, 270, 32, 64, 4, 60"})
    void picturesStoredLyingAreStoodUp(int a, int b, int c, int d, int degrees, int width, int height, int x, int y) throws Exception {
        Path file = film("turned.mp4", VideoFormat.H264_MP4, null);
        turn(file, a * ONE, b * ONE, c * ONE, d * ONE);
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().coding().rotationDeg()).isEqualTo(degrees);
            assertThat(f.info().width()).isEqualTo(width);
            assertThat(f.info().height()).isEqualTo(height);
            Picture p = f.frame(3);
            assertThat(p.width()).isEqualTo(width);
            assertThat(p.g().at(x, y)).as("the bright corner").isGreaterThan(0.6f);
            assertThat(p.g().at(width - 1 - x, height - 1 - y)).as("the corner across").isLessThan(0.2f);
            assertThat(f.lockFrame(3).luma().width()).isEqualTo(width);
        }
    }

    @Test
    void unevenFrameTimesAreFollowed() throws Exception {
        Path even = film("even.mkv", VideoFormat.FFV1_MKV, null);
        Path uneven = folder.resolve("uneven.mkv");
        // Ten quick frames, then slow ones, as a phone does when the light falls.
        Remux.retime(even, uneven, n -> n < 10 ? 20 * n : 200 + 80 * (n - 10));
        try (Footage f = Footages.open(uneven)) {
            FootageInfo i = f.info();
            assertThat(i.frames()).isEqualTo(25);
            assertThat(i.rate().variable()).isTrue();
            assertThat(i.notes()).anyMatch(n -> n.contains("varies"));
            assertThat(i.times().get(9)).isCloseTo(0.18, Offset.offset(1e-9));
            assertThat(i.frameAt(0.19)).isEqualTo(9);
            assertThat(i.frameAt(0.2)).isEqualTo(10);
            assertThat(i.frameAt(0.279)).isEqualTo(10);
            assertThat(i.frameAt(0.28)).isEqualTo(11);
            assertThat(i.frameAt(-4)).isZero();
            assertThat(i.frameAt(400)).isEqualTo(24);
            assertThat(f.frame(24).g().at(4, 4)).isGreaterThan(0.6f);
        }
    }

    @Test
    void evenFrameTimesAreEven() throws Exception {
        try (Footage f = Footages.open(film("even.webm", VideoFormat.VP9_WEBM, null))) {
            assertThat(f.info().rate().variable()).isFalse();
            for (int k = 0; k < 25; k++) {
                assertThat(f.info().frameAt(k / 25.0)).isEqualTo(k);
            }
        }
    }

    private Path tone(double seconds) throws IOException {
        int n = (int) (48000 * seconds);
        ByteBuffer samples = ByteBuffer.allocate(2 * n).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < n; i++) {
            samples.putShort((short) (8000 * Math.sin(i * 0.06)));
        }
        Path wav = folder.resolve("tone.wav");
        var stream = new AudioInputStream(new ByteArrayInputStream(samples.array()), new AudioFormat(48000, 16, 1, true, false), n);
        AudioSystem.write(stream, AudioFileFormat.Type.WAVE, wav.toFile());
        return wav;
    }

    @Test
    void soundIsCarriedOverWhereTheContainerHoldsIt() throws Exception {
        Path wav = tone(3);
        try (Footage f = Footages.open(film("sound.mkv", VideoFormat.FFV1_MKV, wav))) {
            assertThat(f.info().coding().audio()).isTrue();
            assertThat(f.info().frames()).isEqualTo(25);
        }
        Path again = film("again.mkv", VideoFormat.FFV1_MKV, folder.resolve("sound.mkv"));
        try (Footage f = Footages.open(again)) {
            assertThat(f.info().coding().audio()).as("carried from a film").isTrue();
        }
        Path mute = film("mute.mkv", VideoFormat.FFV1_MKV, null);
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> film("silent.mkv", VideoFormat.FFV1_MKV, mute))
                .withMessageContaining("no sound");
    }

    @Test
    void soundThatAContainerCannotHoldIsCodedAnew() throws Exception {
        try (Footage f = Footages.open(film("no-pcm.webm", VideoFormat.VP9_WEBM, tone(1)))) {
            assertThat(f.info().coding().audio()).isTrue();
            assertThat(f.info().frames()).isEqualTo(25);
        }
    }

    @Test
    void soundLongerThanThePictureIsCut() throws Exception {
        long cut = Files.size(film("cut.mkv", VideoFormat.FFV1_MKV, tone(1)));
        long longer = Files.size(film("longer.mkv", VideoFormat.FFV1_MKV, tone(20)));
        assertThat(longer).isLessThan(cut + 40_000);
    }

    /// Ten frames of the chart, coded once by a separate encoder, since the shipped library decodes HEVC but does not write it; a key frame
    /// every five.
    @ParameterizedTest
    @ValueSource(strings = {"hevc-8.mp4", "hevc-10.mov"})
    void whatNewPhonesRecordIsRead(String name) throws Exception {
        Path file = Path.of(PhoneFootageTest.class.getResource(name).toURI());
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().coding().codec()).isEqualTo("hevc");
            assertThat(f.info().frames()).isEqualTo(10);
            assertThat(f.info().rate().framesPerSecond()).isCloseTo(25, Offset.offset(0.01));
            for (int i : new int[] {7, 0, 9, 3, 4}) {
                Picture p = f.frame(i);
                assertThat(TestPictures.frameOf(p)).as("frame " + i).isEqualTo(i % 8);
                assertThat(TestPictures.mean(p, TestPictures.chart(128, 72, i))).isLessThan(0.02);
            }
            assertThat(f.lockFrame(2).luma().width()).isEqualTo(128);
        }
    }

    /// A photograph with Exif notes: big-endian, one entry that leads to the camera's, and those, each a short number.
    private Path photograph(String name, int... tagsAndValues) throws IOException {
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB), "jpg", plain);
        int n = tagsAndValues.length / 2;
        ByteBuffer exif = ByteBuffer.allocate(6 + 26 + 2 + 12 * n + 4);
        exif.put("Exif\0\0MM\0*".getBytes(StandardCharsets.ISO_8859_1)).putInt(8).putShort((short) 1).putShort((short) 0x8769)
                .putShort((short) 4).putInt(1).putInt(26).putInt(0);
        exif.putShort((short) n);
        for (int i = 0; i < n; i++) {
            exif.putShort((short) tagsAndValues[2 * i]).putShort((short) 3).putInt(1).putShort((short) tagsAndValues[2 * i + 1])
                    .putShort((short) 0);
        }
        byte[] jpeg = plain.toByteArray();
        ByteBuffer all = ByteBuffer.allocate(jpeg.length + 4 + exif.capacity());
        all.put(jpeg, 0, 2).putShort((short) 0xffe1).putShort((short) (exif.capacity() + 2)).put(exif.array())
                .put(jpeg, 2, jpeg.length - 2);
        return Files.write(folder.resolve(name), all.array());
    }

    private static Double noted(Path file) throws FootageException {
        try (Footage f = Footages.open(file)) {
            return f.info().equivalentMm();
        }
    }

    /// The lens a phone notes is read, what is nonsense or not noted is not made up.
    @Test
    void theLensThatIsNotedIsRead() throws Exception {
        assertThat(noted(photograph("phone.jpg", 0xa405, 28))).isEqualTo(28);
        // 50 mm before 6000 by 4000 pixels of 1600 to the centimetre: 45.07 mm across the corners.
        assertThat(noted(photograph("camera.jpg", 0x920a, 50, 0xa002, 6000, 0xa003, 4000, 0xa20e, 1600, 0xa20f, 1600, 0xa210, 3)))
                .isCloseTo(50 * 43.2666 / 45.0694, Offset.offset(0.001));
        assertThat(noted(photograph("nonsense.jpg", 0xa405, 0, 0x920a, 50))).isNull();
        Path clip = film("clip.mp4", VideoFormat.H264_MP4, null);
        assertThat(noted(clip)).isNull();
        Path told = folder.resolve("told.mkv");
        Remux.retime(clip, told, n -> n * 40, "com.example.camera.focal_length.35mm_equivalent", "26");
        assertThat(noted(told)).isEqualTo(26);
        Path words = folder.resolve("words.mkv");
        Remux.retime(clip, words, n -> n * 40, "com.example.camera.focal_length.35mm_equivalent", "wide");
        assertThat(noted(words)).isNull();
    }
}
