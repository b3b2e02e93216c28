package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avfilter.AV_BUFFERSRC_FLAG_KEEP_REF;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersink_get_frame;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersrc_add_frame_flags;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_get_by_name;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_alloc;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_config;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_create_filter;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_free;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_link;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_unref;
import static org.bytedeco.ffmpeg.global.avutil.av_get_pix_fmt_name;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.Pointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;

/// Makes whole pictures of interlaced ones: the first field stays, the lines of the second are rebuilt along edges.
///
/// It looks at one frame at a time, so that a frame is the same however it was reached.
final class FieldSplitter implements AutoCloseable {
    private final Path path;
    private final AVFrame out = av_frame_alloc();

    FieldSplitter(Path path) {
        this.path = path;
    }

    /// The frame without its second field; valid until the next call.
    ///
    /// @throws FootageException if its pixel layout cannot be taken apart
    AVFrame whole(AVFrame f) throws FootageException {
        av_frame_unref(out);
        AVFilterGraph graph = Av.some(avfilter_graph_alloc(), path);
        try {
            AVFilterContext source = new AVFilterContext(null);
            AVFilterContext split = new AVFilterContext(null);
            AVFilterContext sink = new AVFilterContext(null);
            String shape = "video_size=" + f.width() + "x" + f.height() + ":pix_fmt=" + av_get_pix_fmt_name(f.format()).getString()
                    + ":time_base=1/25:pixel_aspect=1/1";
            filter(source, "buffer", shape, graph);
            filter(split, "estdif", "mode=frame:parity=auto:deint=all", graph);
            filter(sink, "buffersink", null, graph);
            check(avfilter_link(source, 0, split, 0));
            check(avfilter_link(split, 0, sink, 0));
            check(avfilter_graph_config(graph, (Pointer) null));
            check(av_buffersrc_add_frame_flags(source, f, AV_BUFFERSRC_FLAG_KEEP_REF));
            check(av_buffersrc_add_frame_flags(source, null, 0));
            check(av_buffersink_get_frame(sink, out));
            return out;
        } finally {
            avfilter_graph_free(graph);
        }
    }

    private void filter(AVFilterContext into, String name, @Nullable String options, AVFilterGraph graph) throws FootageException {
        check(avfilter_graph_create_filter(into, avfilter_get_by_name(name), name, options, null, graph));
    }

    private void check(int code) throws FootageException {
        Av.check(code, path, "it is interlaced and cannot be taken apart; convert it to whole frames first");
    }

    @Override
    public void close() {
        av_frame_free(out);
    }
}
