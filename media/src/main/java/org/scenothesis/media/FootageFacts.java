package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.av_q2d;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;

/// Gathers the [FootageInfo] of an opened file.
final class FootageFacts {
    private FootageFacts() {}

    static FootageInfo of(Path path, FrameCoding coding, VideoFootage.PacketList list, AVFormatContext container, int stream)
            throws FootageException {
        if (coding.unsupportedTransfer()) {
            throw new FootageException(
                    path, "it is recorded with a high dynamic range curve (PQ or HLG), which is not supported; record or export standard range.");
        }
        List<Double> times = times(list);
        double told = av_q2d(container.streams(stream).avg_frame_rate());
        boolean still = times.size() == 1;
        double rate = rate(times, told);
        boolean variable = variable(times, rate);
        List<String> notes = new ArrayList<>(coding.notes());
        if (variable) {
            notes.add("the frame rate varies; times are taken from the file");
        }
        boolean turned = coding.sideways();
        boolean audio = av_find_best_stream(container, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0) >= 0;
        String codec = avcodec_get_name(container.streams(stream).codecpar().codec_id()).getString();
        return new FootageInfo(
                path,
                still ? FootageInfo.Kind.STILL : FootageInfo.Kind.VIDEO,
                turned ? coding.height() : coding.width(),
                turned ? coding.width() : coding.height(),
                new FootageInfo.Rate(rate, variable),
                times,
                new FootageInfo.Coding(
                        container.iformat().name().getString(), codec, coding.formatName(), coding.fullRange(),
                        coding.matrixName(), coding.transfer(), 90 * coding.quarterTurns(), coding.alpha(), audio),
                notes);
    }

    private static List<Double> times(VideoFootage.PacketList list) {
        List<Double> times = new ArrayList<>(list.size());
        for (long stamp : list.stamps()) {
            times.add((stamp - list.stamps()[0]) * list.timeBase());
        }
        return times;
    }

    private static double rate(List<Double> times, double told) {
        double span = times.getLast();
        if (span > 0) {
            double measured = (times.size() - 1) / span;
            return told > 0 && Math.abs(measured / told - 1) < 0.01 ? told : measured;
        }
        return told > 0 && told < 1000 ? told : 24;
    }

    private static boolean variable(List<Double> times, double rate) {
        for (int i = 1; i < times.size(); i++) {
            if (Math.abs((times.get(i) - times.get(i - 1)) * rate - 1) > 0.5) {
                return true;
            }
        }
        return false;
    }
}
