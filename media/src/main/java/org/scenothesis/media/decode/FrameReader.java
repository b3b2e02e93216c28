package org.scenothesis.media.decode;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Objects;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.CodesToLight;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.code.CodeRows;
import org.scenothesis.media.code.FloatLayout;
import org.scenothesis.media.code.FrameCoding;
import org.scenothesis.media.code.RgbLayout;
import org.scenothesis.media.code.YuvLayout;

/// Turns decoded frames into linear planes: code values row by row, the transfer curve, then upright and with square pixels.
public final class FrameReader implements AutoCloseable {
    /// Luma beyond this many pixels is reduced for the lock check: more would not place the camera better.
    private static final long LUMA_PIXELS = 12_000_000;
    /// Linear BT.2020 to linear BT.709, by rows; source: ITU-R BT.2087.
    private static final float[] NARROW = {1.6605f, -0.5876f, -0.0728f, -0.1246f, 1.1329f, -0.0083f, -0.0182f, -0.1006f, 1.1187f};

    private final Path path;
    private final FrameCoding coding;
    private final CodesToLight light;
    private final CodeRows rows;
    private final @Nullable Conversion conversion;
    private final FieldSplitter fields;

    /// @throws FootageException if the pixel layout is not supported
    public FrameReader(Path path, FrameCoding coding) throws FootageException {
        this.path = path;
        this.coding = coding;
        light = CodesToLight.of(coding.colour().transfer());
        CodeRows direct = direct(coding);
        conversion = direct == null ? new Conversion(path, coding) : null;
        rows = direct != null ? direct : converted(coding, Objects.requireNonNull(conversion).format());
        fields = new FieldSplitter(path);
    }

    private static @Nullable CodeRows direct(FrameCoding c) {
        if (c.floating()) {
            return FloatLayout.of(c.format(), c.width(), c.height());
        }
        RgbLayout rgb = RgbLayout.of(c.format());
        return rgb != null && c.colour().fullRange() ? rgb : YuvLayout.of(c);
    }

    private static CodeRows converted(FrameCoding c, int format) {
        FloatLayout floats = FloatLayout.of(format, c.width(), c.height());
        return floats != null ? floats : Objects.requireNonNull(RgbLayout.of(format));
    }

    private void begin(AVFrame frame, int index) throws FootageException {
        if (frame.width() != coding.width() || frame.height() != coding.height() || frame.format() != coding.format()) {
            throw new FootageException(
                    path, index,
                    "the picture changes from " + coding.width() + "x" + coding.height() + " " + coding.formatName() + " to "
                            + frame.width() + "x" + frame.height() + " here; cut the take before this frame.");
        }
        AVFrame whole = (frame.flags() & AVFrame.AV_FRAME_FLAG_INTERLACED) != 0 ? fields.whole(frame) : frame;
        rows.of(conversion == null ? whole : conversion.convert(whole));
    }

    /// @throws FootageException if the frame is of another shape than the first
    public Picture picture(AVFrame frame, int index) throws FootageException {
        begin(frame, index);
        int w = coding.width();
        int h = coding.height();
        Picture p = Picture.of(w, h);
        Plane a = coding.alpha() ? Plane.of(w, h) : null;
        float[] r = new float[w];
        float[] g = new float[w];
        float[] b = new float[w];
        float[] alpha = a == null ? null : new float[w];
        for (int y = 0; y < h; y++) {
            rows.row(y, r, g, b, alpha);
            linear(r, g, b);
            int at = y * w;
            System.arraycopy(r, 0, p.r().data(), at, w);
            System.arraycopy(g, 0, p.g().data(), at, w);
            System.arraycopy(b, 0, p.b().data(), at, w);
            if (a != null && alpha != null) {
                System.arraycopy(alpha, 0, a.data(), at, w);
            }
        }
        Picture out = squared(new Picture(p.r(), p.g(), p.b(), a));
        Plane oa = out.a();
        return coding.geometry().quarterTurns() == 0 ? out : new Picture(turn(out.r()), turn(out.g()), turn(out.b()), oa == null ? null
                : turn(oa));
    }

    private void linear(float[] r, float[] g, float[] b) {
        light.apply(r, r.length);
        light.apply(g, g.length);
        light.apply(b, b.length);
        if (coding.colour().wide()) {
            narrow(r, g, b);
        }
    }

    private static void narrow(float[] r, float[] g, float[] b) {
        float[] m = NARROW;
        for (int x = 0; x < r.length; x++) {
            float wr = r[x];
            float wg = g[x];
            float wb = b[x];
            r[x] = Math.max(0, m[0] * wr + m[1] * wg + m[2] * wb);
            g[x] = Math.max(0, m[3] * wr + m[4] * wg + m[5] * wb);
            b[x] = Math.max(0, m[6] * wr + m[7] * wg + m[8] * wb);
        }
    }

    /// Luma as it is, and colour averaged over code values; both reduced for very large pictures.
    ///
    /// @throws FootageException if the frame is of another shape than the first
    AnalysisFrame lockFrame(AVFrame frame, int index) throws FootageException {
        begin(frame, index);
        int w = coding.width();
        int h = coding.height();
        int k = 1;
        while ((long) (w / k) * (h / k) > LUMA_PIXELS) {
            k++;
        }
        Plane luma = Plane.of(Math.max(1, w / k), Math.max(1, h / k));
        float[] line = new float[w];
        for (int y = 0; y < luma.height() * k; y++) {
            rows.luma(y, line);
            add(line, k, luma.data(), y / k * luma.width(), luma.width());
        }
        scale(luma.data(), 1f / (k * k));
        Picture small = small(k * AnalysisFrame.SHRINK, 2);
        return new AnalysisFrame(turn(squared(luma)), turned(squared(small)), k);
    }

    /// The frame averaged `k` smaller on each side, over code values, without alpha.
    ///
    /// @throws FootageException if the frame is of another shape than the first
    Picture reduced(AVFrame frame, int index, int k) throws FootageException {
        begin(frame, index);
        return turned(squared(small(k, 1)));
    }

    private static void add(float[] line, int k, float[] into, int at, int width) {
        if (k == 1) {
            System.arraycopy(line, 0, into, at, width);
            return;
        }
        for (int x = 0; x < width; x++) {
            float sum = 0;
            for (int i = 0; i < k; i++) {
                sum += line[x * k + i];
            }
            into[at + x] += sum;
        }
    }

    private static void scale(float[] run, float by) {
        if (by != 1) {
            for (int i = 0; i < run.length; i++) {
                run[i] *= by;
            }
        }
    }

    /// Averages over code values, so that all kinds of footage compare alike; of `step` rows one is taken, which says as much.
    private Picture small(int k, int step) {
        int w = Math.max(1, coding.width() / k);
        int h = Math.max(1, coding.height() / k);
        Picture out = Picture.of(w, h);
        int across = Math.min(k, coding.width());
        int down = Math.min(k, coding.height());
        float[][] sums = new float[3][w];
        float[] r = new float[coding.width()];
        float[] g = new float[coding.width()];
        float[] b = new float[coding.width()];
        for (int y = 0; y < h; y++) {
            for (float[] s : sums) {
                Arrays.fill(s, 0);
            }
            int taken = 0;
            for (int j = 0; j < down; j += Math.min(step, down), taken++) {
                rows.row(y * k + j, r, g, b, null);
                sum(r, across, sums[0]);
                sum(g, across, sums[1]);
                sum(b, across, sums[2]);
            }
            for (float[] s : sums) {
                scale(s, 1f / (across * taken));
            }
            linear(sums[0], sums[1], sums[2]);
            System.arraycopy(sums[0], 0, out.r().data(), y * w, w);
            System.arraycopy(sums[1], 0, out.g().data(), y * w, w);
            System.arraycopy(sums[2], 0, out.b().data(), y * w, w);
        }
        return out;
    }

    private static void sum(float[] line, int k, float[] sums) {
        for (int x = 0; x < sums.length; x++) {
            float s = 0;
            for (int i = 0; i < k; i++) {
                s += line[x * k + i];
            }
            sums[x] += s;
        }
    }

    private Plane squared(Plane p) {
        int w = Math.max(1, (int) Math.round(p.width() * coding.geometry().pixelAspect()));
        return w == p.width() ? p : Resample.scale(p, w, p.height(), Bands.sequential());
    }

    private Picture squared(Picture p) {
        int w = Math.max(1, (int) Math.round(p.width() * coding.geometry().pixelAspect()));
        if (w == p.width()) {
            return p;
        }
        Plane a = p.a();
        return new Picture(squared(p.r()), squared(p.g()), squared(p.b()), a == null ? null : squared(a));
    }

    private Picture turned(Picture p) {
        return coding.geometry().quarterTurns() == 0 ? p : new Picture(turn(p.r()), turn(p.g()), turn(p.b()), null);
    }

    private Plane turn(Plane p) {
        int w = p.width();
        int h = p.height();
        int turns = coding.geometry().quarterTurns();
        if (turns == 0) {
            return p;
        }
        Plane out = turns == 2 ? Plane.of(w, h) : Plane.of(h, w);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = switch (turns) {
                    case 1 -> x * h + (h - 1 - y);
                    case 2 -> (h - 1 - y) * w + (w - 1 - x);
                    default -> (w - 1 - x) * h + y;
                };
                out.data()[at] = p.data()[y * w + x];
            }
        }
        return out;
    }

    @Override
    public void close() {
        fields.close();
        if (conversion != null) {
            conversion.close();
        }
    }
}
