package org.scenothesis.media.code;

import java.nio.ByteBuffer;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/// The bytes of one plane of a frame, which may lie upside down in memory.
public record FramePlane(ByteBuffer bytes, int stride, int top) {
    public static FramePlane of(AVFrame f, int plane, int rows) {
        int stride = f.linesize(plane);
        long before = Math.min(0L, (long) stride * (rows - 1));
        long size = Math.abs((long) stride) * rows;
        ByteBuffer bytes = f.data(plane).getPointer(before).position(0).limit(size).asByteBuffer();
        return new FramePlane(bytes, stride, (int) -before);
    }

    /// Copies the beginning of a row.
    public void read(int row, byte[] into) {
        read(row, into, into.length);
    }

    /// Copies the first bytes of a row.
    public void read(int row, byte[] into, int count) {
        bytes.get(top + row * stride, into, 0, count);
    }

    /// Sets the beginning of a row.
    public void write(int row, byte[] from) {
        bytes.put(top + row * stride, from);
    }
}
