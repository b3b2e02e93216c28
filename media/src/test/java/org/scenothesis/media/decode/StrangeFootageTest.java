package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import org.assertj.core.data.Offset;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.ColourInterpretation;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.code.FramePlane;
import org.scenothesis.media.encode.Stills;

/// Transparency, high dynamic range, fields, pixels that are not square, very large pictures, and takes whose curve the crew knows better.
class StrangeFootageTest {
    @TempDir
    Path folder;

    private static void plane(AVFrame f, int plane, int height, int code, boolean wide) {
        FramePlane p = FramePlane.of(f, plane, height);
        byte[] row = new byte[p.stride()];
        for (int x = 0; x < row.length; x++) {
            row[x] = (byte) (!wide || x % 2 == 0 ? code : code >> 8);
        }
        for (int y = 0; y < height; y++) {
            p.write(y, row);
        }
    }

    @ParameterizedTest
    @CsvSource({"webm, libvpx-vp9, yuva420p, 8", "mov, prores_ks, yuva444p10le, 10"})
    void aClipKeepsItsOwnAlpha(String muxer, String codec, String pixels, int depth) throws Exception {
        Clips.Kind kind = new Clips.Kind(muxer, codec, pixels, 64, 64);
        int scale = 1 << depth - 8;
        Path file = Clips.write(folder.resolve("alpha." + muxer), kind, 4, (f, i) -> {
            for (int k = 0; k < 4; k++) {
                boolean half = k % 3 != 0 && pixels.contains("420");
                plane(f, k, half ? 32 : 64, (k == 3 ? 64 : 128) * scale, depth > 8);
            }
        });
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().coding().alpha()).isTrue();
            assertThat(f.frame(2).alpha().at(30, 30)).isCloseTo(0.25f, Offset.offset(0.02f));
        }
    }

    @ParameterizedTest
    @CsvSource({"16, PQ, 0.5, 0.4554", "18, HLG, 0.75, 1", "18, HLG, 0.5, 0.3145", "1, SRGB, 0.5, 0.2140", "9, LOG100, 0.5, 0.1"})
    void curvesAreFollowedOrReadLikeStills(int tag, Transfer curve, double code, double light) throws Exception {
        Clips.Kind kind = new Clips.Kind("matroska", "ffv1", "yuv420p10le", 32, 32).with(c -> {
            c.color_trc(tag);
            c.color_range(AVCOL_RANGE_MPEG);
            c.colorspace(AVCOL_SPC_BT2020_NCL);
        });
        Path file = Clips.write(folder.resolve("hdr.mkv"), kind, 2, (f, i) -> {
            plane(f, 0, 32, (int) Math.round((16 + 219 * code) * 4), true);
            plane(f, 1, 16, 512, true);
            plane(f, 2, 16, 512, true);
        });
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().coding().transfer()).isEqualTo(curve);
            assertThat((double) f.frame(1).g().at(9, 9)).isCloseTo(light, Offset.offset(0.012 * light));
            if (curve == Transfer.PQ || curve == Transfer.HLG) {
                assertThat(f.info().notes()).anyMatch(n -> n.contains("white"));
            }
        }
        ColourInterpretation told = new ColourInterpretation(Transfer.GAMMA24, ColourMatrix.BT709, true);
        try (Footage f = Footages.open(new FootageSource(file, told))) {
            assertThat(f.info().coding().transfer()).isEqualTo(Transfer.GAMMA24);
            assertThat(f.info().coding().fullRange()).isTrue();
            double full = Math.round((16 + 219 * code) * 4) / 1023.0;
            assertThat((double) f.frame(1).g().at(9, 9)).isCloseTo(Math.pow(full, 2.4), Offset.offset(1e-3));
        }
    }

    @Test
    void wideColoursAreBroughtToThoseOfTheOthers() throws Exception {
        Clips.Kind kind = new Clips.Kind("matroska", "ffv1", "yuv420p10le", 32, 32).with(c -> {
            c.color_primaries(AVCOL_PRI_BT2020);
            c.color_trc(AVCOL_TRC_ARIB_STD_B67);
            c.color_range(AVCOL_RANGE_MPEG);
            c.colorspace(AVCOL_SPC_BT2020_NCL);
        });
        Path file = Clips.write(folder.resolve("wide.mkv"), kind, 1, (f, i) -> {
            plane(f, 0, 32, 500, true);
            plane(f, 1, 16, 512, true);
            plane(f, 2, 16, 600, true);
        });
        try (Footage f = Footages.open(file)) {
            Picture p = f.frame(0);
            // Red of BT.2020 is a stronger red in BT.709: more red, less green.
            assertThat(p.r().at(5, 5)).isGreaterThan(1.6f * p.g().at(5, 5));
        }
    }

    @Test
    void fieldsAreTakenApart() throws Exception {
        Path file = Path.of(StrangeFootageTest.class.getResource("interlaced.m2ts").toURI());
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().notes()).anyMatch(n -> n.contains("interlaced"));
            assertThat(f.frame(7).height()).isEqualTo(56);
        }
        // Two fields of different grey: what is shown is one of them, without combs.
        Clips.Kind kind = new Clips.Kind("matroska", "ffv1", "yuv420p", 64, 64).with(c -> {});
        Path combed = Clips.write(folder.resolve("combed.mkv"), kind, 2, (f, i) -> {
            plane(f, 0, 64, 60, false);
            FramePlane p = FramePlane.of(f, 0, 64);
            byte[] bright = new byte[64];
            Arrays.fill(bright, (byte) 180);
            for (int y = 1; y < 64; y += 2) {
                p.write(y, bright);
            }
            plane(f, 1, 32, 128, false);
            plane(f, 2, 32, 128, false);
            f.flags(f.flags() | AVFrame.AV_FRAME_FLAG_INTERLACED | AVFrame.AV_FRAME_FLAG_TOP_FIELD_FIRST);
        });
        AVFrame made = av_frame_alloc();
        made.format(AV_PIX_FMT_YUV420P);
        made.width(64);
        made.height(64);
        av_frame_get_buffer(made, 0);
        for (int k = 0; k < 3; k++) {
            plane(made, k, k == 0 ? 64 : 32, 128, false);
        }
        FramePlane p = FramePlane.of(made, 0, 64);
        byte[] row = new byte[64];
        for (int y = 0; y < 64; y++) {
            Arrays.fill(row, (byte) (y % 2 == 0 ? 60 : 180));
            p.write(y, row);
        }
        made.flags(made.flags() | AVFrame.AV_FRAME_FLAG_INTERLACED | AVFrame.AV_FRAME_FLAG_TOP_FIELD_FIRST);
        try (FieldSplitter split = new FieldSplitter(combed)) {
            FramePlane whole = FramePlane.of(split.whole(made), 0, 64);
            for (int y = 8; y < 56; y++) {
                whole.read(y, row);
                assertThat(row[30] & 255).as("row " + y).isBetween(58, 62);
            }
        }
        av_frame_free(made);
    }

    @Test
    void pixelsThatAreNotSquareAreWidened() throws Exception {
        Clips.Kind kind = new Clips.Kind("matroska", "ffv1", "yuv420p", 72, 56).with(c -> c.sample_aspect_ratio(av_make_q(4, 3)));
        Path file = Clips.write(folder.resolve("narrow.mkv"), kind, 9, Clips.chart(kind));
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().width()).isEqualTo(96);
            assertThat(f.frame(2).width()).isEqualTo(96);
            assertThat(f.lockFrame(2).luma().width()).isEqualTo(96);
            assertThat(f.frame(2).g().at((int) (20.5 * 4 / 3), 12)).as("the square stands where it was").isGreaterThan(0.7f);
            assertThat(f.info().notes()).anyMatch(n -> n.contains("not square"));
        }
    }

    /// The lock check needs no 24 megapixels to place a camera.
    @Test
    void veryLargeStillsAreLookedAtReduced() throws Exception {
        Path file = folder.resolve("large.png");
        Stills.write(file, Picture.filled(6000, 4000, 0.2f, 0.2f, 0.2f), Stills.Format.PNG8);
        try (Footage f = Footages.open(file)) {
            AnalysisFrame g = f.lockFrame(0);
            assertThat(g.reduced()).isEqualTo(2);
            assertThat(g.luma().width()).isEqualTo(3000);
            assertThat(g.small().width()).isEqualTo(750);
            assertThat((double) g.luma().at(1500, 1000)).isCloseTo(Transfer.SRGB.toCode(0.2), Offset.offset(0.004));
        }
    }

    @Test
    void aPictureThatChangesSizeIsSaidWithItsFrame() throws Exception {
        Clips.Kind small = new Clips.Kind("mpegts", "mpeg2video", "yuv420p", 64, 48);
        Clips.Kind large = new Clips.Kind("mpegts", "mpeg2video", "yuv420p", 96, 64);
        Path a = Clips.write(folder.resolve("a.ts"), small, 10, Clips.chart(small));
        Path b = Clips.write(folder.resolve("b.ts"), large, 10, Clips.chart(large));
        Path both = folder.resolve("both.ts");
        Files.write(both, Files.readAllBytes(a));
        Files.write(both, Files.readAllBytes(b), StandardOpenOption.APPEND);
        try (Footage f = Footages.open(both)) {
            f.frame(4);
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> {
                for (int i = 0; i < f.info().frames(); i++) {
                    f.frame(i);
                }
            }).withMessageContaining("both.ts, frame ").withMessageContaining("96x64");
        }
    }
}
