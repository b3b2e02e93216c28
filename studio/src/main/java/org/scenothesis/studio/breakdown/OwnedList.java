package org.scenothesis.studio.breakdown;

import java.nio.file.Path;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.studio.house.Session;

/// What the user owns, as it was read last. Its file is read and written in the background.
final class OwnedList {
    private static final String READ = "owned";
    private static final String WRITE = "owned-write";

    private final Session session;
    private volatile OwnedKit known = OwnedKit.NOTHING;

    OwnedList(Session session) {
        this.session = session;
    }

    OwnedKit known() {
        return known;
    }

    /// Reads the list anew and calls back if it is another; one that cannot be read is said, and counts as none.
    void read(Runnable then) {
        session.worker().ask(READ, ticket -> KitFile.read(KitFile.home()), kit -> show(kit, then), e -> {
            session.say(String.valueOf(e.getMessage()));
            show(OwnedKit.NOTHING, then);
        });
    }

    private void show(OwnedKit kit, Runnable then) {
        if (!kit.equals(known)) {
            known = kit;
            then.run();
        }
    }

    /// Keeps a list; one that cannot be read is left for its user to mend, not written over.
    void keep(OwnedKit kit, Runnable then) {
        known = kit;
        then.run();
        session.worker().ask(WRITE, ticket -> {
            KitFile.read(KitFile.home());
            KitFile.write(kit, KitFile.home());
            return kit;
        }, written -> {}, e -> {
            session.say(String.valueOf(e.getMessage()));
            read(then);
        });
    }

    /// Writes the list into a file of the user's choice.
    void export(Path file) {
        session.worker().ask(WRITE, ticket -> {
            KitFile.write(known, file);
            return file;
        }, written -> {}, e -> session.say(String.valueOf(e.getMessage())));
    }

    /// Keeps the list of a file of the user's choice.
    void bringIn(Path file, Runnable then) {
        session.worker().ask(READ, ticket -> KitFile.read(file), kit -> keep(kit, then), e -> session.say(String.valueOf(e.getMessage())));
    }
}
