package org.scenothesis.bench;

import static org.bytedeco.opencv.global.opencv_core.CV_32FC1;
import static org.bytedeco.opencv.global.opencv_core.add;
import static org.bytedeco.opencv.global.opencv_core.max;
import static org.bytedeco.opencv.global.opencv_core.min;
import static org.bytedeco.opencv.global.opencv_core.multiply;
import static org.bytedeco.opencv.global.opencv_core.subtract;

import java.nio.FloatBuffer;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avfilter.AVFilterInOut;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avfilter;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.opencv.opencv_core.Mat;
import org.bytedeco.opencv.opencv_core.Scalar;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// The same arithmetic as our fast key, by well-known native libraries: as a chain of OpenCV calls on float planes, and as FFmpeg's own filters.
final class NativeKeys implements AutoCloseable {
    private final Mat[] take = new Mat[3];
    private final Mat[] base = new Mat[3];
    private final Mat[] out = new Mat[3];
    private final Mat most = new Mat();
    private final Mat lead = new Mat();
    private final Mat alpha = new Mat();
    private final Mat green = new Mat();
    private final Mat zero;
    private final Mat one;

    NativeKeys(Picture t, Picture b) {
        for (int c = 0; c < 3; c++) {
            take[c] = mat(t.colours().get(c));
            base[c] = mat(b.colours().get(c));
            out[c] = new Mat();
        }
        zero = new Mat(t.height(), t.width(), CV_32FC1, new Scalar(0));
        one = new Mat(t.height(), t.width(), CV_32FC1, new Scalar(1));
    }

    private static Mat mat(Plane p) {
        Mat m = new Mat(p.height(), p.width(), CV_32FC1);
        FloatBuffer f = m.createBuffer();
        f.put(p.data());
        return m;
    }

    /// A pass over the whole frame per operation, as such chains are written.
    void openCv() {
        float scale = 1 / (Pictures.CUT.high() - Pictures.CUT.low());
        max(take[0], take[2], most);
        subtract(take[1], most, lead);
        lead.convertTo(alpha, -1, -scale / Pictures.CUT.lead(), (1 - Pictures.CUT.low()) * scale);
        max(alpha, zero, alpha);
        min(alpha, one, alpha);
        min(take[1], most, green);
        for (int c = 0; c < 3; c++) {
            subtract(c == 1 ? green : take[c], base[c], lead);
            multiply(lead, alpha, lead);
            add(lead, base[c], out[c]);
        }
    }

    /// FFmpeg's colour key, despill and overlay filters on 8-bit frames, made once and run `frames` times; returns seconds per frame.
    static double ffmpeg(int w, int h, int frames) {
        AVFilterGraph graph = avfilter.avfilter_graph_alloc();
        AVFilterContext sink = new AVFilterContext();
        avfilter.avfilter_graph_create_filter(sink, avfilter.avfilter_get_by_name("buffersink"), "out", null, null, graph);
        String text = "color=c=0x35a040:s=" + w + "x" + h + ":r=24:d=" + (frames + 6) / 24.0 + ",format=gbrp,colorkey=0x35a040:0.3:0.2,despill=green[a];color=c=0x806040:s=" + w + "x" + h
                + ":r=24:d=" + (frames + 6) / 24.0 + ",format=gbrp[b];[b][a]overlay=format=gbrp[out]";
        var inputs = avfilter.avfilter_inout_alloc();
        inputs.name(new BytePointer(avutil.av_strdup("out"))).filter_ctx(sink).pad_idx(0).next(null);
        int code = avfilter.avfilter_graph_parse_ptr(graph, text, inputs, (AVFilterInOut) null, null);
        if (code < 0 || avfilter.avfilter_graph_config(graph, null) < 0) {
            return Double.NaN;
        }
        AVFrame f = avutil.av_frame_alloc();
        for (int i = 0; i < 4; i++) {
            avfilter.av_buffersink_get_frame(sink, f);
            avutil.av_frame_unref(f);
        }
        long start = System.nanoTime();
        int n = 0;
        while (n < frames && avfilter.av_buffersink_get_frame(sink, f) >= 0) {
            avutil.av_frame_unref(f);
            n++;
        }
        double seconds = (System.nanoTime() - start) / 1e9 / Math.max(1, n);
        avutil.av_frame_free(f);
        avfilter.avfilter_graph_free(graph);
        return n == 0 ? Double.NaN : seconds;
    }

    @Override
    public void close() {
        for (int c = 0; c < 3; c++) {
            take[c].close();
            base[c].close();
            out[c].close();
        }
    }
}
