package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FreshFile;

/// Parts of renders that were stopped: what they take up, and their removal.
public final class Leftovers {
    private static final String ENDING = ".frames";

    private Leftovers() {}

    /// A folder of parts or a file that was never finished; `of`: the name of the result it was meant for.
    public record Leftover(Path path, String of, long bytes) {}

    /// The folder that keeps the parts of a video until it is joined.
    static Path parts(Path video, String stamp) {
        return video.toAbsolutePath().resolveSibling("." + video.getFileName() + "-" + stamp + ENDING);
    }

    /// All in a folder of renders; empty where there is none.
    public static List<Leftover> in(Path renders) {
        List<Leftover> out = new ArrayList<>();
        if (!Files.isDirectory(renders, LinkOption.NOFOLLOW_LINKS)) {
            return out;
        }
        try (Stream<Path> files = Files.list(renders)) {
            for (Path p : files.sorted().toList()) {
                String name = p.getFileName().toString();
                boolean parts = name.startsWith(".") && name.endsWith(ENDING) && Files.isDirectory(p, LinkOption.NOFOLLOW_LINKS) && RenderLedger.isOne(p);
                boolean unfinished = name.startsWith(".") && name.endsWith(FreshFile.ENDING) && Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS);
                if (parts || unfinished) {
                    int dash = parts ? name.lastIndexOf("-render-") : name.lastIndexOf('-');
                    out.add(new Leftover(p, name.substring(1, dash > 1 ? dash : name.length()), size(p)));
                }
            }
        } catch (IOException e) {
            // A folder that cannot be listed has nothing to show.
        }
        return out;
    }

    private static long size(Path p) throws IOException {
        try (Stream<Path> files = Files.walk(p)) {
            return files.filter(f -> Files.isRegularFile(f, LinkOption.NOFOLLOW_LINKS)).mapToLong(f -> f.toFile().length()).sum();
        }
    }

    /// Removes one; links in it are removed, not followed.
    ///
    /// @throws FootageException if it cannot be removed
    public static void clear(Leftover l) throws FootageException {
        try (Stream<Path> files = Files.walk(l.path)) {
            for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(p);
            }
        } catch (IOException e) {
            throw new FootageException(l.path, "it cannot be removed; check its permissions.", e);
        }
    }
}
