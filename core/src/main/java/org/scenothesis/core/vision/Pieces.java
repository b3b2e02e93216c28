package org.scenothesis.core.vision;

import static org.bytedeco.opencv.global.opencv_core.CV_32S;
import static org.bytedeco.opencv.global.opencv_imgproc.connectedComponents;

import java.nio.IntBuffer;
import org.bytedeco.opencv.opencv_core.Mat;
import org.scenothesis.core.picture.Plane;

/// A mask parted into the pieces that hang together by their sides.
///
/// - `piece`: for every pixel the number of its piece from 1, 0 outside the mask. `sizes`: pixels of each number.
public record Pieces(int[] piece, int[] sizes) {
    /// - `mask`: above a half belongs to it.
    public static Pieces of(Plane mask) {
        try (Mat in = Mats.bytes(mask); Mat out = new Mat()) {
            int n = connectedComponents(in, out, 4, CV_32S);
            int[] piece = new int[mask.data().length];
            IntBuffer from = out.createBuffer();
            int[] sizes = new int[n];
            for (int y = 0; y < mask.height(); y++) {
                from.position(y * (int) (out.step() / 4)).get(piece, y * mask.width(), mask.width());
            }
            for (int p : piece) {
                sizes[p]++;
            }
            return new Pieces(piece, sizes);
        }
    }
}
