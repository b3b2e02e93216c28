package org.scenothesis.media.code;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacketSideData;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVFrameSideData;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.javacpp.BytePointer;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.ColourInterpretation;
import org.scenothesis.media.FootageException;

/// How the frames of one file are to be understood: what the crew said, what the file says, completed by stated assumptions.
///
/// One code value means one light in all footage of a crew: whatever is marked sRGB, BT.709, BT.601 or not at all is read with the sRGB
/// curve. Only linear, logarithmic and high dynamic range curves are followed, and whatever the crew says.
public record FrameCoding(int format, int width, int height, Colour colour, Geometry geometry, boolean alpha, boolean floating,
        List<String> notes) {
    private static final int MATRIX_BYTES = 36;

    /// - `wide`: the primaries are those of BT.2020 and are brought to BT.709. `centred`: chroma is sited in the middle of its pixels, as
    ///   in JPEG.
    public record Colour(boolean fullRange, ColourMatrix matrix, boolean matrixNamed, Transfer transfer, boolean wide, boolean centred) {}

    /// - `quarterTurns` clockwise bring the picture upright; `pixelAspect`: width of a pixel by its height.
    public record Geometry(int quarterTurns, double pixelAspect, boolean interlaced) {
        static final Geometry PLAIN = new Geometry(0, 1, false);
    }

    /// @throws FootageException if the frame is of no layout that is known
    public static FrameCoding of(Path path, AVStream stream, AVCodecContext decoder, AVFrame frame, ColourInterpretation told)
            throws FootageException {
        AVPixFmtDescriptor d = av_pix_fmt_desc_get(frame.format());
        if (d == null || d.isNull() || frame.width() <= 0 || frame.height() <= 0) {
            throw new FootageException(path, "its pixels have no layout that is known here; convert it first.");
        }
        String name = av_get_pix_fmt_name(frame.format()).getString();
        boolean floating = (d.flags() & AV_PIX_FMT_FLAG_FLOAT) != 0;
        boolean still = isStillCodec(decoder.codec_id());
        boolean alpha = (d.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0 || "pal8".equals(name) && still;
        List<String> notes = new ArrayList<>();
        Colour colour = colour(decoder, frame, d, still, told, notes);
        Geometry geometry = geometry(stream, frame, notes);
        return new FrameCoding(frame.format(), frame.width(), frame.height(), colour, geometry, alpha, floating, notes);
    }

    private static Colour colour(AVCodecContext decoder, AVFrame frame, AVPixFmtDescriptor d, boolean still, ColourInterpretation told,
            List<String> notes) {
        boolean rgb = (d.flags() & AV_PIX_FMT_FLAG_RGB) != 0;
        boolean floating = (d.flags() & AV_PIX_FMT_FLAG_FLOAT) != 0;
        boolean jpeg = decoder.codec_id() == AV_CODEC_ID_MJPEG;
        boolean colours = !rgb && d.nb_components() >= 3;
        boolean named = rgb || frame.colorspace() != AVCOL_SPC_UNSPECIFIED && frame.colorspace() != AVCOL_SPC_RGB;
        ColourMatrix matrix = told.matrix() != null ? told.matrix() : named ? matrixOf(frame.colorspace())
                : still || jpeg || frame.height() <= 576 && frame.width() <= 1024 ? ColourMatrix.BT601 : ColourMatrix.BT709;
        if (colours && !named && told.matrix() == null) {
            notes.add("the file names no colour matrix; " + (matrix == ColourMatrix.BT709 ? "BT.709" : "BT.601") + " is assumed");
        }
        String name = av_get_pix_fmt_name(frame.format()).getString();
        boolean full = told.fullRange() != null ? told.fullRange()
                : frame.color_range() == AVCOL_RANGE_JPEG || name.startsWith("yuvj") || rgb
                        || frame.color_range() == AVCOL_RANGE_UNSPECIFIED && (still || d.nb_components() < 3);
        int trc = frame.color_trc();
        Transfer transfer = told.curve() != null ? told.curve() : floating ? Transfer.LINEAR : curveOf(trc, still);
        if (told.curve() == null && (transfer == Transfer.PQ || transfer == Transfer.HLG)) {
            notes.add(transfer == Transfer.PQ
                    ? "the curve is PQ; white is taken as 203 cd/m\u00b2 and highlights stay above it"
                    : "the curve is HLG; white is taken as code 75 % and highlights stay above it");
        } else if (told.curve() == null && transfer == Transfer.SRGB && !still && !jpeg && trc == AVCOL_TRC_UNSPECIFIED) {
            notes.add("the file names no transfer curve; it is read like stills, sRGB");
        }
        boolean centred = frame.chroma_location() == AVCHROMA_LOC_CENTER || frame.chroma_location() == AVCHROMA_LOC_UNSPECIFIED
                && (jpeg || still);
        return new Colour(full, matrix, named, transfer, frame.color_primaries() == AVCOL_PRI_BT2020, centred);
    }

    private static ColourMatrix matrixOf(int space) {
        return space == AVCOL_SPC_BT709 ? ColourMatrix.BT709
                : space == AVCOL_SPC_BT2020_NCL || space == AVCOL_SPC_BT2020_CL ? ColourMatrix.BT2020 : ColourMatrix.BT601;
    }

    private static Transfer curveOf(int trc, boolean still) {
        if (trc == AVCOL_TRC_LINEAR) {
            return Transfer.LINEAR;
        }
        // Readers of stills name odd curves (TIFF a plain gamma): an integer still is sRGB unless it says linear.
        if (still) {
            return Transfer.SRGB;
        }
        return trc == AVCOL_TRC_SMPTE2084 ? Transfer.PQ : trc == AVCOL_TRC_ARIB_STD_B67 ? Transfer.HLG : trc == AVCOL_TRC_LOG
                ? Transfer.LOG100 : Transfer.SRGB;
    }

    private static Geometry geometry(AVStream stream, AVFrame frame, List<String> notes) {
        AVRational own = frame.sample_aspect_ratio();
        AVRational said = own.num() > 0 && own.den() > 0 ? own : stream.sample_aspect_ratio();
        double aspect = said.num() > 0 && said.den() > 0 ? av_q2d(said) : 1;
        if (!(aspect > 0.2 && aspect < 5)) {
            aspect = 1;
        }
        if (aspect != 1) {
            notes.add(String.format(Locale.ENGLISH, "its pixels are not square (%.3f to 1); the picture is widened to its true shape",
                    aspect));
        }
        boolean interlaced = (frame.flags() & AVFrame.AV_FRAME_FLAG_INTERLACED) != 0;
        if (interlaced) {
            notes.add("it is interlaced; every frame is made of its first field, the lines between are rebuilt");
        }
        return new Geometry(turns(stream, frame), aspect, interlaced);
    }

    static boolean isStillCodec(int id) {
        return id == AV_CODEC_ID_PNG || id == AV_CODEC_ID_TIFF || id == AV_CODEC_ID_EXR || id == AV_CODEC_ID_BMP || id == AV_CODEC_ID_DPX;
    }

    private static int turns(AVStream stream, AVFrame frame) {
        AVPacketSideData side = av_packet_side_data_get(
                stream.codecpar().coded_side_data(), stream.codecpar().nb_coded_side_data(), AV_PKT_DATA_DISPLAYMATRIX);
        if (side != null && !side.isNull() && side.size() >= MATRIX_BYTES) {
            return turnsOf(side.data());
        }
        AVFrameSideData own = av_frame_get_side_data(frame, AV_FRAME_DATA_DISPLAYMATRIX);
        return own == null || own.isNull() || own.size() < MATRIX_BYTES ? 0 : turnsOf(own.data());
    }

    /// Clockwise quarter turns that bring the stored picture upright.
    private static int turnsOf(BytePointer matrix) {
        var m = matrix.limit(MATRIX_BYTES).asByteBuffer().order(ByteOrder.nativeOrder()).asIntBuffer();
        double degrees = Math.toDegrees(Math.atan2(m.get(1) / 65536.0, m.get(0) / 65536.0));
        return Math.floorMod((int) Math.round(degrees / 90), 4);
    }

    /// Width with square pixels, before turning.
    int squareWidth() {
        return Math.max(1, (int) Math.round(width * geometry.pixelAspect));
    }

    public int shownWidth() {
        return geometry.quarterTurns % 2 == 1 ? height : squareWidth();
    }

    public int shownHeight() {
        return geometry.quarterTurns % 2 == 1 ? squareWidth() : height;
    }

    public String formatName() {
        return av_get_pix_fmt_name(format).getString();
    }
}
