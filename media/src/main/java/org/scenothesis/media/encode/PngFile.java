package org.scenothesis.media.encode;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.scenothesis.media.code.FramePlane;

/// A PNG of a packed frame; source: W3C, Portable Network Graphics.
///
/// Rows are stored as differences from the row above. Noise in the lower bytes of 16 bits never repeats, and looking for repeats costs most
/// of the time:
/// a few rows are tried both ways first, and where repeats save nothing they are not looked for.
final class PngFile {
    /// What a pixel is made of.
    enum Pixel {
        GREY16(16, 0, 2),
        RGB8(8, 2, 3),
        RGBA8(8, 6, 4),
        RGB16(16, 2, 6),
        RGBA16(16, 6, 8);

        private final int depth;
        private final int type;
        private final int bytes;

        Pixel(int depth, int type, int bytes) {
            this.depth = depth;
            this.type = type;
            this.bytes = bytes;
        }
    }

    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};
    private static final byte UP = 2;
    private static final int LEVEL = 1;
    /// Rows that go in together; of so many such runs one is tried.
    private static final int RUN = 4;
    private static final int TRIED = 24;
    private static final int PIECE = 1 << 16;
    /// Repeats are worth their search when they leave less than this share.
    private static final double WORTH = 0.85;

    private final Pixel pixel;
    private final FramePlane plane;
    private final int height;
    private final byte[] above;
    private final byte[] here;
    private final byte[] filtered;
    private final byte[] piece = new byte[PIECE];
    private final ByteArrayOutputStream out = new ByteArrayOutputStream(PIECE);

    private PngFile(AVFrame frame, Pixel pixel) {
        this.pixel = pixel;
        height = frame.height();
        plane = FramePlane.of(frame, 0, height);
        int row = frame.width() * pixel.bytes;
        above = new byte[row];
        here = new byte[row];
        filtered = new byte[RUN * (row + 1)];
    }

    /// The bytes of the file.
    static byte[] of(AVFrame frame, Pixel pixel) {
        PngFile png = new PngFile(frame, pixel);
        png.write(frame.width());
        return png.out.toByteArray();
    }

    /// Differences of a run of rows from the row above each; the number of bytes.
    private int filter(int from) {
        int rows = Math.min(RUN, height - from);
        for (int k = 0; k < rows; k++) {
            int y = from + k;
            if (y == 0) {
                Arrays.fill(above, (byte) 0);
            } else {
                plane.read(y - 1, above);
            }
            plane.read(y, here);
            int at = k * (here.length + 1);
            filtered[at] = UP;
            difference(here, above, filtered, at + 1);
        }
        return rows * (here.length + 1);
    }

    private static void difference(byte[] here, byte[] above, byte[] out, int at) {
        for (int i = 0; i < here.length; i++) {
            out[at + i] = (byte) (here[i] - above[i]);
        }
    }

    private void write(int width) {
        out.writeBytes(SIGNATURE);
        chunk("IHDR", ByteBuffer.allocate(13).putInt(width).putInt(height).put((byte) pixel.depth).put((byte) pixel.type).array(), 13);
        if (pixel != Pixel.GREY16) {
            chunk("sRGB", new byte[1], 1);
        }
        boolean repeats = packed(Deflater.DEFAULT_STRATEGY, TRIED, false) < WORTH * packed(Deflater.HUFFMAN_ONLY, TRIED, false);
        packed(repeats ? Deflater.DEFAULT_STRATEGY : Deflater.HUFFMAN_ONLY, 1, true);
        chunk("IEND", new byte[0], 0);
    }

    /// Packs one of `every` runs of rows, for the file or only to see how many bytes they make.
    private long packed(int strategy, int every, boolean kept) {
        Deflater deflater = new Deflater(LEVEL);
        try {
            deflater.setStrategy(strategy);
            for (int y = 0; y < height; y += RUN * every) {
                deflater.setInput(filtered, 0, filter(y));
                while (!deflater.needsInput()) {
                    take(deflater, kept);
                }
            }
            deflater.finish();
            while (!deflater.finished()) {
                take(deflater, kept);
            }
            return deflater.getBytesWritten();
        } finally {
            deflater.end();
        }
    }

    private void take(Deflater deflater, boolean kept) {
        int count = deflater.deflate(piece);
        if (kept && count > 0) {
            chunk("IDAT", piece, count);
        }
    }

    private void chunk(String name, byte[] data, int count) {
        byte[] type = name.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(type);
        crc.update(data, 0, count);
        out.writeBytes(ByteBuffer.allocate(4).putInt(count).array());
        out.writeBytes(type);
        out.write(data, 0, count);
        out.writeBytes(ByteBuffer.allocate(4).putInt((int) crc.getValue()).array());
    }
}
