package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ShortBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.FootageException;

/// A finished frame kept until its video is joined: width, height, then red, green and blue as half floats, scene-linear.
///
/// Written and read several times faster than any still; never handed out.
final class Part {
    private static final int HEAD = 8;

    private Part() {}

    /// @throws FootageException if it cannot be written
    static void write(Path file, Picture p) throws FootageException {
        int n = p.width() * p.height();
        ByteBuffer bytes = ByteBuffer.allocate(HEAD + 6 * n).putInt(p.width()).putInt(p.height());
        ShortBuffer halves = bytes.asShortBuffer();
        short[] run = new short[n];
        for (Plane c : p.colours()) {
            for (int i = 0; i < n; i++) {
                run[i] = Float.floatToFloat16(c.data()[i]);
            }
            halves.put(run);
        }
        try {
            Path near = file.resolveSibling(file.getFileName() + ".part");
            Files.write(near, bytes.array());
            Files.move(near, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new FootageException(file, "the frame cannot be kept; check the folder, its permissions and the space left.", e);
        }
    }

    /// @throws FootageException if it cannot be read or is damaged
    static Picture read(Path file) throws FootageException {
        try {
            ByteBuffer bytes = ByteBuffer.wrap(Files.readAllBytes(file));
            int w = bytes.remaining() < HEAD ? 0 : bytes.getInt();
            int h = w <= 0 ? 0 : bytes.getInt();
            if (h <= 0 || bytes.remaining() != 6L * w * h) {
                throw new FootageException(file, "the kept frame is damaged; delete it and render again.");
            }
            Picture p = Picture.of(w, h);
            ShortBuffer halves = bytes.asShortBuffer();
            short[] run = new short[w * h];
            for (Plane c : p.colours()) {
                halves.get(run);
                for (int i = 0; i < run.length; i++) {
                    c.data()[i] = Float.float16ToFloat(run[i]);
                }
            }
            return p;
        } catch (IOException e) {
            throw new FootageException(file, "the kept frame cannot be read; render again.", e);
        }
    }
}
