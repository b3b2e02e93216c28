package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avutil.AV_DICT_IGNORE_SUFFIX;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;

import com.drew.imaging.ImageProcessingException;
import com.drew.imaging.jpeg.JpegMetadataReader;
import com.drew.imaging.tiff.TiffMetadataReader;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifReader;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.jspecify.annotations.Nullable;

/// The focal length that a camera noted in a file, as on a full frame of the same diagonal; nothing is guessed from the camera's name.
final class NotedLens {
    private static final double FULL_DIAGONAL_MM = Math.hypot(36, 24);

    private NotedLens() {}

    /// Of a still, by its Exif notes: the equivalent length, else the true one and how dense the sensor is. In millimetres, null where
    /// neither is noted.
    static @Nullable Double ofStill(Path file) {
        try {
            for (ExifSubIFDDirectory d : notes(file).getDirectoriesOfType(ExifSubIFDDirectory.class)) {
                Double found = equivalent(d);
                if (found != null) {
                    return found;
                }
            }
            return null;
        } catch (IOException | ImageProcessingException | RuntimeException e) {
            // Notes that cannot be read are none; the picture may be sound.
            return null;
        }
    }

    /// Only what is noted about the camera is read: texts and profiles of a picture may be packed, and become anything.
    private static Metadata notes(Path file) throws IOException, ImageProcessingException {
        return switch (Footages.extension(file)) {
            case "jpg", "jpeg" -> {
                try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
                    yield JpegMetadataReader.readMetadata(in, List.of(new ExifReader()));
                }
            }
            case "tif", "tiff" -> TiffMetadataReader.readMetadata(file.toFile());
            default -> new Metadata();
        };
    }

    private static @Nullable Double equivalent(ExifSubIFDDirectory d) {
        Double told = usable(d.getDoubleObject(ExifDirectoryBase.TAG_35MM_FILM_EQUIV_FOCAL_LENGTH));
        Double mm = usable(d.getDoubleObject(ExifDirectoryBase.TAG_FOCAL_LENGTH));
        Double across = d.getDoubleObject(ExifDirectoryBase.TAG_FOCAL_PLANE_X_RESOLUTION);
        Double down = d.getDoubleObject(ExifDirectoryBase.TAG_FOCAL_PLANE_Y_RESOLUTION);
        Double width = d.getDoubleObject(ExifDirectoryBase.TAG_EXIF_IMAGE_WIDTH);
        Double height = d.getDoubleObject(ExifDirectoryBase.TAG_EXIF_IMAGE_HEIGHT);
        if (told != null || mm == null || across == null || down == null || width == null || height == null) {
            return told;
        }
        Integer unit = d.getInteger(ExifDirectoryBase.TAG_FOCAL_PLANE_RESOLUTION_UNIT);
        double unitMm = unit == null || unit == 2 ? 25.4 : unit == 3 ? 10 : unit == 4 ? 1 : 25.4;
        double diagonal = Math.hypot(width / across, height / down) * unitMm;
        // Smaller than a phone's or larger than a plate camera's is a slip of the pen.
        return diagonal > 2 && diagonal < 200 ? usable(mm * FULL_DIAGONAL_MM / diagonal) : null;
    }

    /// Of a clip, by what its container says under any name that ends as phones end it.
    static @Nullable Double ofClip(AVFormatContext container) {
        AVDictionaryEntry e = av_dict_get(container.metadata(), "", null, AV_DICT_IGNORE_SUFFIX);
        while (e != null && !e.isNull()) {
            if (e.key().getString().toLowerCase(Locale.ROOT).endsWith("focal_length.35mm_equivalent")) {
                try {
                    return usable(Double.valueOf(e.value().getString().strip()));
                } catch (NumberFormatException x) {
                    return null;
                }
            }
            e = av_dict_get(container.metadata(), "", e, AV_DICT_IGNORE_SUFFIX);
        }
        return null;
    }

    private static @Nullable Double usable(@Nullable Double mm) {
        return mm != null && mm >= 5 && mm <= 700 ? mm : null;
    }
}
