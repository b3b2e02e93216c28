package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_FLAG_DISCARD;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_FLAG_KEY;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.av_q2d;

import java.util.Arrays;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;

/// The packets of one stream, listed once without decoding: which frames there are, when each is shown, and from which key frame it can be
/// decoded.
///
/// - `stamps`: presentation times of the frames that are shown, ascending, in units of the stream.
/// - `order`: presentation times in the order of decoding; `key`: which of these stand for themselves; `bytes`: where they begin in the
///   file, or −1.
/// - `timed` is false where packets carry no presentation time: then frames are counted, and only reading from the start finds them.
///
/// A packet of nothing, by which some codings say that the picture stays, is no frame. Frames before the first key frame, in either order,
/// cannot be decoded by anyone and are not listed.
final class PacketList {
    private final long[] stamps;
    private final long[] order;
    private final boolean[] key;
    private final long[] bytes;
    private final boolean timed;
    private final double timeBase;
    private final int[] byStamp;

    private PacketList(Found f, double timeBase) {
        this.timeBase = timeBase;
        order = Arrays.copyOf(f.pts, f.size);
        key = Arrays.copyOf(f.key, f.size);
        bytes = Arrays.copyOf(f.bytes, f.size);
        timed = f.timed;
        int first = 0;
        while (first < f.size && !key[first]) {
            first++;
        }
        int from = first == f.size ? 0 : first;
        long earliest = timed && from < f.size ? order[from] : Long.MIN_VALUE;
        long[] shown = new long[f.size];
        int n = 0;
        for (int d = from; d < f.size; d++) {
            if (f.shown[d] && order[d] >= earliest) {
                shown[n++] = timed ? order[d] : n - 1;
            }
        }
        stamps = timed ? Arrays.stream(shown, 0, n).sorted().distinct().toArray() : Arrays.copyOf(shown, n);
        Integer[] sorted = new Integer[f.size];
        Arrays.setAll(sorted, i -> i);
        Arrays.sort(sorted, (a, b) -> Long.compare(order[a], order[b]));
        byStamp = Arrays.stream(sorted).mapToInt(i -> i).toArray();
    }

    /// What is gathered while reading.
    private static final class Found {
        private long[] pts = new long[256];
        private long[] bytes = new long[256];
        private boolean[] key = new boolean[256];
        private boolean[] shown = new boolean[256];
        private int size;
        private boolean timed = true;

        void add(AVPacket p) {
            if (size == pts.length) {
                pts = Arrays.copyOf(pts, 2 * size);
                bytes = Arrays.copyOf(bytes, 2 * size);
                key = Arrays.copyOf(key, 2 * size);
                shown = Arrays.copyOf(shown, 2 * size);
            }
            timed &= p.pts() != AV_NOPTS_VALUE;
            pts[size] = p.pts();
            bytes[size] = p.pos();
            key[size] = (p.flags() & AV_PKT_FLAG_KEY) != 0;
            shown[size] = (p.flags() & AV_PKT_FLAG_DISCARD) == 0;
            size++;
        }
    }

    static PacketList of(AVFormatContext container, int stream) {
        Found found = new Found();
        AVPacket p = av_packet_alloc();
        while (av_read_frame(container, p) >= 0) {
            if (p.stream_index() == stream && p.size() > 0) {
                found.add(p);
            }
            av_packet_unref(p);
        }
        av_packet_free(p);
        return new PacketList(found, av_q2d(container.streams(stream).time_base()));
    }

    /// How many packets there are, of frames that are shown or not.
    int packets() {
        return order.length;
    }

    int frames() {
        return stamps.length;
    }

    boolean timed() {
        return timed;
    }

    /// Seconds of a frame after the first.
    double seconds(int frame) {
        return (stamps[frame] - stamps[0]) * timeBase;
    }

    /// The frame shown at a stamp, or the last before it.
    int frameAt(long stamp) {
        int i = Arrays.binarySearch(stamps, stamp);
        return i >= 0 ? i : Math.max(0, -i - 2);
    }

    /// Place in the order of decoding of a packet by its stamp; −1 if there is none.
    int decodedAt(long stamp) {
        int low = 0;
        int high = byStamp.length - 1;
        while (low <= high) {
            int mid = (low + high) >>> 1;
            long v = order[byStamp[mid]];
            if (v == stamp) {
                return byStamp[mid];
            }
            if (v < stamp) {
                low = mid + 1;
            } else {
                high = mid - 1;
            }
        }
        return -1;
    }

    /// The last key frame from which a frame can be decoded: not after it in either order, since pictures shown before a key frame may lean
    /// on the group before.
    int keyFor(int frame) {
        long stamp = stamps[frame];
        int d = decodedAt(stamp);
        while (d > 0 && !(key[d] && order[d] <= stamp)) {
            d--;
        }
        return Math.max(0, d);
    }

    /// The key frame before another; −1 if there is none.
    int keyBefore(int decoded) {
        int d = decoded - 1;
        while (d >= 0 && !key[d]) {
            d--;
        }
        return d;
    }

    long stamp(int decoded) {
        return order[decoded];
    }

    long place(int decoded) {
        return bytes[decoded];
    }
}
