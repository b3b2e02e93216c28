package org.scenothesis.testkit;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.SplittableRandom;
import java.util.zip.CRC32;
import java.util.zip.Deflater;

/// Files that come in as footage and are not what their names say: sound alone, covers, texts, cut, flipped, of no size or an enormous one.
/// Undamaged they were made by another encoder.
public final class HostileFiles {
    private static final List<String> SEEDS = List.of(
            "sound.wav", "sound.m4a", "sound.mkv", "sound.ts", "sound.avi", "sound.webm", "sound.mp3", "cover.m4a", "cover.mp3",
            "words.mp4", "words.mkv", "film.mp4", "fast.mp4", "film.webm",
            "film.avi", "film.ts", "film.mov", "av1.mkv", "ffv1.mkv", "prores.mov", "film.mpg", "film.ogv", "unknown.avi", "film.gif",
            "film.apng", "film.mxf", "still.png", "still.jpg", "still.tif",
            "still.exr", "still.bmp", "still.dpx", "still.webp", "still.jp2", "still.ppm");
    private static final int WIDTH = 64;
    private static final int FLIPS = 4;
    private static final int HEAD = 200;

    private final Path folder;
    private final SplittableRandom random;
    private final List<Path> made = new ArrayList<>();

    private HostileFiles(Path folder, long seed) {
        this.folder = folder;
        random = new SplittableRandom(seed);
    }

    /// Writes them all, another set for another seed; more than four hundred.
    public static List<Path> write(Path folder, long seed) throws IOException {
        HostileFiles h = new HostileFiles(Files.createDirectories(folder), seed);
        for (String name : SEEDS) {
            h.damage(name, sound(name));
        }
        h.damage("noted.png", noted(sound("still.png"), 8 << 20));
        h.put("empty.mp4", new byte[0]);
        h.put("one.png", new byte[] {1});
        h.put("words.mov", "This is a shopping list.".getBytes(StandardCharsets.UTF_8));
        h.put("no-streams.mkv", HexFormat.of().parseHex("1a45dfa3a3428681014282886d6174726f736b6118538067821549"));
        h.put("no-streams.mp4", HexFormat.of().parseHex("00000010667479706d703432000000000000000c6d6f6f7600000000"));
        return h.made;
    }

    /// One of the files before it is damaged.
    public static byte[] sound(String name) throws IOException {
        try (InputStream in = HostileFiles.class.getResourceAsStream("hostile/" + name)) {
            if (in == null) {
                throw new IOException("no hostile file " + name);
            }
            return in.readAllBytes();
        }
    }

    /// A PNG with a packed text that becomes so many bytes when it is unpacked.
    public static byte[] noted(byte[] png, int bytes) {
        Deflater packer = new Deflater(Deflater.BEST_COMPRESSION);
        byte[] piece = new byte[1 << 20];
        byte[] packed = new byte[bytes / 500 + 1000];
        int n = 0;
        for (long given = 0; given < bytes; given += piece.length) {
            packer.setInput(piece);
            n += packer.deflate(packed, n, packed.length - n);
        }
        packer.finish();
        n += packer.deflate(packed, n, packed.length - n);
        packer.end();
        byte[] keyword = "zTXtnotes\0\0".getBytes(StandardCharsets.ISO_8859_1);
        ByteBuffer chunk = ByteBuffer.allocate(keyword.length + n + 8).putInt(keyword.length - 4 + n).put(keyword).put(packed, 0, n);
        CRC32 crc = new CRC32();
        crc.update(chunk.array(), 4, keyword.length + n);
        chunk.putInt((int) crc.getValue());
        // Behind the head of the picture.
        return ByteBuffer.allocate(png.length + chunk.capacity()).put(png, 0, 33).put(chunk.flip()).put(png, 33, png.length - 33).array();
    }

    private void damage(String name, byte[] whole) throws IOException {
        put("whole-" + name, whole);
        for (int tenth = 1; tenth < 10; tenth++) {
            put("cut" + tenth + "-" + name, Arrays.copyOf(whole, (int) ((long) whole.length * tenth / 10)));
        }
        for (int i = 0; i < FLIPS; i++) {
            byte[] b = whole.clone();
            int among = i % 2 == 0 ? Math.min(HEAD << i, b.length) : b.length;
            for (int k = 0; k < 3 + 20 * i; k++) {
                b[random.nextInt(among)] ^= (byte) (1 << random.nextInt(8));
            }
            put("flip" + i + "-" + name, b);
        }
        put("none-" + name, sized(whole, 0));
        put("huge-" + name, sized(whole, 0x7fff));
    }

    /// Wherever the width could stand in the head, another number.
    private static byte[] sized(byte[] whole, int size) {
        byte[] b = whole.clone();
        for (int i = 0; i + 1 < Math.min(b.length, 4 * HEAD); i++) {
            if (whole[i] == 0 && whole[i + 1] == WIDTH) {
                b[i] = (byte) (size >> 8);
                b[i + 1] = (byte) size;
            } else if (whole[i] == WIDTH && whole[i + 1] == 0) {
                b[i] = (byte) size;
                b[i + 1] = (byte) (size >> 8);
            }
        }
        return b;
    }

    private void put(String name, byte[] bytes) throws IOException {
        made.add(Files.write(folder.resolve(name), bytes));
    }
}
