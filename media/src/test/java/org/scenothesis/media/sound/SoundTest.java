package org.scenothesis.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.io.ByteArrayInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

class SoundTest {
    private static final double TONE = 0.4;

    @TempDir
    Path folder;

    /// A second of silence, then a second of a tone of amplitude 0.4, one channel.
    private Path wav(int rate) throws Exception {
        ByteBuffer b = ByteBuffer.allocate(4 * rate).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 2 * rate; i++) {
            b.putShort((short) (i < rate ? 0 : 32767 * TONE * Math.sin(2 * Math.PI * 500 * i / rate)));
        }
        Path f = folder.resolve("tone-" + rate + ".wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(b.array()), new AudioFormat(rate, 16, 1, true, false), 2L * rate),
                AudioFileFormat.Type.WAVE, f.toFile());
        return f;
    }

    /// How loud a tenth of a second is, from `seconds` on.
    private static double loud(SoundTrack t, double seconds) throws FootageException {
        float[] l = new float[SoundFeed.RATE / 10];
        float[] r = new float[l.length];
        try (SoundFeed f = SoundFeed.open(t.later(seconds))) {
            f.fill(l, r);
        }
        double sum = 0;
        for (int i = 0; i < l.length; i++) {
            sum += l[i] * l[i] / 2 + r[i] * r[i] / 2;
        }
        return Math.sqrt(2 * sum / l.length);
    }

    @ParameterizedTest
    @ValueSource(ints = {48_000, 44_100, 8_000})
    void soundIsReadFromAnyMomentOn(int rate) throws Exception {
        SoundTrack t = new SoundTrack(wav(rate), 0, null);
        assertThat(loud(t, 0.5)).isLessThan(0.001);
        assertThat(loud(t, 1.2)).isCloseTo(TONE, Offset.offset(0.01));
        assertThat(loud(new SoundTrack(t.from(), -1, null), 1.2)).as("a second later").isLessThan(0.001);
        assertThat(loud(new SoundTrack(t.from(), -1, null), 2.2)).isCloseTo(TONE, Offset.offset(0.01));
        assertThat(loud(t, 2.5)).as("behind its end").isZero();
        assertThat(loud(new SoundTrack(t.from(), 0, s -> s < 1.5 ? 0.5 : 0), 1.2)).isCloseTo(TONE / 2, Offset.offset(0.005));
        // To the sample: where the tone begins.
        float[] l = new float[3 * SoundFeed.RATE];
        try (SoundFeed f = SoundFeed.open(new SoundTrack(t.from(), -0.25, null))) {
            f.fill(l, new float[l.length]);
        }
        int first = 0;
        while (Math.abs(l[first]) < 0.05) {
            first++;
        }
        assertThat(first / (double) SoundFeed.RATE).isCloseTo(1.25, Offset.offset(0.0005));
    }

    @ParameterizedTest
    @EnumSource(VideoFormat.class)
    void everyKindOfFilmHoldsSoundThatWasMadeSofter(VideoFormat format) throws Exception {
        Path film = folder.resolve("film." + format.extension());
        SoundTrack half = new SoundTrack(wav(44_100), 0.5, s -> 0.5);
        try (VideoSink s = new VideoSink(film, new VideoSink.Plan(64, 32, 25, format, 9, half, 0, false))) {
            for (int i = 0; i < 30; i++) {
                s.write(Picture.filled(64, 32, 0.2f, 0.2f, 0.2f));
            }
        }
        SoundTrack read = new SoundTrack(film, 0, null);
        assertThat(loud(read, 0.2)).isLessThan(0.01);
        assertThat(loud(read, 0.8)).isCloseTo(TONE / 2, Offset.offset(0.02));
        assertThat(loud(read, 1.5)).as("no longer than the film").isLessThan(0.01);
    }

    @Test
    void whatHasNoSoundIsRefused() throws Exception {
        Path still = folder.resolve("still.png");
        Stills.write(still, Picture.filled(32, 32, 0.2f, 0.2f, 0.2f), Stills.Format.PNG8);
        assertThat(SoundFeed.sounds(still)).isFalse();
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> SoundFeed.open(new SoundTrack(still, 0, null)).close())
                .withMessageContaining("no sound");
        Path junk = Files.writeString(folder.resolve("junk.wav"), "nothing");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> SoundFeed.sounds(junk)).withMessageContaining("junk.wav");
    }
}
