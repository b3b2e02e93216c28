package org.scenothesis.bench;

import java.util.Objects;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.key.ScreenModels;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.shot.step.KeySettings;

/// Kernels of the key at 1920×1080, frames per second.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(value = 1, jvmArgsAppend = {"--add-modules", "jdk.incubator.vector", "-XX:LoopUnrollLimit=400"})
public class KeyBenchmark {
    private final Bands bands = Bands.sequential();
    private Picture take = Picture.of(1, 1);
    private @Nullable ScreenModel screen;

    @Setup
    public void fill() {
        take = Pictures.screen(1920, 1080);
        screen = ScreenModels.fromFrame(take, bands);
    }

    @Benchmark
    public Keyed wholeKey() {
        return Keyer.key(take, Objects.requireNonNull(screen), KeySettings.DEFAULT, null, bands);
    }

    @Benchmark
    public Plane blurOfTwentyPixels() {
        return Blur.gaussian(take.g(), 20, bands);
    }
}
