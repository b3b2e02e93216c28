package org.scenothesis.studio;

import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.Node;
import javafx.scene.SnapshotParameters;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.util.Duration;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.store.ResultFile;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.studio.house.MainWindow;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;

/// Draws the window into a PNG once everything shown has been measured and computed.
final class Snapshot {
    private static final int CALM = 5;
    /// Steps of waiting for everything, about half a minute, before a picture of a part of it will do.
    private static final int LONGEST = 250;

    private Snapshot() {}

    static void whenReady(Session session, MainWindow house, Studio.Wish wish, Path picture, Runnable after) {
        if (wish.shot() != null) {
            session.openShot(wish.shot());
        }
        if (wish.plate() != null) {
            session.plateId().set(wish.plate());
        }
        if (wish.seconds() > 0) {
            session.goToFrame(wish.seconds() * session.rate());
        }
        if (wish.unfold()) {
            house.unfoldFindings();
        }
        int[] waited = {0};
        // All that is in view has been looked at; what else is measured in a large production need not be waited for.
        whenCalm(() -> session.worker().idle() && !house.shelf().waits() || waited[0]++ > LONGEST && session.looked().get()
                && session.worker().idleBut(Session.SURVEY), house, picture, after);
    }

    /// Draws what has no session once its worker has done all.
    static void whenIdle(Worker worker, Node node, Path picture, Runnable after) {
        whenCalm(worker::idle, node, picture, after);
    }

    private static void whenCalm(BooleanSupplier ready, Node node, Path picture, Runnable after) {
        int[] calm = {0};
        Timeline poll = new Timeline();
        poll.getKeyFrames().add(new KeyFrame(Duration.millis(120), e -> {
            calm[0] = ready.getAsBoolean() ? calm[0] + 1 : 0;
            if (calm[0] >= CALM) {
                poll.stop();
                try {
                    write(node, picture);
                } catch (FootageException | StoreException x) {
                    Launcher.complain(x.getMessage());
                }
                after.run();
            }
        }));
        poll.setCycleCount(Timeline.INDEFINITE);
        poll.play();
    }

    static void write(Node node, Path path) throws FootageException, StoreException {
        WritableImage image = node.snapshot(new SnapshotParameters(), null);
        int w = (int) image.getWidth();
        int h = (int) image.getHeight();
        Picture p = Picture.of(w, h);
        PixelReader pixels = image.getPixelReader();
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int argb = pixels.getArgb(x, y);
                p.r().data()[y * w + x] = (float) Transfer.SRGB.toLinear((argb >> 16 & 255) / 255.0);
                p.g().data()[y * w + x] = (float) Transfer.SRGB.toLinear((argb >> 8 & 255) / 255.0);
                p.b().data()[y * w + x] = (float) Transfer.SRGB.toLinear((argb & 255) / 255.0);
            }
        }
        ResultFile.write(path, p, Stills.Format.PNG8);
    }
}
