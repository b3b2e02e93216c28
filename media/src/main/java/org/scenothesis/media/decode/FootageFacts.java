package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.av_q2d;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.code.FrameCoding;

/// Gathers the [FootageInfo] of an opened file.
final class FootageFacts {
    private FootageFacts() {}

    static FootageInfo of(Path path, FrameCoding coding, PacketList list, AVFormatContext container, int stream) {
        double told = av_q2d(container.streams(stream).avg_frame_rate());
        boolean still = list.frames() == 1;
        List<Double> times = times(list, told);
        double rate = rate(times, told);
        boolean variable = variable(times, rate);
        List<String> notes = new ArrayList<>(coding.notes());
        if (variable) {
            notes.add("the frame rate varies; times are taken from the file");
        }
        if (!list.timed() && !still) {
            notes.add("the file carries no frame times; frames are counted, and going back in it is slow");
        }
        boolean audio = av_find_best_stream(container, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0) >= 0;
        String codec = avcodec_get_name(container.streams(stream).codecpar().codec_id()).getString();
        FrameCoding.Colour c = coding.colour();
        return new FootageInfo(
                path,
                still ? FootageInfo.Kind.STILL : FootageInfo.Kind.VIDEO,
                coding.shownWidth(),
                coding.shownHeight(),
                new FootageInfo.Rate(rate, variable),
                times,
                new FootageInfo.Coding(
                        container.iformat().name().getString(), codec, coding.formatName(), c.fullRange(),
                        c.matrix(), c.matrixNamed(), c.transfer(), 90 * coding.geometry().quarterTurns(), coding.alpha(), audio),
                still ? NotedLens.ofStill(path) : NotedLens.ofClip(container),
                notes);
    }

    private static List<Double> times(PacketList list, double told) {
        List<Double> times = new ArrayList<>(list.frames());
        double rate = told > 0 && told < 1000 ? told : 24;
        for (int i = 0; i < list.frames(); i++) {
            times.add(list.timed() ? list.seconds(i) : i / rate);
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
