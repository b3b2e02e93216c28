package org.scenothesis.production.render;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.layer.Cutout;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Excerpt;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.ExportFormat;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoJoin;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.media.sound.SoundTrack;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// One render of a shot.
///
/// - Frames are finished on every core a part of the shot. Stills are parts by themselves; of a video each part is a short film in its
///   final coding, closed and forced to disk, and all are joined at the end without coding anything again.
/// - A render that was stopped goes on where it was: parts that are there, whole, and made of the same are not made again.
/// - Only a complete new file ever takes the place of an old one; what no render made is never replaced or removed.
public final class RenderJob {
    private static final int QUALITY = 9;

    private final ShotRenderer renderer;
    private final Shot shot;
    private final Target target;
    private final Share share;

    /// - `path`: a folder for stills, or the file of the one still or the video. `from`, `to`: frames, both included. `of`: what of the
    ///   shot.
    public record Target(Path path, ExportFormat format, int from, int to, Excerpt of) {
        public Target(Path path, ExportFormat format, int from, int to) {
            this(path, format, from, to, Excerpt.WHOLE);
        }

        /// What a path asks for by its extension; a name without one is a folder of 16-bit PNG.
        ///
        /// @throws FootageException if the extension is of no known format, or of a still and there are several frames
        public static Target of(Path path, int from, int to) throws FootageException {
            ExportFormat asked = folder(path) ? Stills.Format.PNG16 : ExportFormat.ofExtension(Footages.extension(path)).orElse(null);
            if (asked == null) {
                throw new FootageException(path, Words.of("render-job.a-video-ends-in-a-single", endings(false), endings(true)));
            }
            return of(path, from, to, asked);
        }

        /// A path in a format that was asked for.
        ///
        /// @throws FootageException if the path is of another format, or of a still and there are several frames
        public static Target of(Path path, int from, int to, ExportFormat format) throws FootageException {
            if (!named(path, format) && !(format.still() && folder(path))) {
                throw new FootageException(path, "the format " + format.code()
                        + (format.still() ? " makes a folder of stills, or one still" : " is a film") + " that ends in ."
                        + format.extension() + "; name it so.");
            }
            if (format.still() && !folder(path) && from != to) {
                throw new FootageException(path, Words.of("render-job.a-still-is-one-frame-ask"));
            }
            return new Target(path, format, from, to);
        }

        private static String endings(boolean still) {
            return ExportFormat.all().stream().filter(f -> f.still() == still).map(f -> "." + f.extension()).distinct()
                    .collect(Collectors.joining(", "));
        }

        private static boolean named(Path path, ExportFormat format) {
            return ExportFormat.ofExtension(Footages.extension(path)).map(ExportFormat::extension).filter(format.extension()::equals)
                    .isPresent();
        }

        private static boolean folder(Path path) {
            return Footages.extension(path).isEmpty() || Files.isDirectory(path);
        }

        /// The same with another part of the shot.
        public Target withOf(Excerpt other) {
            return new Target(path, format, from, to, other);
        }

        /// Whether it is one still in a file of its own.
        boolean single() {
            return format.still() && from == to && named(path, format);
        }

        /// The picture of a moment, in seconds.
        ///
        /// @throws FootageException if footage is missing or cannot be read, or there is no such layer
        public Picture picture(ShotRenderer r, Shot shot, double seconds) throws FootageException {
            return switch (of) {
                case Excerpt.Whole w -> r.frame(shot, seconds);
                case Excerpt.Element e -> {
                    Cutout c = r.cutout(shot, e.layer(), seconds);
                    yield format.alpha() ? c.straight() : c.onBlack();
                }
                case Excerpt.Matte m -> r.cutout(shot, m.layer(), seconds).grey(format == Stills.Format.EXR);
            };
        }
    }

    /// What came of it.
    ///
    /// - `removed`: how many stills of an earlier, longer render were taken away behind the end of this one, which has the whole shot.
    /// - `older`: how many stills of an earlier version lie there still, since they were not asked for.
    public record Done(int removed, int older) {}

    public RenderJob(ShotRenderer renderer, Shot shot, Target target) {
        this(renderer, shot, target, Share.ALL);
    }

    public RenderJob(ShotRenderer renderer, Shot shot, Target target, Share share) {
        this.renderer = renderer;
        this.shot = shot;
        this.target = target;
        this.share = share;
    }

    public Target target() {
        return target;
    }

    /// How many frames it makes.
    public int frames() {
        return target.to - target.from + 1;
    }

    /// The room it will take on the disk, and what is free.
    ///
    /// @throws FootageException if footage is missing or the disk cannot be asked
    public Space space() throws FootageException {
        return Space.of(target.path, renderer.format(shot), frames(), target.format);
    }

    /// Looks whether it can be made at all, before anything is measured for it or written.
    ///
    /// @throws FootageException if the result must not be written there, is of a size that its format cannot have, or there is no room
    public void check() throws FootageException {
        try {
            renderer.folder().forResult(target.path);
            if (target.single() || !target.format.still()) {
                ResultFile.mayBe(target.path);
            } else {
                ResultFile.apart(target.path);
                RenderLedger.claim(target.path, IntStream.rangeClosed(target.from, target.to)
                        .mapToObj(i -> name(i, target.format.extension())).toList());
            }
        } catch (StoreException e) {
            throw new FootageException(target.path, ownWords(e));
        }
        ShotRenderer.Format format = renderer.format(shot);
        if (target.format.evenSize() && (format.width() % 2 != 0 || format.height() % 2 != 0)) {
            throw new FootageException(target.path, Words.of("render-job.the-shot-is-x-and-this", format.width(), format.height()));
        }
        Space space = space();
        if (!space.enough()) {
            throw new FootageException(target.path, Words.of("render-job.there-is-not-enough-room-on", space.words()));
        }
    }

    /// Renders; the path is complete when this returns.
    ///
    /// @throws FootageException if footage cannot be read, the result must not be written there, there is no room, or it cannot be written
    /// @throws Stopped if progress asks for it; finished parts stay for the next time
    public Done run(Progress progress) throws FootageException {
        check();
        ShotRenderer.Format format = renderer.format(shot);
        String stamp = renderer.stamp(shot, target);
        Done done = switch (target.format) {
            case Stills.Format f -> target.single() ? still(f) : stills(f, stamp, progress);
            case VideoFormat f -> video(f, stamp, format, progress);
        };
        int n = frames();
        progress.at(n, n);
        return done;
    }

    private String ownWords(StoreException e) {
        String m = String.valueOf(e.getMessage());
        int colon = m.indexOf(": ");
        return colon < 0 ? m : m.substring(colon + 2);
    }

    private Done still(Stills.Format kind) throws FootageException {
        double seconds = target.from / renderer.format(shot).rate();
        Stills.write(target.path, target.picture(renderer, shot, seconds), kind);
        ResultFile.made(target.path);
        return new Done(0, 0);
    }

    private Done stills(Stills.Format kind, String stamp, Progress progress) throws FootageException {
        RenderLedger ledger = RenderLedger.open(target.path, stamp);
        new Stretches(renderer, shot, new Stretches.Parts(1, target.from, target.to), share)
                .finish(ledger, (first, last) -> name(first, kind.extension()), (own, at, file) ->
                Stills.write(file, target.picture(own, shot, at.seconds(0)), kind), progress);
        List<String> older = ledger.older();
        boolean whole = target.from == 0 && target.to == renderer.format(shot).frames() - 1;
        List<String> behind = whole ? older.stream().filter(n -> n.compareTo(name(target.to, kind.extension())) > 0).toList() : List.of();
        ledger.remove(behind);
        return new Done(behind.size(), older.size() - behind.size());
    }

    private static String name(int frame, String extension) {
        return String.format("frame-%06d.%s", frame, extension);
    }

    private Done video(VideoFormat kind, String stamp, ShotRenderer.Format format, Progress progress) throws FootageException {
        Path folder = Leftovers.parts(target.path, stamp);
        VideoSink.Plan plan = new VideoSink.Plan(
                format.width(), format.height(), format.rate(), kind, QUALITY, sound(target.from / format.rate()), 0,
                target.of instanceof Excerpt.Element e && shot.layer(e.layer()).filter(l -> !Cutout.light(l)).isPresent());
        RenderLedger ledger = RenderLedger.open(folder, stamp);
        Stretches.Parts parts = new Stretches.Parts(VideoSink.GROUP, target.from, target.to);
        new Stretches(renderer, shot, parts, share).finish(ledger, (first, last) -> part(first, last, kind), (own, at, file) ->
                encode(own, at, file, plan), progress);
        List<Path> films = new ArrayList<>();
        for (int k = 0; k < parts.count(); k++) {
            films.add(folder.resolve(part(parts.first(k), parts.last(k), kind)));
        }
        VideoJoin.join(films, target.path, plan);
        ResultFile.made(target.path);
        Leftovers.clear(new Leftovers.Leftover(folder, "", 0));
        return new Done(0, 0);
    }

    /// What is heard from a moment of the shot on; of what is cut out nothing.
    private @Nullable SoundTrack sound(double from) throws FootageException {
        SoundTrack t = target.of instanceof Excerpt.Whole ? ShotSound.of(renderer.folder(), shot).track() : null;
        return t == null ? null : t.later(from);
    }

    private static String part(int first, int last, VideoFormat kind) {
        return String.format("part-%06d-%06d.%s", first, last, kind.extension());
    }

    private void encode(ShotRenderer own, Stretches.At at, Path file, VideoSink.Plan plan) throws FootageException {
        VideoSink sink = new VideoSink(file, plan.part(1));
        boolean whole = false;
        try {
            for (int i = 0; i < at.frames(); i++) {
                sink.write(target.picture(own, shot, at.seconds(i)));
                if (i < at.frames() - 1) {
                    at.done();
                }
            }
            sink.close();
            whole = true;
        } finally {
            if (!whole) {
                sink.abandon();
            }
        }
    }
}
