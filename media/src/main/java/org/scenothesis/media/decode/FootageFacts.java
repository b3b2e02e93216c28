package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avutil.av_q2d;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.code.FrameCoding;

/// Gathers the [FootageInfo] of an opened file.
final class FootageFacts {
    private FootageFacts() {}

    static FootageInfo of(FrameCoding coding, PacketList list, MediaFile file, int stream) {
        Path path = file.path();
        AVStream pictures = file.stream(stream);
        double told = av_q2d(pictures.avg_frame_rate());
        boolean still = list.frames() == 1;
        List<Double> times = times(list, told);
        double rate = FrameRates.of(times, told);
        boolean variable = variable(times, rate);
        List<String> notes = new ArrayList<>(coding.notes());
        if (variable) {
            notes.add("the frame rate varies; times are taken from the file");
        }
        if (!list.timed() && !still) {
            notes.add("the file carries no frame times; frames are counted, and going back in it is slow");
        }
        FootageInfo.Shortfall shortfall = shortfall(path, pictures, list);
        if (shortfall != null) {
            notes.addFirst(shortfall.sentence(list.frames()));
        }
        FrameCoding.Colour c = coding.colour();
        return new FootageInfo(
                path,
                still ? FootageInfo.Kind.STILL : FootageInfo.Kind.VIDEO,
                coding.shownWidth(),
                coding.shownHeight(),
                new FootageInfo.Rate(rate, variable),
                times,
                new FootageInfo.Coding(
                        file.context().iformat().name().getString(), avcodec_get_name(pictures.codecpar().codec_id()).getString(),
                        coding.formatName(), c.fullRange(),
                        c.matrix(), c.matrixNamed(), c.transfer(), 90 * coding.geometry().quarterTurns(), coding.alpha(),
                        file.sound() >= 0),
                still ? NotedLens.ofStill(path) : NotedLens.ofClip(file.context()),
                shortfall,
                notes);
    }

    private static FootageInfo.@Nullable Shortfall shortfall(Path path, AVStream pictures, PacketList list) {
        long bytes = FileEnd.missing(path);
        return bytes == 0 ? null : new FootageInfo.Shortfall(Math.clamp(pictures.nb_frames() - list.packets(), 0, Integer.MAX_VALUE),
                bytes);
    }

    private static List<Double> times(PacketList list, double told) {
        List<Double> times = new ArrayList<>(list.frames());
        double rate = FrameRates.plausible(told) ? told : FrameRates.ASSUMED;
        for (int i = 0; i < list.frames(); i++) {
            times.add(list.timed() ? list.seconds(i) : i / rate);
        }
        return times;
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
