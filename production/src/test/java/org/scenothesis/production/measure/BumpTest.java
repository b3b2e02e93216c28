package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.testkit.LockCase;

/// A bump in the middle of a take is found at its very frame, and nothing else is taken for one.
class BumpTest {
    private static final int WIDTH = 480;
    private static final int FRAMES = 30;

    @TempDir
    Path folder;

    private interface At {
        Picture frame(Picture light, int i);
    }

    private LockReport film(String name, At at) throws FootageException {
        try (Bands bands = Bands.allCores()) {
            Picture light = LockCase.twenty().getFirst().light(false, WIDTH, bands);
            Path file = folder.resolve(name + ".mp4");
            try (VideoSink sink = new VideoSink(file, new VideoSink.Plan(WIDTH, WIDTH * 9 / 16, 24, VideoFormat.H264_MP4, 9, null))) {
                for (int i = 0; i < FRAMES; i++) {
                    sink.write(new Sensor(Rgb.grey(1), 6e-5, 9e-4, 2).record(at.frame(light, i), i, bands));
                }
            }
            return LockCheck.run(FootageSource.of(file), FootageSource.of(file), bands, Progress.NONE);
        }
    }

    private static Picture shifted(Picture p, double x, double y) {
        return Resample.warp(p, PlanarMap.shift(-x, -y), Bands.sequential());
    }

    @ParameterizedTest
    @CsvSource({"7, 1.7", "15, 0.5", "24, 3.2", "11, 0.3"})
    void theBumpFrameIsExact(int frame, double px) throws FootageException {
        LockReport r = film("bump" + frame, (p, i) -> i < frame ? p : shifted(p, px, -px / 3));
        assertThat(r.bumpFrame()).as(r.series().toString()).isEqualTo(frame);
        assertThat(r.bumpPx()).isCloseTo(px * Math.hypot(1, 1 / 3.0), Offset.offset(0.1));
        assertThat(r.settled().shift().x()).isCloseTo(px, Offset.offset(0.05));
    }

    @Test
    void aTakeThatIsLockedHasNone() throws FootageException {
        assertThat(film("locked", (p, i) -> p).bumpFrame()).isNull();
    }

    @Test
    void slowLightIsADriftAndNoBump() throws FootageException {
        LockReport r = film("cloud", (p, i) -> new Sensor(Rgb.grey(1), 0, 0, 1).exposed(-0.2 * i / (FRAMES - 1))
                .record(p, 0, Bands.sequential()));
        assertThat(r.bumpFrame()).isNull();
        assertThat(r.driftStops()).isBetween(-0.24, -0.16);
        assertThat(r.jumpStops()).isBetween(-0.04, 0.04);
    }

    @Test
    void aSuddenStepOfExposureIsAJump() throws FootageException {
        LockReport r = film("jump", (p, i) -> new Sensor(Rgb.grey(1), 0, 0, 1).exposed(i < 14 ? 0 : 0.3).record(p, 0, Bands.sequential()));
        assertThat(r.jumpStops()).isBetween(0.25, 0.35);
    }

    @Test
    void sizesThatDifferAreRefusedWithBothSizes() throws FootageException {
        film("wide", (p, i) -> p);
        Path still = folder.resolve("small.png");
        Stills.write(still, Picture.filled(64, 36, 0.2f, 0.2f, 0.2f), Stills.Format.PNG8);
        assertThatThrownBy(() -> LockCheck.run(FootageSource.of(folder.resolve("wide.mp4")), FootageSource.of(still), Bands.sequential(),
                Progress.NONE))
                .isInstanceOf(FootageException.class)
                .hasMessageContaining("64x36")
                .hasMessageContaining("480x270");
    }

    @Test
    void itStopsWhenAsked() throws FootageException {
        film("stop", (p, i) -> p);
        Path file = folder.resolve("stop.mp4");
        assertThatThrownBy(() -> LockCheck.run(FootageSource.of(file), FootageSource.of(file), Bands.sequential(), (done, of) -> done < 3))
                .isInstanceOf(Stopped.class);
    }

    @Test
    void greyAllOverIsNoPlaceToMeasureAndSaysSo() throws FootageException {
        LockReport r = film("grey", (p, i) -> Picture.filled(p.width(), p.height(), 0.2f, 0.2f, 0.2f));
        assertThat(r.found()).isFalse();
    }
}
