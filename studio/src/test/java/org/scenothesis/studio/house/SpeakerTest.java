package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.file.Path;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.media.sound.SoundTrack;

class SpeakerTest {
    @TempDir
    Path folder;

    private final Queue<String> said = new ConcurrentLinkedQueue<>();

    private SoundTrack loud() throws Exception {
        byte[] b = new byte[96_000];
        for (int i = 1; i < b.length; i += 2) {
            b[i] = 64;
        }
        Path wav = folder.resolve("loud.wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(b), new AudioFormat(48_000, 16, 1, true, false), 48_000),
                AudioFileFormat.Type.WAVE, wav.toFile());
        return new SoundTrack(wav, 0, null);
    }

    @Test
    void itPlaysUntilItIsStopped() throws Exception {
        CountDownLatch some = new CountDownLatch(3);
        CountDownLatch ended = new CountDownLatch(1);
        byte[][] last = new byte[1][];
        Speaker s = new Speaker(() -> new Speaker.Line() {
            @Override
            public void write(byte[] samples) {
                last[0] = samples;
                some.countDown();
            }

            @Override
            public void close() {
                ended.countDown();
            }
        }, said::add);
        s.play(loud());
        assertThat(some.await(20, TimeUnit.SECONDS)).isTrue();
        s.stop();
        assertThat(ended.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(last[0]).hasSize(48_000 / 25 * 4);
        assertThat(said).isEmpty();
    }

    @Test
    void aSilentMachineSaysSoOnce() throws Exception {
        CountDownLatch asked = new CountDownLatch(2);
        CountDownLatch told = new CountDownLatch(1);
        Speaker s = new Speaker(() -> {
            asked.countDown();
            throw new LineUnavailableException("no line");
        }, why -> {
            said.add(why);
            told.countDown();
        });
        s.play(loud());
        assertThat(told.await(20, TimeUnit.SECONDS)).isTrue();
        s.play(loud());
        assertThat(asked.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(said).singleElement().asString().contains("no sound output");
    }
}
