package org.scenothesis.core.vision;

import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.opencv.global.opencv_core;
import org.bytedeco.opencv.global.opencv_imgproc;
import org.bytedeco.opencv.global.opencv_video;
import org.bytedeco.opencv.opencv_core.Mat;
import org.bytedeco.opencv.opencv_core.Rect;
import org.bytedeco.opencv.opencv_core.Size;
import org.bytedeco.opencv.opencv_core.TermCriteria;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Finds points worth following and follows them coarsely.
///
/// Source: Shi & Tomasi 1994 (corners), Lucas & Kanade 1981 in a pyramid after Bouguet 2000.
public final class Features {
    private static final int PYRAMID = 4;
    private static final int NEAR = 1;
    private static final int WINDOW = 21;

    private Features() {}

    /// Up to `count` corners, spread evenly: the frame is cut into `cells × cells` and each gives its share.
    public static List<Point> spread(Plane luma, int count, int cells) {
        List<Point> found = new ArrayList<>();
        int share = Math.max(1, count / (cells * cells));
        try (Mat image = Mats.bytes(luma)) {
            for (int cy = 0; cy < cells; cy++) {
                for (int cx = 0; cx < cells; cx++) {
                    int x = luma.width() * cx / cells;
                    int y = luma.height() * cy / cells;
                    int w = luma.width() * (cx + 1) / cells - x;
                    int h = luma.height() * (cy + 1) / cells - y;
                    corners(image, new Cell(x, y, w, h), share, found);
                }
            }
        }
        return found;
    }

    private record Cell(int x, int y, int w, int h) {}

    private static void corners(Mat image, Cell c, int share, List<Point> found) {
        if (c.w < 16 || c.h < 16) {
            return;
        }
        try (Mat part = new Mat(image, new Rect(c.x, c.y, c.w, c.h)); Mat points = new Mat()) {
            opencv_imgproc.goodFeaturesToTrack(part, points, share, 0.02, 8, new Mat(), 5, false, 0.04);
            if (points.empty()) {
                return;
            }
            FloatBuffer f = points.createBuffer();
            for (int i = 0; i < points.rows(); i++) {
                found.add(new Point(c.x + f.get(2 * i) + 0.5, c.y + f.get(2 * i + 1) + 0.5));
            }
        }
    }

    /// Where each point went, or null for a point that was lost; steps of up to about 80 px.
    public static List<@Nullable Point> follow(Plane from, Plane to, List<Point> points) {
        return follow(from, to, points, null);
    }

    /// The same; where `near` is given each is looked for around its place there, a few pixels far.
    public static List<@Nullable Point> follow(Plane from, Plane to, List<Point> points, @Nullable List<Point> near) {
        List<@Nullable Point> out = new ArrayList<>(points.size());
        try (Mat a = Mats.bytes(from);
                Mat b = Mats.bytes(to);
                Mat start = new Mat(points.size(), 1, opencv_core.CV_32FC2);
                Mat end = new Mat();
                Mat status = new Mat();
                Mat error = new Mat()) {
            FloatBuffer f = start.createBuffer();
            for (int i = 0; i < points.size(); i++) {
                f.put(2 * i, (float) (points.get(i).x() - 0.5)).put(2 * i + 1, (float) (points.get(i).y() - 0.5));
            }
            if (near != null) {
                end.create(points.size(), 1, opencv_core.CV_32FC2);
                FloatBuffer g = end.createBuffer();
                for (int i = 0; i < points.size(); i++) {
                    g.put(2 * i, (float) (near.get(i).x() - 0.5)).put(2 * i + 1, (float) (near.get(i).y() - 0.5));
                }
            }
            opencv_video.calcOpticalFlowPyrLK(
                    a, b, start, end, status, error, new Size(WINDOW, WINDOW), near == null ? PYRAMID
                    : NEAR, new TermCriteria(3, near == null ? 20 : 30, near == null ? 0.03 : 0.005),
                    near == null ? 0 : opencv_video.OPTFLOW_USE_INITIAL_FLOW, 1e-4);
            FloatBuffer g = end.createBuffer();
            ByteBuffer ok = status.createBuffer();
            for (int i = 0; i < points.size(); i++) {
                out.add(ok.get(i) == 0 ? null : new Point(g.get(2 * i) + 0.5, g.get(2 * i + 1) + 0.5));
            }
        }
        return out;
    }
}
