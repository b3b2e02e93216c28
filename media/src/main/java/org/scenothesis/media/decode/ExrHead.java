package org.scenothesis.media.decode;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;

/// The head of a single-part OpenEXR file in scanlines: how large its picture is, and where its pieces lie. Source: the published file
/// layout.
///
/// - `width`, `height`: of the display window, in pixels; `rows`: of the data window. `table`: where the list of pieces begins. `lines`:
///   rows of a piece.
record ExrHead(long width, long height, long rows, long table, int lines) {
    private static final int MAGIC = 20000630;
    private static final int ODD_LAYOUTS = 0x1a00;
    /// No head of a picture is longer; notes behind that are not looked for.
    private static final int LONGEST = 1 << 20;

    /// Null where the file is none, or its head makes no sense.
    static @Nullable ExrHead of(FileChannel file) throws IOException {
        ByteBuffer b = ByteBuffer.allocate((int) Math.min(LONGEST, file.size())).order(ByteOrder.LITTLE_ENDIAN);
        while (b.hasRemaining() && file.read(b, b.position()) >= 0) {
            // Read on.
        }
        b.flip();
        if (b.remaining() < 8 || b.getInt() != MAGIC) {
            return null;
        }
        boolean plain = (b.getInt() & ODD_LAYOUTS) == 0;
        long[] shown = null;
        long[] held = null;
        int lines = 0;
        while (b.hasRemaining()) {
            String name = word(b);
            if (name.isEmpty()) {
                return shown == null || held == null ? null : new ExrHead(shown[0], shown[1], plain ? held[1] : 0, b.position(), lines);
            }
            word(b);
            int size = b.remaining() < 4 ? -1 : b.getInt();
            if (size < 0 || size > b.remaining()) {
                return null;
            }
            int next = b.position() + size;
            switch (name) {
                case "displayWindow" -> shown = window(b, size);
                case "dataWindow" -> held = window(b, size);
                case "compression" -> lines = size < 1 ? 0 : lines(b.get());
                default -> {
                    // Notes are skipped unread.
                }
            }
            b.position(next);
        }
        return null;
    }

    private static String word(ByteBuffer b) {
        int from = b.position();
        while (b.hasRemaining() && b.get() != 0) {
            // On to its end.
        }
        return new String(b.array(), from, Math.max(0, b.position() - from - 1), StandardCharsets.ISO_8859_1);
    }

    private static long @Nullable [] window(ByteBuffer b, int size) {
        if (size < 16) {
            return null;
        }
        long left = b.getInt();
        long top = b.getInt();
        long right = b.getInt();
        long bottom = b.getInt();
        return right < left || bottom < top ? null : new long[] {right - left + 1, bottom - top + 1};
    }

    private static int lines(byte compression) {
        return switch (compression) {
            case 0, 1, 2 -> 1;
            case 3, 5 -> 16;
            case 4, 6, 7, 8 -> 32;
            case 9 -> 256;
            default -> 0;
        };
    }

    /// How many bytes the file should have at least; 0 where its layout does not say.
    long promised(FileChannel file) throws IOException {
        if (rows <= 0 || lines <= 0) {
            return 0;
        }
        long pieces = (rows + lines - 1) / lines;
        long behind = table + 8 * pieces;
        if (behind > file.size() || pieces > LONGEST) {
            return behind;
        }
        ByteBuffer list = ByteBuffer.allocate((int) (8 * pieces)).order(ByteOrder.LITTLE_ENDIAN);
        while (list.hasRemaining() && file.read(list, table + list.position()) >= 0) {
            // Read on.
        }
        long last = behind;
        for (int i = 0; i < pieces; i++) {
            // A piece that was never written has no place.
            last = Math.max(last, list.getLong(8 * i) == 0 ? file.size() + 1 : list.getLong(8 * i));
        }
        ByteBuffer head = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);
        return last + 8 > file.size() || file.read(head, last) < 8 ? last + 8 : last + 8 + Integer.toUnsignedLong(head.getInt(4));
    }
}
