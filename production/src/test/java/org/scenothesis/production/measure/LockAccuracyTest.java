package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.testkit.LockCase;

/// The figures of the lock check on twenty rendered cases with noise and H.264 compression.
class LockAccuracyTest {
    private static final int WIDTH = 640;

    @TempDir
    static Path folder;

    private static Bands bands;
    private static final Map<String, LockReport> REPORTS = new HashMap<>();

    @BeforeAll
    static void film() throws FootageException {
        bands = Bands.allCores();
        Map<Object, Picture> lights = new HashMap<>();
        for (LockCase c : LockCase.twenty()) {
            Picture before = lights.computeIfAbsent(c.before(), k -> c.light(false, WIDTH, bands));
            Picture after = c.light(true, WIDTH, bands);
            Path reference = write(c, false, before);
            Path take = write(c, true, after);
            REPORTS.put(c.name(), LockCheck.run(FootageSource.of(reference), FootageSource.of(take), bands, Progress.NONE));
        }
    }

    private static Path write(LockCase c, boolean take, Picture light) throws FootageException {
        Path file = folder.resolve(c.name().replace(' ', '-') + (take ? "-take.mp4" : "-reference.mp4"));
        try (VideoSink sink = new VideoSink(file, new VideoSink.Plan(WIDTH, WIDTH * 9 / 16, 24, VideoFormat.H264_MP4, 9, null))) {
            for (int i = 0; i < 3; i++) {
                sink.write(c.sensor(take).record(light, i, bands));
            }
        }
        return file;
    }

    @AfterAll
    static void close() {
        bands.close();
    }

    @Test
    void shiftAtTheCentreIsFoundToATwentiethOfAPixel() {
        List<Double> errors = new ArrayList<>();
        for (LockCase c : LockCase.twenty()) {
            Point truth = c.shiftAt(WIDTH, new Point(WIDTH / 2.0, WIDTH * 9 / 32.0));
            double error = REPORTS.get(c.name()).settled().shift().minus(truth).length();
            System.out.printf("lock case %-22s shift error %.4f px, stop error %.4f%n", c.name(), error, REPORTS.get(c.name())
                    .exposureStops() - c.trueStops());
            errors.add(error);
        }
        double[] sorted = errors.stream().mapToDouble(d -> d).sorted().toArray();
        System.out.printf("lock: median shift error %.4f px, worst %.4f px%n", sorted[sorted.length / 2], sorted[sorted.length - 1]);
        assertThat(sorted[sorted.length / 2]).isLessThanOrEqualTo(0.05);
        assertThat(sorted[sorted.length - 1]).isLessThanOrEqualTo(0.2);
    }

    @Test
    void cornersAreFoundToo() {
        for (LockCase c : LockCase.twenty()) {
            Point[] corners = {new Point(0, 0), new Point(WIDTH, 0), new Point(WIDTH, WIDTH * 9 / 16.0), new Point(0, WIDTH * 9 / 16.0)};
            for (int i = 0; i < 4; i++) {
                Point truth = c.shiftAt(WIDTH, corners[i]);
                assertThat(REPORTS.get(c.name()).settled().corners().get(i).minus(truth).length()).as(c.name()).isLessThan(0.45);
            }
        }
    }

    @Test
    void exposureIsFoundToAFiftiethOfAStop() {
        for (LockCase c : LockCase.twenty()) {
            assertThat(REPORTS.get(c.name()).exposureStops() - c.trueStops()).as(c.name()).isBetween(-0.02, 0.02);
        }
    }

    @Test
    void whiteBalanceHasTheSignOfTheTint() {
        assertThat(REPORTS.get("cooler").settled().gains().mired()).isLessThan(-5);
        assertThat(REPORTS.get("locked").settled().gains().mired()).isBetween(-1.5, 1.5);
    }

    @Test
    void changesInTheSetAreNoMoves() {
        for (String name : List.of("dimmed lamp", "moved chair", "large figure, locked", "locked, noisy", "plain wall, locked")) {
            assertThat(REPORTS.get(name).settled().largestShiftPx()).as(name).isLessThan(0.25);
        }
    }

    @Test
    void rollAndZoomAreTold() {
        assertThat(REPORTS.get("roll").settled().rollDeg()).isCloseTo(-0.1, Offset.offset(0.01));
        assertThat(REPORTS.get("zoom").settled().zoomPercent()).isCloseTo(0.2, Offset.offset(0.02));
    }

    @Test
    void theSameFootageGivesTheSameFigures() throws FootageException {
        LockCase c = LockCase.twenty().get(4);
        Path reference = folder.resolve(c.name().replace(' ', '-') + "-reference.mp4");
        Path take = folder.resolve(c.name().replace(' ', '-') + "-take.mp4");
        LockReport again = LockCheck.run(FootageSource.of(reference), FootageSource.of(take), Bands.sequential(), Progress.NONE);
        assertThat(again).isEqualTo(REPORTS.get(c.name()));
        assertThat(Arrays.asList(again.series().toArray())).hasSize(3);
    }
}
