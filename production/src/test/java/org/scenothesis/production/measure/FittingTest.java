package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import org.scenothesis.testkit.TinyShoot;

/// Footage that does not fit together: other sizes, rates and lengths, and what is proved against what.
class FittingTest {
    @TempDir
    Path home;

    private final Bands bands = Bands.sequential();
    private ProductionFolder folder;
    private Shot shot;

    @BeforeEach
    void lay() throws Exception {
        folder = ProductionFolder.create(home.resolve("p"), Lantern.production());
        TinyShoot.film(folder.path());
        shot = folder.production().shot("12").told("", "", 0.5);
    }

    @AfterEach
    void close() {
        folder.close();
        bands.close();
    }

    private void film(String name, int width, int height, double rate, int frames, double shift) throws FootageException {
        Picture wall = Resample.warp(TinyShoot.wall(), PlanarMap.shift(shift, 0), bands);
        try (VideoSink s = new VideoSink(folder.path().resolve("footage/" + name),
                new VideoSink.Plan(width, height, rate, VideoFormat.FFV1_MKV, 9, null))) {
            for (int i = 0; i < frames; i++) {
                s.write(Resample.scale(wall, width, height, bands));
            }
        }
    }

    private Shot with(String plate, String... files) {
        return shot.withPlate(plate, p -> p.withTakes(Arrays.stream(files).map(f -> new Take(f, "footage/" + f, f.equals(files[0]), ""))
                .toList()));
    }

    private Measured survey(Shot s) {
        return new Surveyor(folder, bands).survey(s, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
    }

    private List<Finding> findings(Shot s, Measured m, String plate) {
        return new Judge(folder).of(s, m, folder.production().houseRules()).of(plate).findings();
    }

    @Test
    void sizesRatesAndLengthsThatDifferAreFindingsWithWhatTheRenderDoes() throws Exception {
        film("big.mkv", 320, 180, 30, 9, 0);
        Shot s = with("maker", "big.mkv");
        Measured m = survey(s);
        List<Finding> f = findings(s, m, "maker");
        assertThat(f).extracting(Finding::measure).contains(Measure.SIZE, Measure.RATE, Measure.LENGTH);
        assertThat(f).filteredOn(x -> x.measure() == Measure.SIZE).first().satisfies(x -> {
            assertThat(x.verdict()).isEqualTo(Verdict.WATCH);
            assertThat(Words.sentence(x).meaning()).contains("320").contains("180").contains("160").contains("scales");
        });
        assertThat(Words.sentence(f.stream().filter(x -> x.measure() == Measure.LENGTH).findFirst().orElseThrow()).meaning())
                .contains("holds its last frame");
        try (ShotRenderer r = new ShotRenderer(folder, m, new Surveyor(folder, bands).contents(), bands)) {
            assertThat(r.frame(s, 0.45).width()).isEqualTo(TinyShoot.WIDTH);
        }
        film("tall.mkv", 160, 120, 24, 12, 0);
        assertThat(findings(with("maker", "tall.mkv"), survey(with("maker", "tall.mkv")), "maker"))
                .anyMatch(x -> x.measure() == Measure.SIZE && x.verdict() == Verdict.REDO && Words.sentence(x).meaning()
                .contains("stretch"));
    }

    @Test
    void againstAToldSizeAndRateTheBaseItselfIsAFinding() throws Exception {
        Shot s = with("maker", "big.mkv").withFormat(new FrameFormat(640, 480, 50));
        film("big.mkv", 320, 240, 50, 60, 0);
        Measured m = survey(s);
        assertThat(findings(s, m, "clean")).as("its picture is stretched").anyMatch(x -> x.measure() == Measure.SIZE
                && x.verdict() == Verdict.REDO);
        assertThat(findings(s, m, "clean")).anyMatch(x -> x.measure() == Measure.RATE);
        assertThat(findings(s, m, "maker")).as("of the told shape and rate").anyMatch(x -> x.measure() == Measure.SIZE
                && x.verdict() == Verdict.WATCH)
                .noneMatch(x -> x.measure() == Measure.RATE);
    }

    /// An outline that moves belongs to moments of the shot: measured are those frames of the take that the shot shows then.
    @Test
    void aMovingGarbageMatteIsMeasuredWhereTheShotShowsTheTake() {
        Outline still = shot.layer("lantern").orElseThrow().garbage();
        List<Point> all = List.of(new Point(0, 0), new Point(1, 0), new Point(1, 1), new Point(0, 1));
        Outline moving = Outline.of(Animated.of(all).key(0, all, Ease.STEADY).key(0.3, still.at(0), Ease.STEADY), 0);
        Shot held = shot.withLayer("lantern", l -> l.withSteps(l.steps().stream().map(s -> s == l.garbage() ? moving : s).toList())
                .withTime(new TimeMap.Held(3 / 24.0)));
        Shot back = held.withLayer("lantern", l -> l.withTime(new TimeMap.Straight(0.4, -0.1)));
        assertThat(keyed(shot)).startsWith(0).endsWith(TinyShoot.FRAMES - 1);
        assertThat(keyed(held)).containsOnly(3);
        assertThat(keyed(back)).isSortedAccordingTo(Comparator.reverseOrder()).startsWith(9);
    }

    /// What goes along with something that was followed is measured where it has gone: here out of the picture, where nothing is solid any
    /// more.
    @Test
    void aGarbageMatteThatGoesAlongIsMeasuredWhereItIs() {
        Track track = new Track("gone", "it leaves", "lantern", List.of(
                new Track.Spot(0, List.of(new Point(0.5, 0.5)), 1, 0, 1, false), new Track.Spot(3 / 24.0, List.of(new Point(3.5, 0.5)), 1,
                0, 1, false)));
        Shot hung = Tracks.with(shot, track)
                .withLayer("lantern",
                l -> l.withSteps(l.steps().stream().map(s -> s == l.garbage() ? l.garbage().withHung(new TrackBinding("gone", 0, false))
                : s).toList()));
        List<KeyReport.At> samples = survey(hung).key(hung, hung.plate("lantern").orElseThrow()).orElseThrow().samples();
        assertThat(samples.getFirst().measures().solid()).isPositive();
        assertThat(samples.getLast().measures().solid()).isZero();
        Shot elsewhere = Tracks.with(hung, track.withSpots(track.spots().subList(0, 1)));
        assertThat(survey(elsewhere).key(elsewhere, elsewhere.plate("lantern").orElseThrow()).orElseThrow().samples().getLast().measures()
                .solid()).as("followed otherwise, measured anew").isPositive();
    }

    private List<Integer> keyed(Shot s) {
        return survey(s).key(s, s.plate("lantern").orElseThrow()).orElseThrow().samples().stream().map(KeyReport.At::frame).toList();
    }

    /// A plan that asks for more than the shelf has: no go, and each is named; what is only proposed may be left.
    @Test
    void aPlateThatIsPlannedAndNotOnTheShelfIsNotKnown() {
        Shot s = shot.withPlates(shot.plates().stream().filter(p -> p.role() == PlateRole.CLEAN).toList());
        Judgement j = new Judge(folder).of(s, survey(s), folder.production().houseRules());
        assertThat(j.findings()).filteredOn(f -> f.measure() == Measure.NEEDED).isNotEmpty().allSatisfy(f -> {
            assertThat(f.verdict()).isEqualTo(Verdict.NOT_MEASURED);
            assertThat(Words.sentence(f).meaning()).contains("not on the shelf");
        }).anySatisfy(f -> assertThat(f.note()).containsIgnoringCase("lantern"))
                .noneSatisfy(f -> assertThat(f.note()).containsIgnoringCase("card"));
        assertThat(j.of("clean").verdict()).isNotEqualTo(Verdict.NOT_MEASURED);
        assertThat(j.go()).isNotEqualTo(Judgement.Answer.YES);
        assertThat(new Judge(folder).of(shot, survey(shot), folder.production().houseRules()).findings())
                .noneMatch(f -> f.measure() == Measure.NEEDED);
    }

    /// While the plan of a shot is not known nothing is ready, however much was measured.
    @Test
    void withoutAPlanNothingIsReady() {
        Judgement j = new Judge(folder).of(shot, null, survey(shot), folder.production().houseRules());
        assertThat(j.findings()).filteredOn(f -> f.measure() == Measure.NEEDED).singleElement().satisfies(f -> {
            assertThat(f.verdict()).isEqualTo(Verdict.NOT_MEASURED);
            assertThat(f.note()).contains("plan of this shot is not known");
        });
        assertThat(j.go()).isNotEqualTo(Judgement.Answer.YES);
    }

    /// A key that was taken off its layer asks for nothing any more; a plate that no layer uses yet does.
    @Test
    void aKeyThatIsNotUsedHasNoFindings() {
        Shot without = shot.withLayer("lantern", l -> l.without(Key.class));
        Shot unused = shot.withLayers(List.of());
        for (Shot s : List.of(shot, unused)) {
            assertThat(findings(s, survey(s), "lantern")).anyMatch(f -> f.measure() == Measure.GREY_INSIDE);
        }
        assertThat(findings(without, survey(without), "lantern")).noneMatch(f -> f.measure() == Measure.GREY_INSIDE
                || f.measure() == Measure.SCREEN_EVENNESS);
    }

    /// A second take of the clean plate used to be compared with its own beginning, and to hold however far it stood away.
    @Test
    void everyTakeOfTheLockGroupIsProvedAgainstTheCircledCleanPlate() throws Exception {
        film("here.mkv", TinyShoot.WIDTH, TinyShoot.HEIGHT, 24, 12, 0);
        film("away.mkv", TinyShoot.WIDTH, TinyShoot.HEIGHT, 24, 12, 1);
        Shot s = with("clean", "here.mkv", "away.mkv");
        Measured m = survey(s);
        var clean = s.plate("clean").orElseThrow();
        var here = m.lock(s, clean, clean.take("here.mkv").orElseThrow()).orElseThrow();
        var away = m.lock(s, clean, clean.take("away.mkv").orElseThrow()).orElseThrow();
        assertThat(here.furthest().largestShiftPx()).isLessThan(0.05);
        assertThat(camera(s, m, "away.mkv")).doesNotContain("where this take began");
        assertThat(away.furthest().shift().length()).isBetween(0.9, 1.1);
        assertThat(camera(s, m, "here.mkv")).contains("first frame to the last");
        // Another one circled: everything is proved anew, against it.
        Shot other = s.withPlate("clean", p -> p.circling("away.mkv"));
        Measured again = new Surveyor(folder, bands).survey(other, List.of(), m, Progress.NONE, t -> {});
        assertThat(camera(other, m, "here.mkv")).as("a reading against something else is none").contains("is not known");
        assertThat(camera(other, again, "here.mkv")).contains("The camera moved by 1");
    }

    private String camera(Shot s, Measured m, String take) {
        var clean = s.plate("clean").orElseThrow();
        return new Judge(folder).take(s, clean, clean.take(take).orElseThrow(), m, folder.production().houseRules()).findings().stream()
                .filter(f -> f.measure() == Measure.CAMERA).map(f -> Words.sentence(f).meaning()).findFirst().orElseThrow();
    }

    @Test
    void aPlateWithoutACleanPlateIsNotMeasuredAndSaysSo() {
        Shot s = shot.withPlate("clean", p -> p.withTakes(List.of()));
        assertThat(findings(s, survey(s), "maker")).filteredOn(f -> f.measure() == Measure.CAMERA).first()
                .satisfies(f -> {
                    assertThat(f.verdict()).isEqualTo(Verdict.NOT_MEASURED);
                    assertThat(f.note()).contains("no clean plate");
                });
    }

    /// The demo's takes with one bumped: each stretch is brought back by its own shift, and what was filmed before the bump is left alone.
    @Test
    void onlyWhatWasFilmedAfterTheBumpIsBroughtBack() throws Exception {
        film("clean.mkv", TinyShoot.WIDTH, TinyShoot.HEIGHT, 24, 24, 0);
        try (VideoSink s = new VideoSink(folder.path().resolve("footage/bumped.mkv"), new VideoSink.Plan(TinyShoot.WIDTH, TinyShoot.HEIGHT,
                24, VideoFormat.FFV1_MKV, 9, null))) {
            for (int i = 0; i < 24; i++) {
                s.write(i < 12 ? TinyShoot.wall() : Resample.warp(TinyShoot.wall(), PlanarMap.shift(3, 0), bands));
            }
        }
        Shot s = with("clean", "clean.mkv").told("", "", 1)
                .withPlate("maker", p -> p.withTakes(List.of(new Take("b", "footage/bumped.mkv", true, ""))))
                .withLayers(List.of(shot.layers().get(0), shot.layer("maker").orElseThrow().without(Outline.class)));
        Measured m = survey(s);
        var maker = s.plate("maker").orElseThrow();
        assertThat(m.lock(s, maker, maker.takes().getFirst()).orElseThrow().bumpFrame()).isEqualTo(12);
        try (ShotRenderer r = new ShotRenderer(folder, m, new Surveyor(folder, bands).contents(), bands);
                Footage clean = Footages.open(folder.path().resolve("footage/clean.mkv"))) {
            for (int frame : new int[] {3, 20}) {
                float[] done = r.frame(s, frame / 24.0).g().data();
                float[] wanted = clean.frame(frame).g().data();
                double sum = 0;
                for (int y = 8; y < TinyShoot.HEIGHT - 8; y++) {
                    for (int x = 8; x < TinyShoot.WIDTH - 8; x++) {
                        sum += Math.abs(done[y * TinyShoot.WIDTH + x] - wanted[y * TinyShoot.WIDTH + x]);
                    }
                }
                assertThat(sum / ((TinyShoot.WIDTH - 16) * (TinyShoot.HEIGHT - 16))).as("frame " + frame).isLessThan(0.012);
            }
        }
    }

    @Test
    void theMatrixThatAgreesWithTheCleanStillIsProposed() throws Exception {
        // Untagged, small: BT.601 is assumed, but it was made with BT.709.
        Path clip = folder.path().resolve("footage/untagged.mkv");
        Picture painted = TinyShoot.wall();
        for (int i = 0; i < painted.r().data().length; i++) {
            (i % 48 < 16 ? painted.r() : i % 48 < 32 ? painted.g() : painted.b()).data()[i] *= 2;
        }
        UntaggedClip.write(clip, painted, 4);
        Stills.write(folder.path().resolve("footage/still.png"), painted, Stills.Format.PNG8);
        Shot s = with("clean", "still.png").withPlate("maker", p -> p.withTakes(List.of(new Take("u", "footage/untagged.mkv", true, ""))));
        Measured m = survey(s);
        assertThat(findings(s, m, "maker")).filteredOn(f -> f.measure() == Measure.MATRIX).first()
                .satisfies(f -> assertThat(f.note()).contains("BT.709"));
    }

    /// What is lost is said where it is looked for; a track that is not there asks for mending.
    @Test
    void layersThatHangOnWhatWasNotFoundAreSaid() {
        Track.Spot first = new Track.Spot(0, List.of(new Point(0.5, 0.5)), 1, 0, 1, true);
        Track.Spot later = new Track.Spot(4 / 24.0, List.of(new Point(0.5, 0.5)), 1, 0, 1, false);
        Shot hung = shot.withTracks(List.of(new Track("t", "hand", "maker", List.of(first, later))))
                .withLayer("lantern", l -> l.with(new Follow(new TrackBinding("t", 0, true))));
        Measured m = survey(hung);
        assertThat(findings(hung, m, "maker")).filteredOn(f -> f.measure() == Measure.FOLLOWED).singleElement().satisfies(f -> {
            assertThat(f.verdict()).isEqualTo(Verdict.WATCH);
            assertThat(f.value()).as("twelve frames, found in two").isEqualTo(10);
            assertThat(Words.sentence(f).meaning()).contains("10 frames of 12");
        });
        Shot astray = hung.withTracks(List.of());
        assertThat(findings(astray, m, "lantern")).filteredOn(f -> f.measure() == Measure.FOLLOWED).singleElement()
                .extracting(Finding::verdict).isEqualTo(Verdict.REDO);
        assertThat(findings(shot, m, "maker")).noneMatch(f -> f.measure() == Measure.FOLLOWED);
    }
}
