package org.scenothesis.media.decode;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;

/// A folder of stills read as frames, at 24 frames per second since stills carry no rate.
final class SequenceFootage implements Footage {
    private static final Pattern NUMBER = Pattern.compile("(\\d+)\\.[^.]+$");
    private static final double RATE = 24;

    private final FootageSource source;
    private final List<Path> files;
    private final FootageInfo info;

    SequenceFootage(FootageSource source, List<Path> files) throws FootageException {
        this.source = source;
        this.files = files;
        try (Footage first = new VideoFootage(new FootageSource(files.getFirst(), source.reading()), 1)) {
            FootageInfo i = first.info();
            List<Double> times = new ArrayList<>();
            for (int k = 0; k < files.size(); k++) {
                times.add(k / RATE);
            }
            List<String> notes = new ArrayList<>(i.notes());
            gaps(files, notes);
            FootageInfo.Shortfall shortfall = cut(files, notes);
            info = new FootageInfo(
                    source.path(), FootageInfo.Kind.SEQUENCE, i.width(), i.height(), new FootageInfo.Rate(RATE, false), times, i.coding(),
                    i.equivalentMm(), shortfall, notes);
        }
    }

    private static void gaps(List<Path> files, List<String> notes) {
        long before = -1;
        for (Path p : files) {
            Matcher m = NUMBER.matcher(p.getFileName().toString());
            if (!m.find() || m.group(1).length() > 15) {
                return;
            }
            long number = Long.parseLong(m.group(1));
            if (before >= 0 && number > before + 1) {
                notes.add("still " + (before + 1) + " is missing before " + p.getFileName());
            }
            before = number;
        }
    }

    /// Stills that end before their own end, each named.
    private static FootageInfo.@Nullable Shortfall cut(List<Path> files, List<String> notes) {
        long bytes = 0;
        for (Path p : files) {
            long missing = FileEnd.missing(p);
            if (missing > 0) {
                notes.add(p.getFileName() + " is cut short; copy it again from the camera");
            }
            bytes += missing;
        }
        return bytes == 0 ? null : new FootageInfo.Shortfall(0, bytes);
    }

    @Override
    public FootageInfo info() {
        return info;
    }

    @Override
    public Picture frame(int index) throws FootageException {
        try (Footage still = open(index)) {
            return still.frame(0);
        }
    }

    @Override
    public Picture reduced(int index, int times) throws FootageException {
        try (Footage still = open(index)) {
            return still.reduced(0, times);
        }
    }

    @Override
    public AnalysisFrame lockFrame(int index) throws FootageException {
        try (Footage still = open(index)) {
            return still.lockFrame(0);
        }
    }

    private Footage open(int index) throws FootageException {
        Footage still = new VideoFootage(new FootageSource(files.get(index), source.reading()), 1);
        if (still.info().width() != info.width() || still.info().height() != info.height()) {
            FootageInfo s = still.info();
            still.close();
            throw new FootageException(
                    files.get(index),
                    index,
                    "the still is " + s.width() + "x" + s.height() + " but the first of the folder is " + info.width() + "x"
                            + info.height() + "; keep stills of one size in one folder.");
        }
        return still;
    }

    @Override
    public void close() {}
}
