package org.scenothesis.production.begin;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Shots;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// What a production is begun from.
///
/// - `title`: as said; `format`: size and rate of its first shot, null for those of the first footage.
/// - `illusion`: what is impossible in the first shot, if that is known already.
public record NewProduction(String title, @Nullable FrameFormat format, @Nullable IllusionKind illusion) {
    private static final int LONGEST_NAME = 60;

    /// The production with one shot, in which nothing is filmed.
    public Production production() {
        String named = title.isBlank() ? "Untitled" : title.strip();
        Shot shot = Shots.added(new Production(named, List.of(), HouseRules.DEFAULT)).shots().getFirst().withFormat(format);
        if (illusion != null) {
            shot = shot.withIllusions(List.of(new Illusion("illusion-1", illusion, Words.of("illusion.subject." + illusion.name()), 0,
                    shot.seconds(), Map.of())));
        }
        return new Production(named, List.of(shot), HouseRules.DEFAULT);
    }

    /// Makes it in an empty or missing folder.
    ///
    /// @throws StoreException if something else lies there, or the folder cannot be written
    public ProductionFolder in(Path folder) throws StoreException {
        String wrong = refusal(folder);
        if (wrong != null) {
            throw new StoreException(folder, wrong);
        }
        Production p = production();
        return ProductionFolder.create(folder, p.withShot(p.shots().getFirst().id(), owned()::told));
    }

    /// What the user owns; a list that cannot be read keeps nobody from beginning.
    private static OwnedKit owned() {
        try {
            return KitFile.read(KitFile.home());
        } catch (StoreException e) {
            return OwnedKit.NOTHING;
        }
    }

    /// Why no production can be begun in a folder, as a sentence; null if one can. Footage that lies there already is no reason.
    public static @Nullable String refusal(Path folder) {
        if (Files.exists(folder.resolve(ProductionFolder.FILE))) {
            return Words.of("file.a-production-is-here");
        }
        if (Files.exists(folder) && !Files.isDirectory(folder)) {
            return Words.of("new-production.this-is-a-file-choose-a");
        }
        Path above = folder.toAbsolutePath().normalize();
        while (above != null && !Files.exists(above)) {
            above = above.getParent();
        }
        return above == null || !Files.isWritable(above) ? Words.of("new-production.the-folder-cannot-be-written-choose") : null;
    }

    /// Whether a folder is missing or has nothing in it.
    public static boolean bare(Path folder) {
        if (!Files.exists(folder)) {
            return true;
        }
        try (var inside = Files.isDirectory(folder) ? Files.list(folder) : null) {
            return inside != null && inside.findAny().isEmpty();
        } catch (IOException e) {
            return false;
        }
    }

    /// A folder's name made from a title: small letters and digits of any script, joined by hyphens.
    public static String folderName(String title) {
        String name = Ids.slug(title.isBlank() ? "untitled" : title);
        return name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
    }
}
