package org.scenothesis.studio.first;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.studio.house.Ticker;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.studio.parts.PictureView;

/// Looks at productions without opening them for work: what they are called, how far they are, one picture. In the background.
public final class Glimpses {
    private static final int W = 92;
    private static final int H = 52;

    private final Worker worker;

    public Glimpses(Worker worker) {
        this.worker = worker;
    }

    private record Glimpse(String title, String about, @Nullable DisplayPicture picture) {}

    /// Room for the picture of a production; name and words are put into the labels once they are known.
    StackPane of(Path folder, Label name, Label about) {
        StackPane box = box(W, H);
        // Until it is looked at, nothing is shown: a black picture would be taken for one of it.
        box.getStyleClass().setAll("thumb-waiting");
        Ticker.afterDrawing(() -> worker.ask("first|" + folder, ticket -> look(folder), g -> {
            name.setText(g.title());
            about.setText(g.about());
            if (g.picture() != null) {
                box.getStyleClass().setAll("thumb-dark");
                show(box, g.picture());
            }
        }, e -> about.setText(String.valueOf(e.getMessage()))));
        return box;
    }

    /// Room for a picture that is not to be had.
    static StackPane none() {
        return box(W, H);
    }

    /// Room for a picture of the example.
    StackPane example(int width, int height) {
        StackPane box = box(width, height);
        Ticker.afterDrawing(() -> worker.ask("first|example",
                ticket -> picture(FootageSource.of(DemoFolder.shipped().resolve("footage").resolve("maker-1.mp4")), 40, width, height),
                p -> show(box, p), e -> {}));
        return box;
    }

    private static StackPane box(int width, int height) {
        StackPane box = new StackPane();
        box.setMinSize(width, height);
        box.setMaxSize(width, height);
        box.getStyleClass().add("thumb-dark");
        return box;
    }

    private static Glimpse look(Path folder) throws StoreException {
        try (ProductionFolder there = ProductionFolder.open(folder, false)) {
            Optional<FootageSource> first = there.production().shots().stream().flatMap(s -> s.plates().stream()).map(Plate::chosen)
                    .filter(t -> t != null && there.refusal(there.footage(t)) == null).map(there::source).findFirst();
            DisplayPicture picture = null;
            try {
                picture = first.isPresent() ? picture(first.get(), 0, W, H) : null;
            } catch (FootageException e) {
                // A production is opened without a picture of it as well.
            }
            return new Glimpse(there.production().title(), FirstModel.about(there.production()), picture);
        }
    }

    private static DisplayPicture picture(FootageSource source, int frame, int width, int height) throws FootageException {
        try (Footage f = Footages.open(source)) {
            Picture p = f.frame(Math.min(frame, f.info().frames() - 1));
            // As large as it must be to fill the room.
            double k = Math.max(width / (double) p.width(), height / (double) p.height());
            return DisplayPicture.of(p, (int) Math.ceil(p.width() * k), (int) Math.ceil(p.height() * k), Bands.sequential());
        }
    }

    private static void show(StackPane box, DisplayPicture s) {
        ImageView image = new ImageView(PictureView.image(s));
        box.setClip(new Rectangle(box.getMinWidth(), box.getMinHeight()));
        box.getChildren().setAll(image);
    }
}
