package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacketSideData;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVFrameSideData;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.bytedeco.javacpp.BytePointer;
import org.scenothesis.core.picture.Transfer;

/// How the frames of one file are to be understood: what the file says, completed by stated assumptions.
record FrameCoding(
        int format,
        int width,
        int height,
        boolean fullRange,
        int matrix,
        Transfer transfer,
        boolean unsupportedTransfer,
        int quarterTurns,
        boolean alpha,
        boolean floating,
        List<String> notes) {

    static FrameCoding of(AVFormatContext container, AVStream stream, AVCodecContext decoder, AVFrame frame) {
        AVPixFmtDescriptor d = av_pix_fmt_desc_get(frame.format());
        boolean rgb = (d.flags() & AV_PIX_FMT_FLAG_RGB) != 0;
        boolean floating = (d.flags() & AV_PIX_FMT_FLAG_FLOAT) != 0;
        String formatName = av_get_pix_fmt_name(frame.format()).getString();
        boolean still = isStillCodec(decoder.codec_id());
        List<String> notes = new ArrayList<>();
        int matrix = frame.colorspace();
        if (!rgb && (matrix == AVCOL_SPC_UNSPECIFIED || matrix == AVCOL_SPC_RGB)) {
            matrix = still || frame.height() <= 576 && frame.width() <= 1024 && decoder.codec_id() == AV_CODEC_ID_MJPEG
                    ? AVCOL_SPC_BT470BG
                    : frame.height() <= 576 && frame.width() < 900 ? AVCOL_SPC_SMPTE170M : AVCOL_SPC_BT709;
            if (d.nb_components() >= 3) {
                notes.add("the file names no colour matrix; " + (matrix == AVCOL_SPC_BT709 ? "BT.709" : "BT.601") + " is assumed");
            }
        }
        boolean full = frame.color_range() == AVCOL_RANGE_JPEG || formatName.startsWith("yuvj") || rgb
                || frame.color_range() == AVCOL_RANGE_UNSPECIFIED && (still || d.nb_components() < 3);
        boolean alpha = (d.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0 || "pal8".equals(formatName) && still;
        int trc = frame.color_trc();
        // Readers of stills name odd curves (TIFF a plain gamma): an integer still is sRGB unless it says linear.
        int named = still && trc != AVCOL_TRC_LINEAR ? AVCOL_TRC_UNSPECIFIED : trc;
        Transfer transfer = transferOf(named, rgb || still || isJpegVideo(decoder.codec_id()), floating);
        if (trc == AVCOL_TRC_UNSPECIFIED && !still && !floating) {
            notes.add("the file names no transfer curve; " + (transfer == Transfer.SRGB ? "sRGB" : "BT.709") + " is assumed");
        }
        boolean unsupported = trc == AVCOL_TRC_SMPTE2084 || trc == AVCOL_TRC_ARIB_STD_B67;
        return new FrameCoding(
                frame.format(), frame.width(), frame.height(), full, matrix, transfer, unsupported,
                turns(stream, frame), alpha, floating, notes);
    }

    private static boolean isStillCodec(int id) {
        return id == AV_CODEC_ID_PNG || id == AV_CODEC_ID_TIFF || id == AV_CODEC_ID_EXR || id == AV_CODEC_ID_BMP || id == AV_CODEC_ID_DPX;
    }

    private static boolean isJpegVideo(int id) {
        return id == AV_CODEC_ID_MJPEG;
    }

    private static Transfer transferOf(int trc, boolean displayReferred, boolean floating) {
        if (floating || trc == AVCOL_TRC_LINEAR) {
            return Transfer.LINEAR;
        }
        if (trc == AVCOL_TRC_IEC61966_2_1) {
            return Transfer.SRGB;
        }
        boolean silent = trc == AVCOL_TRC_UNSPECIFIED || trc == AVCOL_TRC_RESERVED0;
        return silent && displayReferred ? Transfer.SRGB : Transfer.BT709;
    }

    private static int turns(AVStream stream, AVFrame frame) {
        AVPacketSideData side = av_packet_side_data_get(
                stream.codecpar().coded_side_data(), stream.codecpar().nb_coded_side_data(), AV_PKT_DATA_DISPLAYMATRIX);
        if (side != null && !side.isNull()) {
            return turnsOf(side.data());
        }
        AVFrameSideData own = av_frame_get_side_data(frame, AV_FRAME_DATA_DISPLAYMATRIX);
        return own == null || own.isNull() ? 0 : turnsOf(own.data());
    }

    /// Clockwise quarter turns that bring the stored picture upright.
    private static int turnsOf(BytePointer matrix) {
        var m = matrix.limit(36).asByteBuffer().order(ByteOrder.nativeOrder()).asIntBuffer();
        double degrees = Math.toDegrees(Math.atan2(m.get(1) / 65536.0, m.get(0) / 65536.0));
        return Math.floorMod((int) Math.round(degrees / 90), 4);
    }

    boolean sideways() {
        return quarterTurns % 2 == 1;
    }

    String matrixName() {
        var name = av_color_space_name(matrix);
        return name == null || name.isNull() ? "unknown" : name.getString();
    }

    String formatName() {
        return av_get_pix_fmt_name(format).getString();
    }
}
