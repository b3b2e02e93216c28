package org.scenothesis.media.decode;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;

/// Whether a file is as long as its own structure says: a copy that was interrupted ends in the middle of something.
///
/// Only heads of pieces are read, of pictures with an end mark their codes. What has no structure that promises a length is taken as whole.
final class FileEnd {
    private static final int PIECE = 1 << 16;
    private static final int TS = 188;
    private static final int M2TS = 192;
    private static final int MOST_PIECES = 2_000_000;

    private final FileChannel file;
    private final long size;

    private FileEnd(FileChannel file) throws IOException {
        this.file = file;
        size = file.size();
    }

    /// Bytes that are missing at the end, at least; 0 where nothing is known to be.
    static long missing(Path path) {
        try (FileChannel file = FileChannel.open(path)) {
            return Math.max(0, new FileEnd(file).promised() - file.size());
        } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
            // What cannot be read is said when it is opened.
            return 0;
        }
    }

    private long promised() throws IOException {
        if (size < 12) {
            return 0;
        }
        ByteBuffer head = at(0, 12);
        String first = text(head, 0, 4);
        long start = head.getLong(0);
        if (start == 0x89504e470d0a1a0aL) {
            return chunks(8);
        }
        if ((start >>> 48) == 0xffd8) {
            return jpeg();
        }
        if (first.equals("RIFF") || first.equals("RF64")) {
            return riff();
        }
        if (first.startsWith("GIF")) {
            return at(size - 1, 1).get(0) == 0x3b ? 0 : size + 1;
        }
        if (first.equals("II*\0") || first.equals("MM\0*")) {
            return tiff(first.startsWith("II") ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        }
        if (first.equals("SDPX") || first.equals("XPDS")) {
            return size < 20 ? 0
                    : plausible(Integer.toUnsignedLong(at(16, 4).order(first.equals("SDPX") ? ByteOrder.BIG_ENDIAN
                    : ByteOrder.LITTLE_ENDIAN).getInt(0)));
        }
        if (first.startsWith("BM")) {
            return plausible(Integer.toUnsignedLong(at(2, 4).order(ByteOrder.LITTLE_ENDIAN).getInt(0)));
        }
        if (start >>> 32 == 0x1a45dfa3L) {
            return matroska();
        }
        if (start >>> 32 == 0x060e2b34L) {
            return mxf();
        }
        if (first.equals("OggS")) {
            return ogg();
        }
        ExrHead exr = ExrHead.of(file);
        if (exr != null) {
            return exr.promised(file);
        }
        if (isBox(text(head, 4, 8))) {
            return boxes();
        }
        return transport();
    }

    private ByteBuffer at(long from, int length) throws IOException {
        ByteBuffer b = ByteBuffer.allocate(length);
        while (b.hasRemaining() && file.read(b, from + b.position()) >= 0) {
            // Read on.
        }
        return b;
    }

    private static String text(ByteBuffer b, int from, int to) {
        return new String(b.array(), from, to - from, StandardCharsets.ISO_8859_1);
    }

    /// A length that a head states, unless it states none.
    private static long plausible(long stated) {
        return stated == 0 || stated == 0xffffffffL ? 0 : stated;
    }

    /// Pieces of a PNG up to its end mark.
    private long chunks(long from) throws IOException {
        long pos = from;
        while (pos + 8 <= size) {
            ByteBuffer h = at(pos, 8);
            pos += 12 + Integer.toUnsignedLong(h.getInt(0));
            if (text(h, 4, 8).equals("IEND")) {
                return pos;
            }
        }
        return Math.max(pos, size + 1);
    }

    /// A JPEG ends with a mark; within its codes the mark's first byte is always followed by a zero or a restart.
    private long jpeg() throws IOException {
        if (at(size - 2, 2).getShort(0) == (short) 0xffd9) {
            return 0;
        }
        long pos = 2;
        while (pos + 4 <= size) {
            ByteBuffer h = at(pos, 4);
            int mark = h.getShort(0) & 0xffff;
            if (mark >>> 8 != 0xff) {
                return 0;
            }
            if (mark == 0xffff) {
                pos++;
            } else if (mark == 0xffd9) {
                return pos + 2;
            } else {
                pos += 2 + (h.getShort(2) & 0xffff);
                if (mark == 0xffda) {
                    pos = behindCodes(pos);
                }
            }
        }
        return Math.max(pos, size + 1);
    }

    private long behindCodes(long from) throws IOException {
        int before = 0;
        for (long pos = from; pos < size; pos += PIECE) {
            ByteBuffer b = at(pos, (int) Math.min(PIECE, size - pos));
            for (int i = 0; i < b.capacity(); i++) {
                int v = b.get(i) & 0xff;
                if (before == 0xff && v != 0 && v != 0xff && (v < 0xd0 || v > 0xd7)) {
                    return pos + i - 1;
                }
                before = v;
            }
        }
        return size + 1;
    }

    /// One piece after another, each with its length: film in several, sound, pictures.
    private long riff() throws IOException {
        long pos = 0;
        while (pos + 8 <= size) {
            ByteBuffer h = at(pos, 8);
            long stated = Integer.toUnsignedLong(h.order(ByteOrder.LITTLE_ENDIAN).getInt(4));
            if (!text(h, 0, 4).equals("RIFF") || plausible(stated) == 0) {
                return 0;
            }
            pos += 8 + stated + (stated & 1);
        }
        // The last byte of an odd length may be left out.
        return pos - 1 > size ? pos - 1 : 0;
    }

    private static boolean isBox(String kind) {
        return switch (kind.toLowerCase(Locale.ROOT)) {
            case "ftyp", "moov", "mdat", "wide", "free", "skip", "styp", "jp  ", "pnot" -> true;
            default -> false;
        };
    }

    private long boxes() throws IOException {
        long pos = 0;
        for (int n = 0; pos + 8 <= size && n < MOST_PIECES; n++) {
            ByteBuffer h = at(pos, 16);
            long length = Integer.toUnsignedLong(h.getInt(0));
            if (length == 1) {
                length = h.getLong(8);
            }
            if (length < 8) {
                // To the end of the file, or no box any more.
                return 0;
            }
            pos += length;
        }
        return pos;
    }

    private long matroska() throws IOException {
        long pos = 4;
        long length = number(pos);
        pos += width(pos) + Math.max(0, length);
        if (pos + 12 > size || Integer.toUnsignedLong(at(pos, 4).getInt(0)) != 0x18538067L) {
            return 0;
        }
        long all = number(pos + 4);
        return all < 0 ? 0 : pos + 4 + width(pos + 4) + all;
    }

    private int width(long pos) throws IOException {
        return Integer.numberOfLeadingZeros(at(pos, 1).get(0) & 0xff) - 23;
    }

    /// A number whose first byte says how long it is; −1 where it is left open.
    private long number(long pos) throws IOException {
        int w = width(pos);
        if (w > 8) {
            return -1;
        }
        ByteBuffer b = at(pos, w);
        long v = b.get(0) & (0xff >>> w);
        long open = v == (0xff >>> w) ? 1 : 0;
        for (int i = 1; i < w; i++) {
            v = v << 8 | b.get(i) & 0xff;
            open = b.get(i) == (byte) 0xff ? open : 0;
        }
        return open == 1 ? -1 : v;
    }

    private long mxf() throws IOException {
        long pos = 0;
        for (int n = 0; pos + 17 <= size && n < MOST_PIECES; n++) {
            ByteBuffer h = at(pos, 25);
            if (h.getInt(0) != 0x060e2b34) {
                return 0;
            }
            int form = h.get(16) & 0xff;
            long length = form;
            int more = form < 0x80 ? 0 : form & 0x7f;
            if (more > 8) {
                return 0;
            }
            if (more > 0) {
                length = 0;
                for (int i = 0; i < more; i++) {
                    length = length << 8 | h.get(17 + i) & 0xff;
                }
            }
            pos += 17 + more + length;
        }
        return pos;
    }

    /// The last page says that it is the last.
    private long ogg() throws IOException {
        int length = (int) Math.min(size, PIECE + 512);
        ByteBuffer end = at(size - length, length);
        for (int i = length - 27; i >= 0; i--) {
            if (end.getInt(i) == 0x4f676753) {
                int segments = end.get(i + 26) & 0xff;
                long page = 27L + segments;
                for (int k = 0; k < segments && i + 27 + k < length; k++) {
                    page += end.get(i + 27 + k) & 0xff;
                }
                long behind = size - length + i + page;
                return behind > size ? behind : (end.get(i + 5) & 4) != 0 ? 0 : size + 1;
            }
        }
        return 0;
    }

    private long tiff(ByteOrder order) throws IOException {
        long dir = Integer.toUnsignedLong(at(4, 4).order(order).getInt(0));
        if (dir + 2 > size) {
            return dir + 2;
        }
        int entries = at(dir, 2).order(order).getShort(0) & 0xffff;
        ByteBuffer all = at(dir + 2, entries * 12).order(order);
        long promised = dir + 2 + entries * 12L;
        long[] places = {};
        long[] lengths = {};
        for (int i = 0; i < entries; i++) {
            int tag = all.getShort(12 * i) & 0xffff;
            if (tag == 273 || tag == 324) {
                places = list(all, 12 * i, order);
            } else if (tag == 279 || tag == 325) {
                lengths = list(all, 12 * i, order);
            }
        }
        for (int i = 0; i < Math.min(places.length, lengths.length); i++) {
            promised = Math.max(promised, places[i] + lengths[i]);
        }
        return promised;
    }

    private long[] list(ByteBuffer all, int entry, ByteOrder order) throws IOException {
        boolean shorts = all.getShort(entry + 2) == 3;
        long count = Integer.toUnsignedLong(all.getInt(entry + 4));
        int each = shorts ? 2 : 4;
        if (count > MOST_PIECES) {
            return new long[0];
        }
        ByteBuffer from = count * each <= 4 ? all.slice(entry + 8, 4).order(order)
                : at(Integer.toUnsignedLong(all.getInt(entry + 8)), (int) count * each).order(order);
        long[] out = new long[(int) count];
        for (int i = 0; i < out.length; i++) {
            out[i] = shorts ? from.getShort(2 * i) & 0xffff : Integer.toUnsignedLong(from.getInt(4 * i));
        }
        return out;
    }

    /// Packets of one length, each beginning with the same byte; tape frames likewise.
    private long transport() throws IOException {
        int step = sync(0, TS) ? TS : sync(4, M2TS) ? M2TS : tape();
        return step == 0 || size % step == 0 ? 0 : size + step - size % step;
    }

    private boolean sync(int from, int step) throws IOException {
        for (int i = 0; i < 3; i++) {
            if (from + (long) i * step >= size || at(from + (long) i * step, 1).get(0) != 0x47) {
                return false;
            }
        }
        return true;
    }

    /// Bytes of a frame of digital tape, 0 where it is none.
    private int tape() throws IOException {
        ByteBuffer h = at(0, 4);
        return (h.getInt(0) & 0xffffff3f) == 0x1f07003f ? (h.get(3) & 0x80) != 0 ? 144_000 : 120_000 : 0;
    }
}
