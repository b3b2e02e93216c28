package org.scenothesis.production.incoming;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.key.ScreenHue;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.KeyInMemory;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.UnsuitableException;
import org.scenothesis.production.store.ProductionFolder;

/// Files as a camera leaves them, looked at and brought in.
class IncomingTest {
    @TempDir
    Path home;

    private final Bands bands = Bands.sequential();
    private ProductionFolder folder;
    private Path card;

    @BeforeEach
    void begin() throws Exception {
        folder = new NewProduction("Paper weather", null, null).in(home.resolve("paper-weather"));
        card = Files.createDirectories(home.resolve("card"));
    }

    @AfterEach
    void end() {
        folder.close();
    }

    /// A clip of flat colour, with a square of another that goes across it.
    private Path clip(String name, float[] ground, float[] square) throws Exception {
        Path file = card.resolve(name);
        try (VideoSink sink = new VideoSink(file, new VideoSink.Plan(160, 90, 24, VideoFormat.MJPEG_AVI, 3, null))) {
            for (int i = 0; i < 6; i++) {
                Picture p = Picture.filled(160, 90, ground[0], ground[1], ground[2]);
                for (int y = 20; square.length > 0 && y < 60; y++) {
                    for (int x = 10 + 12 * i; x < 50 + 12 * i; x++) {
                        for (int c = 0; c < 3; c++) {
                            p.colours().get(c).data()[y * 160 + x] = square[c];
                        }
                    }
                }
                sink.write(p);
            }
        }
        return file;
    }

    private Shot shot() {
        return folder.production().shots().getFirst();
    }

    @Test
    void aCardOfClipsBecomesPlates() throws Exception {
        float[] room = {0.3f, 0.25f, 0.2f};
        float[] cloth = {0.03f, 0.25f, 0.06f};
        clip("C0001.avi", room, new float[0]);
        clip("C0002.avi", room, new float[] {0.35f, 0.05f, 0.04f});
        clip("C0003.avi", cloth, new float[] {0.5f, 0.2f, 0.1f});
        clip("C0004.avi", cloth, new float[0]);
        Files.writeString(card.resolve("index.xml"), "<card/>");
        Files.writeString(card.resolve("C0005.avi"), "cut short");
        List<Proposal> all = new Incoming(folder, bands).propose(shot(), List.of(card), Progress.NONE);
        assertThat(all).extracting(Proposal::role).startsWith(PlateRole.CLEAN, PlateRole.PRACTICAL, PlateRole.ELEMENT,
                PlateRole.SCREEN_ONLY);
        assertThat(all).as("the file that is no footage by its name is not asked about, the broken clip is").hasSize(5);
        assertThat(all.getLast().taken()).isFalse();
        assertThat(all.getLast().seen().problem()).contains("C0005.avi");
        assertThat(all.get(1).seen().stirring()).isGreaterThan(0.1);
        assertThat(all.getFirst().seen().seconds()).isEqualTo(0.25);
    }

    /// A clip of three frames, each made anew.
    private Path filmed(String name, IntFunction<Picture> frames) throws Exception {
        Path file = card.resolve(name);
        try (VideoSink sink = new VideoSink(file, new VideoSink.Plan(320, 180, 24, VideoFormat.FFV1_MKV, 9, null))) {
            for (int i = 0; i < 3; i++) {
                sink.write(frames.apply(i));
            }
        }
        return file;
    }

    private interface Colour {
        double[] at(int x, int y);
    }

    private static Picture painted(Colour c) {
        Picture p = Picture.filled(320, 180, 0, 0, 0);
        for (int y = 0; y < 180; y++) {
            for (int x = 0; x < 320; x++) {
                double[] v = c.at(x, y);
                for (int k = 0; k < 3; k++) {
                    p.colours().get(k).data()[y * 320 + x] = (float) Math.max(0, v[k]);
                }
            }
        }
        return p;
    }

    /// A cloth is one surface of one hue; a green place has many, a wall in blue light is not the only thing that is blue.
    @Test
    void aLandscapeAndABlueLitWallAreNoCloths() throws Exception {
        SplittableRandom r = new SplittableRandom(3);
        Picture meadow = painted((x, y) -> {
            double leaf = r.nextDouble(0.05, 0.5);
            return y < 40 ? new double[] {0.5, 0.6, 0.8}
                    : new double[] {leaf * r.nextDouble(0.2, 0.62), leaf, leaf * r.nextDouble(0.05, 0.5)};
        });
        Picture wall = painted((x, y) -> {
            double light = 3 / (1 + Math.pow((x - 160) / 60.0, 2) + Math.pow((y - 30) / 50.0, 2));
            double shade = y > 120 && x > 90 && x < 200 ? 0.3 : y > 130 ? 0.6 : 1;
            return new double[] {light * 0.03 * shade + 0.004, light * 0.05 * shade + 0.004, light * 0.3 * shade + 0.004};
        });
        Picture cloth = painted((x, y) -> {
            double light = 0.25 + 0.1 * x / 320 + 0.03 * Math.sin(x / 7.0) + r.nextDouble(-0.01, 0.01);
            boolean body = Math.hypot(x - 150, (y - 110) / 2.0) < 35;
            return body ? new double[] {0.4, 0.3, 0.2} : new double[] {0.15 * light, light, 0.2 * light};
        });
        List<Path> files = List.of(filmed("c1.mkv", i -> meadow), filmed("d1.mkv", i -> wall), filmed("e1.mkv", i -> cloth));
        List<Proposal> all = new Incoming(folder, bands).propose(shot(), files, Progress.NONE);
        assertThat(all).extracting(p -> p.why() == Proposal.Why.CLOTH).containsExactly(false, false, true);
        for (Path f : files) {
            try (Footage take = Footages.open(f)) {
                if (f.endsWith("e1.mkv")) {
                    assertThat(KeyInMemory.screen(take, null, bands).hue()).isEqualTo(ScreenHue.GREEN);
                } else {
                    assertThatThrownBy(() -> KeyInMemory.screen(take, null, bands)).as("refused").isInstanceOf(UnsuitableException.class)
                            .hasMessageContaining(f.endsWith("c1.mkv") ? "full of detail" : "lit in one colour");
                }
            }
        }
    }

    /// Noise is no movement: a still that was filmed with a high sensitivity is a clean plate.
    @Test
    void whatOnlyHasNoiseDoesNotMove() throws Exception {
        SplittableRandom r = new SplittableRandom(9);
        Path noisy = filmed("f1.mkv", i -> painted((x, y) -> {
            double v = 0.05 + 0.05 * ((x / 40 + y / 30) % 2);
            return new double[] {v + 0.06 * r.nextGaussian(), v + 0.06 * r.nextGaussian(), v + 0.06 * r.nextGaussian()};
        }));
        Proposal p = new Incoming(folder, bands).propose(shot(), List.of(noisy), Progress.NONE).getFirst();
        assertThat(p.role()).isEqualTo(PlateRole.CLEAN);
        assertThat(p.why()).isEqualTo(Proposal.Why.NOTHING_MOVES);
    }

    /// What is of another place than all there is may be anything: it waits in the tray until somebody says.
    @Test
    void whatNothingTellsOfGoesToTheTray() throws Exception {
        float[] room = {0.3f, 0.25f, 0.2f};
        clip("A1.avi", room, new float[0]);
        clip("B1.avi", room, new float[] {0.35f, 0.05f, 0.04f});
        clip("C1.avi", new float[] {0.6f, 0.5f, 0.1f}, new float[] {0.1f, 0.1f, 0.1f});
        Stills.write(card.resolve("D1.png"), Picture.filled(160, 90, 0.6f, 0.6f, 0.5f), Stills.Format.PNG8);
        List<Proposal> all = new Incoming(folder, bands).propose(shot(), List.of(card), Progress.NONE);
        assertThat(all).extracting(Proposal::role).containsExactly(PlateRole.CLEAN, PlateRole.PRACTICAL, PlateRole.UNSORTED,
                PlateRole.UNSORTED);
        assertThat(all.get(2).why()).isEqualTo(Proposal.Why.UNKNOWN);
        Shot s = Proposals.into(shot(), all, List.of("footage/A1.avi", "footage/B1.avi", "footage/C1.avi", "footage/D1.png"));
        assertThat(s.plate("tray").orElseThrow().takes()).hasSize(2);
        List<Finding> found = new Judge(folder).of(s, null, Measured.NOTHING, HouseRules.DEFAULT).of("tray").findings();
        assertThat(found).extracting(Finding::measure, Finding::value, Finding::verdict)
                .containsExactly(tuple(Measure.UNSORTED, 2.0, Verdict.WATCH));
        assertThat(all.get(2).seen().named()).isEqualTo("C");
    }

    @Test
    void filesAreCopiedOrLeftWhereTheyAreAndCanBeRead() throws Exception {
        Path file = clip("take 1.avi", new float[] {0.3f, 0.3f, 0.3f}, new float[0]);
        Incoming incoming = new Incoming(folder, bands);
        List<Proposal> one = incoming.propose(shot(), List.of(file), Progress.NONE);
        assertThat(incoming.bring(one, true, Progress.NONE)).containsExactly("footage/take 1.avi");
        List<String> left = incoming.bring(one, false, Progress.NONE);
        assertThat(left).containsExactly("footage/take 1-2.avi");
        Path link = folder.footage(new Take("t", left.getFirst(), false, ""));
        assertThat(link).isSymbolicLink();
        assertThat(folder.refusal(link)).isNull();
        Path other = clip("take 2.avi", new float[] {0.3f, 0.3f, 0.3f}, new float[0]);
        assertThat(folder.refusal(other)).as("what lies beside it is not allowed by that").isNotNull();
    }

    @Test
    void aFolderOfStillsIsASequenceAndAnEmptyOneIsSaid() throws Exception {
        Path stills = Files.createDirectories(home.resolve("moving"));
        for (int i = 0; i < 9; i++) {
            Stills.write(stills.resolve("f" + i + ".png"), Picture.filled(32, 18, i * 0.1f, 0.1f, 0.1f), Stills.Format.PNG8);
        }
        List<Proposal> all = new Incoming(folder, bands).propose(shot(), List.of(stills), Progress.NONE);
        assertThat(all).hasSize(1);
        assertThat(all.getFirst().seen().still()).isFalse();
        assertThatExceptionOfType(FootageException.class)
                .isThrownBy(() -> new Incoming(folder, bands).propose(shot(), List.of(card), Progress.NONE))
                .withMessageContaining("no clips or stills");
    }
}
