package org.scenothesis.core.vision;

import java.nio.FloatBuffer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.bytedeco.opencv.global.opencv_imgproc;
import org.bytedeco.opencv.opencv_core.Mat;
import org.bytedeco.opencv.opencv_imgproc.LineSegmentDetector;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Straight edges of a picture.
///
/// Source: Grompone von Gioi et al. 2010 (line segments with a controlled number of false ones), in OpenCV.
public final class Segments {
    private Segments() {}

    /// An edge between two points, in pixels from the picture's outer corner.
    public record Segment(Point from, Point to) {
        public double px() {
            return to.minus(from).length();
        }
    }

    /// Up to `count` edges of at least `leastPx`, the longest first.
    public static List<Segment> find(Plane luma, double leastPx, int count) {
        List<Segment> out = new ArrayList<>();
        try (Mat image = Mats.bytes(luma); Mat lines = new Mat(); LineSegmentDetector find = opencv_imgproc.createLineSegmentDetector()) {
            find.detect(image, lines);
            if (lines.empty()) {
                return out;
            }
            FloatBuffer f = lines.createBuffer();
            for (int i = 0; i < lines.rows(); i++) {
                // The library counts from the middle of the first pixel.
                Segment s = new Segment(new Point(f.get(4 * i) + 0.5, f.get(4 * i + 1) + 0.5),
                        new Point(f.get(4 * i + 2) + 0.5, f.get(4 * i + 3) + 0.5));
                if (s.px() >= leastPx) {
                    out.add(s);
                }
            }
        }
        out.sort(Comparator.comparingDouble((Segment s) -> -s.px()));
        return List.copyOf(out.subList(0, Math.min(count, out.size())));
    }
}
