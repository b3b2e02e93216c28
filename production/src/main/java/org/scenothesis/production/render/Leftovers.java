package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.Unfinished;
import org.scenothesis.production.words.Words;

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

    /// All of a production: parts of films, and files in the making of which nobody may know any more.
    public static List<Leftover> of(ProductionFolder production) {
        List<Leftover> out = new ArrayList<>(in(production.renders()));
        for (Path folder : List.of(production.path(), production.path().resolve("footage"), production.path().resolve("paper"),
                production.cache())) {
            out.addAll(unfinished(folder));
        }
        return out;
    }

    /// All in a folder of renders and the folders of stills in it; empty where there is none.
    public static List<Leftover> in(Path renders) {
        List<Leftover> out = new ArrayList<>();
        if (!Files.isDirectory(renders, LinkOption.NOFOLLOW_LINKS)) {
            return out;
        }
        out.addAll(unfinished(renders));
        try (Stream<Path> files = Files.list(renders)) {
            for (Path p : files.filter(f -> Files.isDirectory(f, LinkOption.NOFOLLOW_LINKS)).sorted().toList()) {
                String name = p.getFileName().toString();
                if (name.startsWith(".") && name.endsWith(ENDING) && RenderLedger.isOne(p)) {
                    int dash = name.lastIndexOf("-render-");
                    out.add(new Leftover(p, name.substring(1, dash > 1 ? dash : name.length()), size(p)));
                } else {
                    out.addAll(unfinished(p));
                }
            }
        } catch (IOException e) {
            // A folder that cannot be listed has nothing to show.
        }
        return out;
    }

    private static List<Leftover> unfinished(Path folder) {
        List<Leftover> out = new ArrayList<>();
        for (Path p : Unfinished.in(folder)) {
            try {
                out.add(new Leftover(p, String.valueOf(Unfinished.meantFor(p)), size(p)));
            } catch (IOException e) {
                // It went meanwhile.
            }
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
        try {
            Unfinished.remove(l.path);
        } catch (IOException e) {
            throw new FootageException(l.path, Words.of("leftovers.it-cannot-be-removed-check-its"), e);
        }
    }
}
