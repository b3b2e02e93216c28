package org.scenothesis.production.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicInteger;
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
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.ColourInterpretation;
import org.scenothesis.core.shot.Excerpt;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.measure.ContentHashes;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.TinyShoot;

/// Renders of a tiny shoot: every core its stretch, stopped, failed, gone on with.
class RenderJobTest {
    @TempDir
    Path home;

    private final Bands two = Bands.pooled(2);
    private ProductionFolder folder;
    private Shot shot;
    private ContentHashes contents;

    @BeforeEach
    void lay() throws Exception {
        Path demo = home.resolve("demo");
        folder = ProductionFolder.create(demo, Lantern.production());
        TinyShoot.film(demo);
        shot = folder.production().shot("12");
        contents = new Surveyor(folder, two).contents();
    }

    @AfterEach
    void close() {
        folder.close();
        two.close();
    }

    private RenderJob.Done render(Path out, int from, int to, Bands bands, Progress progress) throws FootageException {
        folder.grantForNow(out);
        try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, bands)) {
            return new RenderJob(r, shot, RenderJob.Target.of(out, from, to)).run(progress);
        }
    }

    private static List<String> names(Path folder) throws Exception {
        try (var files = Files.list(folder)) {
            return files.map(p -> p.getFileName().toString()).filter(n -> !n.startsWith(".")).sorted().toList();
        }
    }

    @Test
    void oneCoreAndSeveralRenderTheSameFiles() throws Exception {
        render(home.resolve("one"), 3, 11, Bands.sequential(), Progress.NONE);
        render(home.resolve("two"), 3, 11, two, Progress.NONE);
        Path inTurn = home.resolve("in-turn");
        var paused = new AtomicInteger();
        folder.grantForNow(inTurn);
        try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
            new RenderJob(r, shot, RenderJob.Target.of(inTurn, 3, 11), new Share(1, paused::incrementAndGet)).run(Progress.NONE);
        }
        assertThat(paused).as("between frames").hasValue(9);
        assertThat(names(home.resolve("two"))).hasSize(9).isEqualTo(names(home.resolve("one"))).isEqualTo(names(inTurn));
        for (String n : names(home.resolve("one"))) {
            assertThat(Files.readAllBytes(home.resolve("two").resolve(n))).as(n)
                    .isEqualTo(Files.readAllBytes(home.resolve("one").resolve(n))).isEqualTo(Files.readAllBytes(inTurn.resolve(n)));
        }
    }

    /// What cannot be made is said before anything is made for it, of the file that was asked for.
    @Test
    void anOddSizeIsSaidOfTheResultItself() {
        shot = shot.withFormat(new FrameFormat(853, 479, 24));
        Path out = home.resolve("odd.mp4");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> render(out, 0, 3, two, Progress.NONE))
                .withMessageContaining("853x479").withMessageStartingWith(out + ": ");
        assertThat(home.toFile().list()).containsExactly("demo");
    }

    /// Somebody's still among the names of a render: none of the others is written.
    @Test
    void aFolderWithSomebodysStillIsRefusedBeforeTheFirst() throws Exception {
        Path out = Files.createDirectories(home.resolve("out"));
        Files.writeString(out.resolve("frame-000002.png"), "precious");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> render(out, 0, 5, two, Progress.NONE))
                .withMessageContaining("frame-000002.png");
        assertThat(names(out)).containsExactly("frame-000002.png");
        Path film = Files.writeString(home.resolve("film.mp4"), "precious");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> render(film, 0, 5, two, Progress.NONE))
                .withMessageContaining("not made by this program");
        assertThat(film).hasContent("precious");
    }

    @Test
    void progressCountsUpToTheLastFrame() throws Exception {
        List<Integer> told = new ArrayList<>();
        render(home.resolve("out"), 0, 7, two, (done, of) -> {
            told.add(done);
            assertThat(of).isEqualTo(8);
            return true;
        });
        assertThat(told).isSorted().contains(8).doesNotContain(9);
    }

    @Test
    void whatIsStoppedLeavesOnlyWholeFramesAndGoesOn() throws Exception {
        Path out = home.resolve("out");
        assertThatThrownBy(() -> render(out, 0, 11, two, (done, of) -> done < 3)).isInstanceOf(Stopped.class);
        List<String> before = names(out);
        assertThat(before.size()).isBetween(3, 11);
        assertThat(before).allMatch(n -> n.endsWith(".png"));
        var made = Files.getLastModifiedTime(out.resolve(before.getFirst()));
        render(out, 0, 11, two, Progress.NONE);
        assertThat(names(out)).hasSize(12);
        assertThat(Files.getLastModifiedTime(out.resolve(before.getFirst()))).isEqualTo(made);
    }

    @Test
    void footageThatIsGoneIsSaidByName() throws Exception {
        Files.delete(folder.path().resolve("footage/maker-1.mp4"));
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> render(home.resolve("out"), 0, 5, two, Progress.NONE))
                .withMessageContaining("maker-1.mp4");
    }

    @Test
    void aTakeThatIsDamagedPartWayFailsTheRenderAndKeepsWhatIsDone() throws Exception {
        Path take = folder.path().resolve("footage/maker-1.mp4");
        Path stills = folder.path().resolve("footage/maker");
        Files.createDirectories(stills);
        try (Footage f = Footages.open(take)) {
            for (int i = 0; i < TinyShoot.FRAMES; i++) {
                Stills.write(stills.resolve(String.format("m-%02d.png", i)), f.frame(i), Stills.Format.PNG8);
            }
        }
        Path bad = stills.resolve("m-09.png");
        Files.write(bad, Arrays.copyOf(Files.readAllBytes(bad), 60));
        shot = shot.withPlate("maker", p -> p.withTakes(List.of(new Take("maker-1", "footage/maker", true, ""))));
        Path out = home.resolve("out");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> render(out, 0, 11, two, Progress.NONE))
                .withMessageContaining("m-09.png");
        assertThat(names(out)).contains("frame-000000.png").doesNotContain("frame-000009.png").noneMatch(n -> n.endsWith(".part"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"clip.mkv", "clip.webm", "clip.mp4", "clip.mov", "a clip's ünï.avi"})
    void videosHaveTheirFramesAndNoParts(String name) throws Exception {
        Path out = home.resolve("renders").resolve(name);
        Files.createDirectories(out.getParent());
        render(out, 2, 8, two, Progress.NONE);
        assertThat(names(out.getParent())).containsExactly(name);
        try (Footage f = Footages.open(out); ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
            assertThat(f.info().frames()).isEqualTo(7);
            Picture wanted = r.frame(shot, 5 / 24.0);
            Picture found = f.frame(3);
            double sum = 0;
            for (int i = 0; i < wanted.g().data().length; i++) {
                sum += Math.abs(wanted.g().data()[i] - found.g().data()[i]);
            }
            assertThat(sum / wanted.g().data().length).isLessThan(0.01);
        }
    }

    @Test
    void aChangedShotDoesNotGoOnWithOldParts() throws Exception {
        Path out = home.resolve("clip.mkv");
        assertThatThrownBy(() -> render(out, 0, 5, two, (done, of) -> done < 2)).isInstanceOf(Stopped.class);
        shot = shot.withLayer("lantern", l -> l.withOn(false));
        render(out, 0, 5, two, Progress.NONE);
        try (Footage f = Footages.open(out); ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
            float there = r.frame(shot, 1 / 24.0).r().at(98, 32);
            assertThat(f.frame(1).r().at(98, 32)).isCloseTo(there, Offset.offset(0.01f));
        }
    }

    @Test
    void stillsOfAChangedShotAreMadeAgainAndThoseOfTheSameAreNot() throws Exception {
        Path out = home.resolve("out");
        render(out, 0, 3, two, Progress.NONE);
        byte[] old = Files.readAllBytes(out.resolve("frame-000001.png"));
        shot = shot.withLayer("lantern", l -> l.withOn(false));
        assertThat(render(out, 0, 2, two, Progress.NONE).older()).isEqualTo(1);
        assertThat(Files.readAllBytes(out.resolve("frame-000001.png"))).isNotEqualTo(old);
        var made = Files.getLastModifiedTime(out.resolve("frame-000001.png"));
        assertThat(Files.readAllBytes(out.resolve("frame-000003.png"))).as("not asked for, and named").isNotEmpty();
        render(out, 0, 3, two, Progress.NONE);
        assertThat(Files.getLastModifiedTime(out.resolve("frame-000001.png"))).isEqualTo(made);
        render(home.resolve("fresh"), 3, 3, two, Progress.NONE);
        assertThat(Files.readAllBytes(out.resolve("frame-000003.png"))).as("left over from the shot before")
                .isEqualTo(Files.readAllBytes(home.resolve("fresh/frame-000003.png")));
        // Other footage under the same name is a change too.
        Files.copy(folder.path().resolve("footage/clean-1.mp4"), folder.path().resolve("footage/maker-1.mp4"),
                StandardCopyOption.REPLACE_EXISTING);
        render(out, 1, 1, two, Progress.NONE);
        assertThat(Files.getLastModifiedTime(out.resolve("frame-000001.png"))).isGreaterThan(made);
    }

    /// What was cut out, laid over the shot without it, is the shot again.
    @ParameterizedTest
    @ValueSource(strings = {"out", "o.mkv", "o.mov"})
    void anElementLaidOverTheRestIsTheShot(String name) throws Exception {
        shot = shot.withLayers(shot.layers().stream().map(l -> l.withOn(List.of("base", "clean", "lantern").contains(l.id()))).toList());
        Excerpt lantern = Excerpt.of(shot, "element:lantern").orElseThrow();
        Path out = home.resolve(name);
        folder.grantForNow(out);
        try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
            new RenderJob(r, shot, RenderJob.Target.of(out, 0, 2).withOf(lantern)).run(Progress.NONE);
            Picture whole = r.frame(shot, 1 / 24.0);
            Picture rest = r.frame(shot.withLayer("lantern", l -> l.withOn(false)), 1 / 24.0);
            try (Footage f = Footages.open(out)) {
                Picture element = f.frame(1);
                Plane a = Objects.requireNonNull(element.a());
                float most = 0;
                double sum = 0;
                for (int i = 0; i < a.data().length; i++) {
                    float laid = rest.g().data()[i] * (1 - a.data()[i]) + element.g().data()[i] * a.data()[i];
                    most = Math.max(most, a.data()[i]);
                    sum += Math.abs(laid - whole.g().data()[i]);
                }
                assertThat(most).isGreaterThan(0.97f);
                assertThat(sum / a.data().length).isLessThan(name.equals("o.mov") ? 1e-3 : 2e-5);
            }
        }
    }

    @Test
    void aMatteIsGreyAndOneFrameIsOneFile() throws Exception {
        Path matte = home.resolve("matte.png");
        Path element = home.resolve("element.webm");
        folder.grantForNow(matte);
        try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
            new RenderJob(r, shot, RenderJob.Target.of(matte, 3, 3).withOf(new Excerpt.Matte("lantern"))).run(Progress.NONE);
            new RenderJob(r, shot, RenderJob.Target.of(element, 3, 3).withOf(new Excerpt.Element("lantern"))).run(Progress.NONE);
            Plane coverage = Objects.requireNonNull(r.cutout(shot, "lantern", 3 / 24.0).straight().a());
            Plane read = Stills.readMatte(matte);
            assertThat(names(home)).contains("matte.png");
            for (int i = 0; i < read.data().length; i++) {
                assertThat(read.data()[i]).isCloseTo(coverage.data()[i], Offset.offset(2e-4f));
            }
            try (Footage f = Footages.open(element)) {
                assertThat(f.frame(0).g().at(0, 0)).as("no alpha in this kind of file: on black").isLessThan(0.01f);
            }
            assertThatThrownBy(() -> r.cutout(shot, "nobody", 0)).hasMessageContaining("nobody");
        }
        assertThatThrownBy(() -> RenderJob.Target.of(matte, 0, 3)).hasMessageContaining("one frame");
    }

    @Test
    void theStampOfAShotIsTheSameInEveryRunOfTheProgram() throws Exception {
        try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two); ShotRenderer other = new ShotRenderer(folder,
                Measured.NOTHING, contents, two)) {
            RenderJob.Target png = RenderJob.Target.of(home.resolve("out"), 0, 3);
            assertThat(r.stamp(shot, png)).isEqualTo(other.stamp(folder.production().shot("12"), png));
            assertThat(r.stamp(shot.withLayer("lantern", l -> l.with(new Exposure(1, false))), png)).isNotEqualTo(r.stamp(shot, png));
            assertThat(r.stamp(shot, RenderJob.Target.of(home.resolve("o.mkv"), 0, 3))).isNotEqualTo(r.stamp(shot, png));
            ColourInterpretation told = ColourInterpretation.AS_FILED.withCurve(Transfer.LINEAR);
            assertThat(r.stamp(shot.withPlate("clean", p -> p.withTakes(p.takes().stream().map(t -> t.read(told)).toList())), png))
                    .isNotEqualTo(r.stamp(shot, png));
            assertThat(r.stamp(shot.withPlate("clean", p -> p.withTakes(List.of(new Take("x", "footage/maker-1.mp4", true, "")))), png))
                    .isNotEqualTo(r.stamp(shot, png));
        }
    }

    @Test
    void aRendererThatIsAskedAgainAndAgainGivesWhatAFreshOneGives() throws Exception {
        Shot moved = shot.withLayer("lantern", l -> l.without(SetPlace.class).with(new Exposure(0.5, false)));
        Shot recut = shot.withLayer("lantern", l -> l.with(new Key(l.key().withChokePx(2))));
        Shot outlined = shot.withLayer("lantern", l -> l.with(Outline.of(l.garbage().at(0).stream().map(p -> p.times(0.98)).toList(), 0)));
        try (ShotRenderer kept = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
            for (Shot s : List.of(shot, moved, recut, shot, outlined)) {
                for (double seconds : new double[] {0.1, 0.1, 0.3}) {
                    try (ShotRenderer fresh = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
                        assertThat(kept.frame(s, seconds).r().data()).containsExactly(fresh.frame(s, seconds).r().data());
                    }
                }
            }
            assertThat(kept.frame(recut, 0.1).r().data()).isNotEqualTo(kept.frame(shot, 0.1).r().data());
        }
    }

    /// With a finished film and a damaged part of a second render, the film used to be deleted, and every later render failed.
    @Test
    void aDamagedPartIsMadeAgainAndTheFinishedFilmStaysUntilThen() throws Exception {
        shot = shot.told("", "", 3);
        Path out = home.resolve("o.mkv");
        render(out, 0, 5, two, Progress.NONE);
        byte[] before = Files.readAllBytes(out);
        assertThatThrownBy(() -> render(out, 0, 60, Bands.sequential(), (done, of) -> done < 30)).isInstanceOf(Stopped.class);
        assertThat(Files.readAllBytes(out)).isEqualTo(before);
        Path part;
        try (var parts = Files.walk(home)) {
            part = parts.filter(p -> p.getFileName().toString().startsWith("part-000000")).findFirst().orElseThrow();
        }
        Files.write(part, new byte[] {1, 2, 3});
        render(out, 0, 60, two, Progress.NONE);
        try (Footage f = Footages.open(out)) {
            assertThat(f.info().frames()).isEqualTo(61);
        }
        assertThat(Leftovers.in(home)).isEmpty();
    }

    @Test
    void whatIsLeftOfAStoppedRenderIsShownWithItsSizeAndCanBeCleared() throws Exception {
        shot = shot.told("", "", 3);
        assertThatThrownBy(() -> render(home.resolve("film.mkv"), 0, 60, Bands.sequential(), (done, of) -> done < 30))
                .isInstanceOf(Stopped.class);
        List<Leftovers.Leftover> left = Leftovers.in(home);
        assertThat(left).singleElement().satisfies(l -> {
            assertThat(l.of()).isEqualTo("film.mkv");
            assertThat(l.bytes()).isGreaterThan(1000);
        });
        Leftovers.clear(left.getFirst());
        assertThat(Leftovers.in(home)).isEmpty();
    }

    /// However often it was stopped, the film is the same to the byte.
    @ParameterizedTest
    @ValueSource(strings = {"mkv", "webm", "mp4", "mov", "avi"})
    void aFilmThatWasStoppedIsTheSame(String ending) throws Exception {
        shot = shot.told("", "", 3);
        render(home.resolve("whole." + ending), 0, 60, two, Progress.NONE);
        Path out = home.resolve("again." + ending);
        for (int at : new int[] {10, 26, 50}) {
            assertThatThrownBy(() -> render(out, 0, 60, Bands.sequential(), (done, of) -> done < at)).isInstanceOf(Stopped.class);
        }
        render(out, 0, 60, two, Progress.NONE);
        assertThat(out).hasSameBinaryContentAs(home.resolve("whole." + ending));
    }

    @Test
    void aStrangersFileIsNeverReplaced() throws Exception {
        Path out = Files.createDirectories(home.resolve("out"));
        Files.writeString(out.resolve("frame-000001.png"), "mine");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> render(out, 0, 2, two, Progress.NONE))
                .withMessageContaining("frame-000001.png");
        assertThat(Files.readString(out.resolve("frame-000001.png"))).isEqualTo("mine");
    }

    @Test
    void aShorterShotTakesItsOwnOlderTailAwayAndNothingElse() throws Exception {
        Path out = home.resolve("out");
        shot = shot.told("", "", 0.5);
        render(out, 0, 11, two, Progress.NONE);
        Files.writeString(out.resolve("frame-000020.png"), "somebody else's");
        shot = shot.told("", "", 0.25);
        assertThat(render(out, 0, 5, two, Progress.NONE).removed()).isEqualTo(6);
        assertThat(names(out)).hasSize(7).contains("frame-000020.png", "frame-000005.png").doesNotContain("frame-000006.png");
    }

    @ParameterizedTest
    @ValueSource(strings = {"footage/clean-2.mp4", "footage/new.mkv", "footage", "production.json", ".", "footage/more/x.mkv"})
    void footageAndTheProductionAreNeverWrittenOver(String name) {
        Path out = folder.path().resolve(name);
        assertThatExceptionOfType(FootageException.class)
                .isThrownBy(() -> {
                    try (ShotRenderer r = new ShotRenderer(folder, Measured.NOTHING, contents, two)) {
                        new RenderJob(r, shot, new RenderJob.Target(out, VideoFormat.FFV1_MKV, 0, 1)).run(Progress.NONE);
                    }
                }).withMessageContaining("never written over");
    }

    @Test
    void aFilmThatBeginsLaterHasTheSoundOfThatMoment() throws Exception {
        Path wav = home.resolve("tone.wav");
        ByteBuffer samples = ByteBuffer.allocate(2 * 48000).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 48000; i++) {
            // Silence, then a tone from half a second on.
            samples.putShort((short) (i < 24000 ? 0 : 9000 * Math.sin(i * 0.05)));
        }
        var format = new AudioFormat(48000, 16, 1, true, false);
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(samples.array()), format, 48000),
                AudioFileFormat.Type.WAVE, wav.toFile());
        VideoSink.Plan heard = new VideoSink.Plan(TinyShoot.WIDTH, TinyShoot.HEIGHT, 24, VideoFormat.FFV1_MKV, 9, wav);
        try (VideoSink s = new VideoSink(folder.path().resolve("footage/heard.mkv"), heard)) {
            for (int i = 0; i < 24; i++) {
                s.write(TinyShoot.wall());
            }
        }
        shot = shot.told("", "", 1).withPlate("maker", p -> p.withTakes(List.of(new Take("maker-1", "footage/heard.mkv", true, ""))));
        Path out = home.resolve("late.mkv");
        render(out, 14, 20, two, Progress.NONE);
        // The tone is there from the first sample on.
        byte[] film = Files.readAllBytes(out);
        int loud = 0;
        for (int i = film.length - 20_000; i < film.length - 1; i += 2) {
            loud += Math.abs((short) (film[i] & 255 | film[i + 1] << 8)) > 4000 ? 1 : 0;
        }
        assertThat(loud).as("samples of the tone near the end of the file").isGreaterThan(3000);
    }
}
