package org.scenothesis.production.incoming;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;

/// Footage that lies elsewhere, copied into the production so that its folder is all there is to carry.
///
/// - `paths`: by the id of a take, what its file is called now.
public record Collected(Map<String, String> paths) {
    /// The takes of a production whose files lie elsewhere.
    public static List<Take> elsewhere(ProductionFolder folder, Production p) {
        return p.shots().stream().flatMap(s -> s.plates().stream()).flatMap(q -> q.takes().stream())
                .filter(folder.footageFolder()::elsewhere).distinct()
                .toList();
    }

    /// Copies the files of these takes.
    ///
    /// @throws StoreException if one must not be read, or cannot be copied; those before it are here then
    /// @throws Stopped if progress asks for it
    public static Collected of(ProductionFolder folder, List<Take> takes, Progress progress) throws StoreException {
        Map<String, String> paths = new LinkedHashMap<>();
        for (Take t : takes) {
            if (!progress.at(paths.size(), takes.size())) {
                throw new Stopped();
            }
            paths.put(t.id(), folder.footageFolder().collect(t));
        }
        return new Collected(paths);
    }

    /// The production with the takes read from where they are now.
    public Production in(Production p) {
        Production out = p;
        for (Shot s : p.shots()) {
            out = out.withShot(s.id(), x -> {
                Shot now = x;
                for (Map.Entry<String, String> e : paths.entrySet()) {
                    now = now.withTake(e.getKey(), t -> t.footage().equals(e.getValue()) ? t : t.found(e.getValue()));
                }
                return now;
            });
        }
        return out;
    }
}
