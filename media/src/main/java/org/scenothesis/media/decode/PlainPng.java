package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avformat.AVSEEK_SIZE;
import static org.bytedeco.ffmpeg.global.avformat.avio_alloc_context;
import static org.bytedeco.ffmpeg.global.avformat.avio_context_free;
import static org.bytedeco.ffmpeg.global.avutil.AVERROR_EOF;
import static org.bytedeco.ffmpeg.global.avutil.av_free;
import static org.bytedeco.ffmpeg.global.avutil.av_malloc;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.Read_packet_Pointer_BytePointer_int;
import org.bytedeco.ffmpeg.avformat.Seek_Pointer_long_int;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.Pointer;
import org.jspecify.annotations.Nullable;

/// A PNG without what is not its picture: texts, profiles and other notes are skipped unread, so that none of them is ever unpacked,
/// however large it would become.
final class PlainPng implements AutoCloseable {
    private static final Set<String> PICTURE = Set.of("IHDR", "PLTE", "IDAT", "IEND", "tRNS", "gAMA", "cHRM", "sRGB", "cICP", "pHYs",
            "sBIT", "bKGD", "acTL", "fcTL", "fdAT");
    private static final long SIGNATURE = 0x89504e470d0a1a0aL;
    /// Notes that are together no larger than this stay where they are: unpacked they cannot become more than a few megabytes.
    private static final long SMALL = 4096;
    private static final int BUFFER = 1 << 16;

    private final FileChannel file;
    private final List<Run> runs;
    private final long size;
    private final Read read = new Read();
    private final Seek seek = new Seek();
    private @Nullable AVIOContext io;
    private long at;

    /// A run of the file that is kept: where it begins in the file and in what is left, and how long it is.
    private record Run(long from, long to, long length) {}

    private PlainPng(FileChannel file, List<Run> runs) {
        this.file = file;
        this.runs = runs;
        Run last = runs.getLast();
        size = last.to + last.length;
    }

    /// The plain picture of a PNG with large notes; null where the file is no PNG, or may be read as it is.
    ///
    /// @throws IOException if it cannot be read
    static @Nullable PlainPng of(Path path) throws IOException {
        FileChannel file = FileChannel.open(path);
        List<Run> runs = new ArrayList<>();
        boolean kept = false;
        try {
            kept = notes(file, runs) > SMALL;
            return kept ? new PlainPng(file, runs) : null;
        } finally {
            if (!kept) {
                file.close();
            }
        }
    }

    /// Gathers what is kept and gives the bytes of what is not.
    private static long notes(FileChannel file, List<Run> runs) throws IOException {
        ByteBuffer head = ByteBuffer.allocate(8);
        if (!filled(file, head, 0) || head.getLong(0) != SIGNATURE) {
            return 0;
        }
        runs.add(new Run(0, 0, 8));
        long skipped = 0;
        long pos = 8;
        while (filled(file, head, pos)) {
            long length = 12 + Integer.toUnsignedLong(head.getInt(0));
            if (PICTURE.contains(new String(head.array(), 4, 4, StandardCharsets.ISO_8859_1))) {
                Run last = runs.getLast();
                if (last.from + last.length == pos) {
                    runs.set(runs.size() - 1, new Run(last.from, last.to, last.length + length));
                } else {
                    runs.add(new Run(pos, last.to + last.length, length));
                }
            } else {
                skipped += length;
            }
            pos += length;
        }
        return skipped;
    }

    private static boolean filled(FileChannel file, ByteBuffer into, long pos) throws IOException {
        into.clear();
        while (into.hasRemaining()) {
            if (file.read(into, pos + into.position()) < 0) {
                return false;
            }
        }
        return true;
    }

    /// What FFmpeg reads from; freed with this.
    AVIOContext io() {
        AVIOContext made = avio_alloc_context(new BytePointer(av_malloc(BUFFER)), BUFFER, 0, null, read, null, seek);
        io = made;
        return made;
    }

    private final class Read extends Read_packet_Pointer_BytePointer_int {
        @Override
        public int call(Pointer opaque, BytePointer into, int wanted) {
            try {
                for (int i = runs.size() - 1; i >= 0; i--) {
                    Run r = runs.get(i);
                    if (at >= r.to && at < r.to + r.length) {
                        ByteBuffer b = ByteBuffer.allocate((int) Math.min(wanted, r.to + r.length - at));
                        int n = file.read(b, r.from + at - r.to);
                        if (n <= 0) {
                            return AVERROR_EOF;
                        }
                        into.put(b.array(), 0, n);
                        at += n;
                        return n;
                    }
                }
                return AVERROR_EOF;
            } catch (IOException e) {
                return AVERROR_EOF;
            }
        }
    }

    private final class Seek extends Seek_Pointer_long_int {
        @Override
        public long call(Pointer opaque, long offset, int whence) {
            if (whence == AVSEEK_SIZE) {
                return size;
            }
            long to = switch (whence & 3) {
                case 1 -> at + offset;
                case 2 -> size + offset;
                default -> offset;
            };
            if (to < 0 || to > size) {
                return -1;
            }
            at = to;
            return to;
        }
    }

    @Override
    public void close() {
        AVIOContext c = io;
        io = null;
        if (c != null) {
            av_free(c.buffer());
            avio_context_free(c);
        }
        read.close();
        seek.close();
        try {
            file.close();
        } catch (IOException e) {
            // It was only read.
        }
    }
}
