package org.scenothesis.production.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.media.sound.SoundFeed;
import org.scenothesis.media.sound.SoundTrack;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.HostileFiles;
import org.scenothesis.testkit.TinyShoot;

class ShotSoundTest {
    @TempDir
    Path home;

    private ProductionFolder folder;
    private Shot shot;
    private Path wav;

    @BeforeEach
    void film() throws Exception {
        folder = ProductionFolder.create(home.resolve("demo"), Lantern.production());
        TinyShoot.film(folder.path());
        wav = home.resolve("demo/room tone.wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(new byte[96_000]), new AudioFormat(48_000, 16, 1, true, false),
                48_000), AudioFileFormat.Type.WAVE, wav.toFile());
        try (VideoSink s = new VideoSink(folder.path().resolve("footage/heard.mkv"), new VideoSink.Plan(TinyShoot.WIDTH, TinyShoot.HEIGHT,
                24, VideoFormat.FFV1_MKV, 9, wav))) {
            for (int i = 0; i < 6; i++) {
                s.write(TinyShoot.wall());
            }
        }
        shot = folder.production().shot("12")
                .withPlate("maker", p -> p.withTakes(List.of(new Take("maker-1", "footage/heard.mkv", true, ""))));
    }

    /// Packets of a transport stream begin their clock anywhere; the sound begins with the film.
    @ParameterizedTest
    @ValueSource(strings = {"sound.ts", "sound.mp3", "sound.wav", "sound.webm", "sound.mkv"})
    void soundAloneBeginsAtItsBeginning(String name) throws Exception {
        Path file = Files.write(home.resolve(name), HostileFiles.sound(name));
        float[] l = new float[SoundFeed.RATE / 10];
        try (SoundFeed feed = SoundFeed.open(new SoundTrack(file, 0, null))) {
            feed.fill(l, new float[l.length]);
        }
        float loudest = 0;
        for (float v : l) {
            loudest = Math.max(loudest, Math.abs(v));
        }
        assertThat(loudest).as("in its first tenth of a second").isGreaterThan(0.05f);
    }

    @AfterEach
    void close() {
        folder.close();
    }

    private ShotSound of(Shot s) throws FootageException {
        return ShotSound.of(folder, s);
    }

    @Test
    void theLowestLayerThatWasFilmedWithSoundIsHeardAndCarriedInTime() throws Exception {
        assertThat(of(folder.production().shot("12")).track()).as("nothing was filmed with sound").isNull();
        assertThat(of(shot)).extracting(s -> s.track().start(), ShotSound::from, ShotSound::why).containsExactly(0.0, "Maker", "");
        assertThat(of(shot.withLayer("maker", l -> l.withTime(new TimeMap.Straight(0.5, 1)))).track().start()).as("cut at its beginning")
                .isEqualTo(0.5);
        ShotSound backwards = of(shot.withLayer("maker", l -> l.withTime(new TimeMap.Straight(0.5, -1))));
        assertThat(backwards.track()).isNull();
        assertThat(backwards.why()).contains("Maker", "does not run as filmed");
        assertThat(of(shot.withLayer("maker", l -> l.withOn(false))).track()).isNull();
        assertThat(ShotSound.takes(folder, shot)).extracting(Take::id).containsExactly("maker-1");
    }

    @Test
    void anyTakeOrFileIsHeardLaterLouderAndFaded() throws Exception {
        Sound told = new Sound(new SoundSource.OfFile("room tone.wav"), 0.25, -6.0206, 0.5, 1);
        SoundTrack t = of(shot.withSound(told)).track();
        assertThat(t.from()).isEqualTo(wav);
        assertThat(t.start()).isEqualTo(-0.25);
        double[] moments = {0, 0.25, 1, 3.5, 4};
        double[] factors = {0, 0.25, 0.5, 0.25, 0};
        for (int i = 0; i < moments.length; i++) {
            assertThat(t.loudness().at(moments[i])).isCloseTo(factors[i], Offset.offset(1e-4));
        }
        assertThat(of(shot.withLayers(List.of()).withSound(Sound.AS_FILMED.withOf(new SoundSource.OfTake("maker-1")))).from())
                .isEqualTo("Maker at bench");
        assertThat(of(shot.withSound(Sound.AS_FILMED.withOf(new SoundSource.Silent()))).track()).isNull();
    }

    @Test
    void whatCannotBeHeardIsSaid() throws Exception {
        Files.writeString(home.resolve("outside.wav"), "no");
        for (String word : List.of("take:nobody", "take:clean-1", "file:gone.wav", "file:" + home.resolve("outside.wav"))) {
            assertThatExceptionOfType(FootageException.class).as(word)
                    .isThrownBy(() -> of(shot.withSound(Sound.AS_FILMED.withOf(SoundSource.of(word)))));
        }
    }

    /// A folder of stills is a take without sound, and a link that leads out is heard no more than it is seen.
    @Test
    void stillsAreSilentAndLinksAreNotFollowedUnasked() throws Exception {
        Path frames = Files.createDirectories(folder.path().resolve("footage/walk"));
        Stills.write(frames.resolve("frame-1.png"), TinyShoot.wall(), Stills.Format.PNG8);
        Shot walks = shot.withPlate("clean", p -> p.withTakes(List.of(new Take("walk", "footage/walk", true, ""))));
        assertThat(of(walks).from()).isEqualTo("Maker");
        Path outside = Files.copy(folder.path().resolve("footage/heard.mkv"), home.resolve("outside.mkv"));
        Files.createSymbolicLink(folder.path().resolve("footage/led.mkv"), outside);
        Shot led = shot.withPlate("maker", p -> p.withTakes(List.of(new Take("led", "footage/led.mkv", true, ""))));
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> of(led));
        assertThat(ShotSound.takes(folder, led)).isEmpty();
        assertThat(ShotSound.file(folder, wav)).as("travels with the production").isEqualTo(new SoundSource.OfFile("room tone.wav"));
        assertThat(of(led.withSound(Sound.AS_FILMED.withOf(ShotSound.file(folder, outside)))).track().from()).isEqualTo(outside);
    }

    @Test
    void theSoundIsKeptInTheDocument() throws Exception {
        Sound told = new Sound(new SoundSource.OfTake("maker-1"), -1, 3, 0, 2);
        folder.save(folder.production().withShot("12", s -> s.withSound(told)));
        folder.close();
        folder = ProductionFolder.open(home.resolve("demo"));
        assertThat(folder.production().shot("12").sound()).isEqualTo(told);
        assertThat(SoundSource.of(told.of().word())).isEqualTo(told.of());
    }
}
