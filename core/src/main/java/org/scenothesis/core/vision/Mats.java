package org.scenothesis.core.vision;

import static org.bytedeco.opencv.global.opencv_core.CV_8U;

import java.nio.ByteBuffer;
import org.bytedeco.opencv.opencv_core.Mat;
import org.scenothesis.core.picture.Plane;

/// Our planes as the library has them.
final class Mats {
    private Mats() {}

    /// In steps of 8 bits; to be closed by whoever asks.
    static Mat bytes(Plane p) {
        Mat m = new Mat(p.height(), p.width(), CV_8U);
        byte[] row = new byte[p.width()];
        ByteBuffer to = m.createBuffer();
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < row.length; x++) {
                row[x] = (byte) (int) (Math.clamp(p.data()[y * row.length + x], 0f, 1f) * 255f + 0.5f);
            }
            to.position(y * (int) m.step()).put(row);
        }
        return m;
    }
}
