package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

class FrameStoreTest {
    private static final int FRAMES = 12;
    private static final int WIDTH = 64;
    private static final int HEIGHT = 36;

    @TempDir
    Path folder;

    private final AtomicLong clock = new AtomicLong();
    private final AtomicInteger decoded = new AtomicInteger();
    private final FrameStore store = new FrameStore(8 << 20, p -> p.toString().contains("forbidden") ? "it lies elsewhere."
            : null, decoded::incrementAndGet, clock::get);
    private FootageSource take;

    /// Grey that grows by a step a frame, from `level`.
    private static Picture grey(float level) {
        return Picture.filled(WIDTH, HEIGHT, level, level, level);
    }

    private Path film(String name, float from) throws FootageException {
        Path file = folder.resolve(name);
        try (VideoSink s = new VideoSink(file, new VideoSink.Plan(WIDTH, HEIGHT, 24, VideoFormat.FFV1_MKV, 9, null))) {
            for (int i = 0; i < FRAMES; i++) {
                s.write(grey(from + 0.02f * i));
            }
        }
        return file;
    }

    @BeforeEach
    void setUp() throws Exception {
        take = FootageSource.of(film("take.mkv", 0.1f));
    }

    @AfterEach
    void tearDown() {
        store.close();
    }

    private static float level(Picture p) {
        return p.g().at(WIDTH / 2, HEIGHT / 2);
    }

    @Test
    void aFrameIsDecodedOnceAndTheLastIsHeld() throws Exception {
        Picture first = store.frame(take, 3);
        assertThat(store.frame(take, 3)).isEqualTo(first);
        assertThat(store.frame(take, 3).g()).isSameAs(first.g());
        assertThat(store.at(take, 3 / 24.0).g()).isSameAs(first.g());
        assertThat(store.frame(take, 400).g()).isSameAs(store.frame(take, FRAMES - 1).g());
        assertThat(store.at(take, -1).g()).isSameAs(store.frame(take, 0).g());
        assertThat(level(first)).isBetween(0.15f, 0.17f);
        assertThat(decoded).as("told before each frame that is decoded: 3, 11 and 0").hasValue(3);
    }

    @Test
    void aFileThatNobodyReadsIsClosedWhenAnotherIsOpened() throws Exception {
        FootageSource other = FootageSource.of(film("other.mkv", 0.5f));
        store.frame(take, 3);
        store.frame(other, 3);
        assertThat(store.opened()).containsExactly(take, other);
        clock.addAndGet(FrameStore.IDLE_NS + 1);
        try (FrameLane lane = store.lane()) {
            lane.footage(other);
            assertThat(store.opened()).as("a decoder keeps frames of its own").isEmpty();
        }
        clock.addAndGet(FrameStore.LOOK_NS);
        assertThat(level(store.frame(take, 4))).isBetween(0.17f, 0.19f);
        assertThat(store.opened()).containsExactly(take);
    }

    @Test
    void itIsAskedFromManyThreads() throws Exception {
        List<Throwable> failures = Collections.synchronizedList(new ArrayList<>());
        List<Thread> threads = new ArrayList<>();
        for (int t = 0; t < 4; t++) {
            int seed = t;
            threads.add(Thread.ofPlatform().start(() -> {
                try (FrameLane lane = store.lane()) {
                    for (int i = 0; i < 40; i++) {
                        int frame = (i * 7 + seed) % FRAMES;
                        Picture p = seed % 2 == 0 ? store.frame(take, frame) : lane.footage(take).frame(frame);
                        assertThat(level(p)).isBetween(0.09f + 0.02f * frame, 0.11f + 0.02f * frame);
                    }
                } catch (Throwable e) {
                    failures.add(e);
                }
            }));
        }
        for (Thread t : threads) {
            t.join();
        }
        assertThat(failures).isEmpty();
    }

    @Test
    void whatIsReadInOrderIsReadAhead() throws Exception {
        store.frame(take, 4);
        assertThat(store.keeps(take, 5)).as("one frame is no order").isFalse();
        store.frame(take, 5);
        await().until(() -> store.keeps(take, 6));
        assertThat(store.keeps(take, 8)).isFalse();
    }

    @Test
    void brokenAndForbiddenFootageIsSaid() throws Exception {
        Path broken = Files.writeString(folder.resolve("broken.mov"), "no film");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> store.frame(FootageSource.of(broken), 0))
                .withMessageContaining("broken.mov");
        FootageSource forbidden = FootageSource.of(film("forbidden.mkv", 0.1f));
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> store.frame(forbidden, 0))
                .withMessageContaining("lies elsewhere");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> store.small(forbidden, 0, 8, 8))
                .withMessageContaining("lies elsewhere");
        try (FrameLane lane = store.lane()) {
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> lane.footage(forbidden))
                    .withMessageContaining("lies elsewhere");
        }
        assertThat(store.frame(take, 0).width()).isEqualTo(WIDTH);
    }

    /// A file that was replaced or removed while it was open used to show its old frames under the asked numbers.
    @Test
    void footageThatChangesWhileItIsOpenIsNoticed() throws Exception {
        assertThat(level(store.frame(take, 3))).isLessThan(0.2f);
        clock.addAndGet(FrameStore.LOOK_NS);
        Files.copy(film("other.mkv", 0.5f), take.path(), StandardCopyOption.REPLACE_EXISTING);
        assertThat(level(store.frame(take, 3))).isGreaterThan(0.5f);
        clock.addAndGet(FrameStore.LOOK_NS);
        Files.delete(take.path());
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> store.frame(take, 3)).withMessageContaining("take.mkv")
                .withMessageContaining("find it again");
    }

    /// A render is of the files it began with, whatever the others see meanwhile.
    @Test
    void aLaneStaysWithTheFileItOpened() throws Exception {
        try (FrameLane lane = store.lane()) {
            assertThat(level(lane.footage(take).frame(3))).isLessThan(0.2f);
            clock.addAndGet(FrameStore.LOOK_NS);
            Files.move(film("other.mkv", 0.5f), take.path(), StandardCopyOption.REPLACE_EXISTING);
            assertThat(level(store.frame(take, 5))).isGreaterThan(0.5f);
            assertThat(level(lane.footage(take).frame(5))).isBetween(0.19f, 0.21f);
            assertThat(level(store.frame(take, 5))).isGreaterThan(0.5f);
        }
    }

    /// Without any room, a still is yet read once for all frames of a shot.
    @Test
    void aLaneKeepsTheLastFrameOfEveryFile() throws Exception {
        try (FrameStore none = new FrameStore(0, p -> null); FrameLane lane = none.lane()) {
            Picture p = lane.footage(take).frame(2);
            assertThat(none.held()).isZero();
            assertThat(lane.footage(take).frame(2)).isSameAs(p);
            assertThat(lane.footage(take).frame(3)).isNotSameAs(p);
        }
    }

    @Test
    void manyFilesAreOpenedAndOnlySomeStayOpen() throws Exception {
        Path still = folder.resolve("still.png");
        Stills.write(still, grey(0.2f), Stills.Format.PNG8);
        for (int i = 0; i < 40; i++) {
            Path copy = Files.copy(still, folder.resolve("copy-" + i + ".png"));
            assertThat(store.frame(FootageSource.of(copy), 0).width()).isEqualTo(WIDTH);
        }
        try (var open = Files.list(Path.of("/proc/self/fd"))) {
            assertThat(open.filter(Files::exists).filter(p -> {
                try {
                    return p.toRealPath().toString().contains("copy-");
                } catch (IOException e) {
                    return false;
                }
            }).count()).isLessThanOrEqualTo(6);
        } catch (NoSuchFileException e) {
            // Only some systems tell which files are open.
        }
        assertThat(store.held()).isLessThanOrEqualTo(8 << 20);
    }
}
