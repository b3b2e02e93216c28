package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Comparator;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Footages;
import org.scenothesis.media.Stills;
import org.scenothesis.media.VideoFormat;
import org.scenothesis.media.VideoSink;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;

/// One render of a shot.
///
/// Frames are finished one by one, on every core a stretch of the shot; a video is joined from them at the end. A render that was stopped goes on where it was: frames that are
/// there are not made again.
public final class RenderJob {
    private static final String MARK = ".rendered";

    private final ShotRenderer renderer;
    private final Shot shot;
    private final Target target;

    /// - `path`: a folder for stills, a file for a video. `from`, `to`: frames, both included.
    public record Target(Path path, Stills.@Nullable Format stills, @Nullable VideoFormat video, int from, int to) {
        /// What a path asks for by its extension; a name without one is a folder of 16-bit PNG.
        ///
        /// @throws FootageException if the extension is of no known format
        public static Target of(Path path, int from, int to) throws FootageException {
            String extension = Footages.extension(path);
            if (extension.isEmpty() || Files.isDirectory(path)) {
                return new Target(path, Stills.Format.PNG16, null, from, to);
            }
            VideoFormat v = VideoFormat.ofExtension(extension);
            if (v == null) {
                throw new FootageException(path, "a video ends in .mkv, .webm, .mp4, .mov or .avi; a name without an ending makes a folder of stills.");
            }
            return new Target(path, null, v, from, to);
        }
    }

    public RenderJob(ShotRenderer renderer, Shot shot, Target target) {
        this.renderer = renderer;
        this.shot = shot;
        this.target = target;
    }

    /// Renders; the path is complete when this returns.
    ///
    /// @throws FootageException if footage cannot be read or the result not written
    /// @throws Stopped if progress asks for it; finished frames stay for the next time
    public void run(Progress progress) throws FootageException {
        ShotRenderer.Format format = renderer.format(shot);
        String stamp = renderer.stamp(shot);
        Path folder = target.video == null ? target.path : parts(stamp);
        Stills.Format kind = target.stills == null ? Stills.Format.PNG16 : target.stills;
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new FootageException(folder, "the folder cannot be made; check its permissions.", e);
        }
        int n = target.to - target.from + 1;
        FileTime since = since(folder.resolve(MARK), stamp);
        if (target.video == null) {
            new Stretches(renderer, shot, i -> file(folder, i, kind.extension()), (file, frame) -> Stills.write(file, frame, kind), since)
                    .finish(target.from, target.to, progress);
        } else {
            new Stretches(renderer, shot, i -> file(folder, i, "part"), Part::write, since).finish(target.from, target.to, progress);
            join(folder, format);
        }
        progress.at(n, n);
    }

    private static Path file(Path folder, int frame, String extension) {
        return folder.resolve(String.format("frame-%06d.%s", frame, extension));
    }

    /// Since when frames in the folder are made of what the stamp stands for: a mark in it says so. With another mark, or none, they are of something else,
    /// and a new mark is set.
    private static FileTime since(Path mark, String stamp) throws FootageException {
        try {
            if (!Files.exists(mark) || !Files.readString(mark).equals(stamp)) {
                Files.writeString(mark, stamp);
            }
            return Files.getLastModifiedTime(mark);
        } catch (IOException e) {
            throw new FootageException(mark, "the folder cannot be written to; check its permissions and the space left.", e);
        }
    }

    private Path parts(String stamp) {
        return target.path.toAbsolutePath().resolveSibling("." + target.path.getFileName() + "-" + stamp + ".frames");
    }

    private void join(Path folder, ShotRenderer.Format format) throws FootageException {
        var plan = new VideoSink.Plan(
                format.width(), format.height(), format.rate(), java.util.Objects.requireNonNull(target.video), 9, renderer.sound(shot));
        VideoSink sink = new VideoSink(target.path, plan);
        boolean done = false;
        try {
            for (int i = target.from; i <= target.to; i++) {
                sink.write(Part.read(file(folder, i, "part")));
            }
            sink.close();
            done = true;
        } finally {
            if (!done) {
                sink.abandon();
            }
        }
        clear(folder);
    }

    private static void clear(Path folder) {
        try (var files = Files.walk(folder)) {
            for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(p);
            }
        } catch (IOException e) {
            org.slf4j.LoggerFactory.getLogger(RenderJob.class).warn("the parts in {} were not removed", folder, e);
        }
    }
}
