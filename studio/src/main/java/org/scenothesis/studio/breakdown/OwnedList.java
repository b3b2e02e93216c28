package org.scenothesis.studio.breakdown;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.studio.house.Session;

/// What the user owns, as it was read last. Its file is read and written in the background; what was changed here counts until it is
/// written,
/// whatever a reading that began before then brings. Used by the interface's thread alone.
final class OwnedList {
    private final Session session;
    private volatile OwnedKit known = OwnedKit.NOTHING;
    private volatile @Nullable OwnedKit unwritten;
    private volatile int changes;

    OwnedList(Session session) {
        this.session = session;
    }

    OwnedKit known() {
        return known;
    }

    /// Reads the list anew and calls back if it is another; one that cannot be read is said, and counts as none.
    void read(Runnable then) {
        if (unwritten != null) {
            return;
        }
        int since = changes;
        session.worker().ask("owned", ticket -> KitFile.read(KitFile.home()), kit -> show(kit, since, then), e -> {
            say(e);
            show(OwnedKit.NOTHING, since, then);
        });
    }

    private void show(OwnedKit kit, int since, Runnable then) {
        if (since == changes && !kit.equals(known)) {
            known = kit;
            then.run();
        }
    }

    /// Keeps a list; one that cannot be read is left for its user to mend, not written over.
    void keep(OwnedKit kit, Runnable then) {
        changes++;
        known = kit;
        unwritten = kit;
        then.run();
        session.worker().ask("owned-write", ticket -> {
            KitFile.read(KitFile.home());
            KitFile.write(kit, KitFile.home());
            return kit;
        }, written -> unwritten = null, e -> {
            unwritten = null;
            say(e);
            read(then);
        });
    }

    /// Writes the list into a file of the user's choice.
    void export(Path file) {
        OwnedKit now = known;
        session.worker().ask("owned-export", ticket -> {
            KitFile.write(now, file);
            return file;
        }, written -> {}, this::say);
    }

    /// Keeps the list of a file of the user's choice.
    void bringIn(Path file, Runnable then) {
        session.worker().ask("owned-import", ticket -> KitFile.read(file), kit -> keep(kit, then), this::say);
    }

    private void say(Exception e) {
        session.say(String.valueOf(e.getMessage()));
    }
}
