package org.scenothesis.studio.house;

import org.jspecify.annotations.Nullable;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.render.ShotRenderer;

/// A renderer that stays open from frame to frame, and is made anew when what was measured changes the pictures. For lanes that make
/// pictures: they take turns, so that one is enough for all benches.
public final class KeptRenderer implements AutoCloseable {
    private final Session session;
    private volatile @Nullable ShotRenderer renderer;
    private @Nullable Measured of;

    KeptRenderer(Session session) {
        this.session = session;
    }

    public ShotRenderer of(Measured m) {
        ShotRenderer r = renderer;
        if (r == null || of == null || !of.samePictures(m)) {
            close();
            r = new ShotRenderer(session.folder(), m, session.surveyor().contents(), session.frames(), session.bands());
            renderer = r;
            of = m;
        }
        return r;
    }

    /// Closes its files as soon as the lane that uses it is free, unless a picture was asked for by then.
    public void rest(String lane) {
        if (renderer != null) {
            session.worker().ask(lane, ticket -> {
                close();
                return true;
            }, done -> {}, e -> {});
        }
    }

    @Override
    public void close() {
        ShotRenderer r = renderer;
        renderer = null;
        if (r != null) {
            r.close();
        }
    }
}
